// A passage with gaps. It is written as one text; what stands in brackets is a gap (see passage.ts).
import { z } from 'zod'
import { plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'
import { LONGEST_FILLING } from '../limits.ts'
import { wordRulesSchema } from '../shortText/schema.ts'

export const gapsSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('gaps'),
  passage: plainText(4000),
  /** Typed, picked from a list in the gap, or dragged from under the passage. */
  filledBy: z.enum(['typing', 'list', 'dragging']),
  /** Words that fit nowhere, one a line; for lists and dragging. */
  extras: plainText(1000),
  /** How typed words are compared. */
  rules: wordRulesSchema,
  credit: z.enum(['allOrNothing', 'partial']),
})

export const gapsAnswerSchema = z.strictObject({
  kind: z.literal('gaps'),
  /** By gap, as it is numbered in the passage from 1. */
  filled: z.record(z.string().regex(/^[1-9]\d?$/), plainText(LONGEST_FILLING)),
})

export type GapsQuestion = z.infer<typeof gapsSchema>
export type GapsAnswer = z.infer<typeof gapsAnswerSchema>
