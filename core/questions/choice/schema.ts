// The choice question: one right option, or several.
import { z } from 'zod'
import { idSchema, orderSchema, plainText, stretchSchema } from '../../fields/index.ts'

export const choiceOptionSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: plainText(500),
  right: z.boolean(),
  feedback: plainText(1000),
})

export const choiceSchema = z.strictObject({
  id: idSchema,
  kind: z.literal('choice'),
  stem: plainText(2000),
  several: z.boolean(),
  options: z.record(idSchema, choiceOptionSchema),
  hint: plainText(1000),
  feedback: z.strictObject({
    right: plainText(1000),
    partly: plainText(1000),
    wrong: plainText(1000),
  }),
  explanation: plainText(4000),
  points: z.number().min(0).max(1000),
  /** Only for several: all-or-nothing, shares of the points, or shares less those picked wrongly. */
  credit: z.enum(['allOrNothing', 'partial', 'penalised']),
  /** How many times it may be answered; 0 means without limit. */
  tries: z.int().min(0).max(20),
  /** The share of the points lost with each further try, 0 to 1. */
  tryPenalty: z.number().min(0).max(1),
  keep: z.enum(['best', 'last']),
  evidence: stretchSchema.nullable(),
})

export const choiceAnswerSchema = z.strictObject({
  kind: z.literal('choice'),
  picked: z.array(idSchema).max(100),
})

export type ChoiceQuestion = z.infer<typeof choiceSchema>
export type ChoiceOption = z.infer<typeof choiceOptionSchema>
export type ChoiceAnswer = z.infer<typeof choiceAnswerSchema>
