// Putting things into their order. The right order is the designer's own; learners get them mixed.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const orderItemSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(300),
})

export const orderQuestionSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('order'),
  items: z.record(idSchema, orderItemSchema),
  /** All-or-nothing, or the share of neighbours that stayed together. */
  credit: z.enum(['allOrNothing', 'partial']),
})

export const orderAnswerSchema = z.strictObject({
  kind: z.literal('order'),
  ids: z.array(idSchema).max(100),
})

export type OrderQuestion = z.infer<typeof orderQuestionSchema>
export type OrderItem = z.infer<typeof orderItemSchema>
export type OrderAnswer = z.infer<typeof orderAnswerSchema>
