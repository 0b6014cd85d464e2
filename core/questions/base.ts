// What every kind of question says: its words, its marks, and the stretch of film that answers it.
import { z } from 'zod'
import { idSchema, richText, stretchSchema } from '../fields/index.ts'

export const questionBase = {
  id: idSchema,
  stem: richText(2000),
  hint: richText(1000),
  feedback: z.strictObject({
    right: richText(1000),
    partly: richText(1000),
    wrong: richText(1000),
  }),
  explanation: richText(4000),
  points: z.number().min(0).max(1000),
  /** How many times it may be answered; 0 means without limit. */
  tries: z.int().min(0).max(20),
  /** The share of the points lost with each further try, 0 to 1. */
  tryPenalty: z.number().min(0).max(1),
  keep: z.enum(['best', 'last']),
  evidence: stretchSchema.nullable(),
  /** Material that it shares with other questions; without it there is none. */
  materialId: idSchema.optional(),
  /** Under which id it is kept on the question shelf, or came from there. */
  shelfId: idSchema.optional(),
  /** Set on its way to a learner alone: what is right was taken out, and all lies as they find it; see cut.ts. */
  cut: z.literal(true).optional(),
  /** Set on its way to a learner alone: what its mixing follows from, instead of who the learner is. */
  mix: z.string().max(200).optional(),
}

/**
 * Where the film waits for the right answer however many tries that takes, so many wrong ones bring the explanation and
 * what is right, so that nobody is stuck.
 */
export const HELP_AFTER_TRIES = 3

export type QuestionBase = z.infer<z.ZodObject<typeof questionBase>>
export type BaseFields = Omit<QuestionBase, 'id'>

/** A question's usual rules, with nothing written yet. */
export function blankBase(id: string): QuestionBase {
  return {
    id,
    stem: '',
    hint: '',
    feedback: { right: '', partly: '', wrong: '' },
    explanation: '',
    points: 1,
    tries: 2,
    tryPenalty: 0,
    keep: 'best',
    evidence: null,
  }
}
