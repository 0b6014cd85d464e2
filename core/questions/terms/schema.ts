// Term cards: turned over and matched, for practice. Nobody is wrong; who knows a term says so, or matches it.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const termCardSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  term: richText(300),
  meaning: richText(500),
})

export const termsSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('terms'),
  cards: z.record(idSchema, termCardSchema),
})

export const termsAnswerSchema = z.strictObject({
  kind: z.literal('terms'),
  /** The cards that the learner knew or matched. */
  known: z.array(idSchema).max(100),
})

export type TermCard = z.infer<typeof termCardSchema>
export type TermsQuestion = z.infer<typeof termsSchema>
export type TermsAnswer = z.infer<typeof termsAnswerSchema>
