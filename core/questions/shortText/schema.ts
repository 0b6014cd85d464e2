// A short answer in words, compared with what is listed.
import { z } from 'zod'
import { idSchema, orderSchema, plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_SHORT_TEXT, MOST_OTHERS } from '../limits.ts'

/** How words are compared. */
export const wordRulesSchema = z.strictObject({
  /** Whether capitals matter. */
  minds: z.strictObject({ case: z.boolean(), accents: z.boolean() }),
  /** Whether small slips of the hand are let pass. */
  typos: z.boolean(),
  /** Words that are no slips, however near they come: written when the lesson is published, from the words of its films. */
  others: z.array(plainText(60)).max(MOST_OTHERS).optional(),
})

export const listedAnswerSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: plainText(200),
  /** Compared letter by letter, or as a pattern (see pattern.ts). */
  as: z.enum(['words', 'pattern']),
  /** The share of the points that it earns; 0 for a wrong answer that is worth a word of its own. */
  share: z.number().min(0).max(1),
  feedback: plainText(1000),
})

export const shortTextSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('shortText'),
  listed: z.record(idSchema, listedAnswerSchema),
  rules: wordRulesSchema,
})

export const shortTextAnswerSchema = z.strictObject({
  kind: z.literal('shortText'),
  text: plainText(LONGEST_SHORT_TEXT),
})

export type WordRules = z.infer<typeof wordRulesSchema>
export type ListedAnswer = z.infer<typeof listedAnswerSchema>
export type ShortTextQuestion = z.infer<typeof shortTextSchema>
export type ShortTextAnswer = z.infer<typeof shortTextAnswerSchema>
