// A recap: sets of similar statements, one true in each. The true ones build up into a summary.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const recapStatementSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(500),
  right: z.boolean(),
})

export const recapSetSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  statements: z.record(idSchema, recapStatementSchema),
})

export const recapSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('recap'),
  sets: z.record(idSchema, recapSetSchema),
})

export const recapAnswerSchema = z.strictObject({
  kind: z.literal('recap'),
  /** By set: the statements in the order in which they were picked, until the true one. */
  picks: z.record(idSchema, z.array(idSchema).max(20)),
})

export type RecapQuestion = z.infer<typeof recapSchema>
export type RecapSet = z.infer<typeof recapSetSchema>
export type RecapStatement = z.infer<typeof recapStatementSchema>
export type RecapAnswer = z.infer<typeof recapAnswerSchema>
