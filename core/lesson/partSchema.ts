// The parts that a lesson is made of. A new kind of part is a schema here and a line in the union.
import { z } from 'zod'
import { idSchema, mediaMsSchema, orderSchema, plainText, richText } from '../fields/index.ts'
import { chroniclePartSchema } from './chronicleSchema.ts'
import { deckPartSchema } from './deckSchema.ts'
import { pagePartSchema } from './pageSchema.ts'
import { partBase } from './partBase.ts'
import { stillPartSchema } from './stillSchema.ts'

export const seekRuleSchema = z.enum(['free', 'backOnly', 'none'])

export const frameRateSchema = z.enum([
  ...(['15', '23.976', '24', '25', '29.97', '30', '48', '50', '59.94', '60', '120'] as const),
])

export const filmPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('film'),
  mediaId: idSchema.nullable(),
  /** Known once the film has been probed. */
  durationMs: mediaMsSchema.nullable(),
  /** Null while nothing is known of the film, and where only its host has its frames. */
  frameRate: frameRateSchema.nullable(),
  /** Counts every number: only of 29.97 and 59.94 frames, where some are dropped without it. */
  timecode: z.literal('nonDrop').optional(),
  seekRule: seekRuleSchema,
})

/** What is said at the end. */
export const endingSchema = z.strictObject({
  message: plainText(2000),
  /** Instead, to those who have this share of the marks; null where nobody passes or fails. */
  pass: z.strictObject({ share: z.number().min(0).max(1), message: plainText(2000) }).nullable(),
})

/** Questions that belong together, with what is said before them. */
export const quizSectionSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  title: plainText(200),
  instructions: richText(20_000),
})

/** The place of a question in a quiz; answers name it as they name a film's cue. */
export const quizItemSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  sectionId: idSchema,
  questionId: idSchema,
})

export const quizPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('quiz'),
  layout: z.enum(['onePage', 'oneAtATime']),
  /** When learners are told what came of their answers: with each, or when they have handed in. */
  tells: z.enum(['atOnce', 'atEnd']),
  /** When the film that answers a question may be played again; `afterwards`: once its answer is final. */
  rewatch: z.enum(['always', 'afterwards', 'never']),
  /** Within each section, in an order that stays the same for one learner. */
  shuffle: z.boolean(),
  instructions: richText(20_000),
  /** What is said over the summary. */
  ending: endingSchema,
  sections: z.record(idSchema, quizSectionSchema),
  items: z.record(idSchema, quizItemSchema),
})

export const partSchema = z.discriminatedUnion('kind', [
  filmPartSchema,
  quizPartSchema,
  pagePartSchema,
  stillPartSchema,
  deckPartSchema,
  chroniclePartSchema,
])

export type Part = z.infer<typeof partSchema>
export type PartKind = Part['kind']
export type FilmPart = z.infer<typeof filmPartSchema>
export type QuizPart = z.infer<typeof quizPartSchema>
export type QuizSection = z.infer<typeof quizSectionSchema>
export type QuizItem = z.infer<typeof quizItemSchema>
export type Ending = z.infer<typeof endingSchema>
export type SeekRule = z.infer<typeof seekRuleSchema>
export type FrameRateName = z.infer<typeof frameRateSchema>

/** An end without a word of its own. */
export function emptyEnding(): Ending {
  return { message: '', pass: null }
}
