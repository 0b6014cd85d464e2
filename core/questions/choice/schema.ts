// The choice question: one right option, or several.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const choiceOptionSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(500),
  right: z.boolean(),
  feedback: richText(1000),
})

export const choiceSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('choice'),
  several: z.boolean(),
  options: z.record(idSchema, choiceOptionSchema),
  /** Only for several: all-or-nothing, shares of the points, or shares less those picked wrongly. */
  credit: z.enum(['allOrNothing', 'partial', 'penalised']),
  /** Whether learners find the options mixed, each in an order of their own. */
  shuffle: z.boolean().optional(),
})

export const choiceAnswerSchema = z.strictObject({
  kind: z.literal('choice'),
  picked: z.array(idSchema).max(100),
})

export type ChoiceQuestion = z.infer<typeof choiceSchema>
export type ChoiceOption = z.infer<typeof choiceOptionSchema>
export type ChoiceAnswer = z.infer<typeof choiceAnswerSchema>
