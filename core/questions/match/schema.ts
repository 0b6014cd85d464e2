// Matching: each thing on the left belongs to one on the right; there may be more on the right than on the left.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const matchPairSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  left: richText(300),
  right: richText(300),
})

/** Something on the right that belongs to nothing. */
export const matchExtraSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(300),
})

export const matchSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('match'),
  pairs: z.record(idSchema, matchPairSchema),
  extras: z.record(idSchema, matchExtraSchema),
  credit: z.enum(['allOrNothing', 'partial']),
})

export const matchAnswerSchema = z.strictObject({
  kind: z.literal('match'),
  /** By the pair whose left is meant: the pair whose right was given to it, or an extra. */
  matched: z.record(idSchema, idSchema),
})

export type MatchQuestion = z.infer<typeof matchSchema>
export type MatchPair = z.infer<typeof matchPairSchema>
export type MatchExtra = z.infer<typeof matchExtraSchema>
export type MatchAnswer = z.infer<typeof matchAnswerSchema>
