// True or false: the stem is a statement.
import { z } from 'zod'
import { questionBase } from '../base.ts'

export const trueFalseSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('trueFalse'),
  right: z.boolean(),
})

export const trueFalseAnswerSchema = z.strictObject({
  kind: z.literal('trueFalse'),
  value: z.boolean(),
})

export type TrueFalseQuestion = z.infer<typeof trueFalseSchema>
export type TrueFalseAnswer = z.infer<typeof trueFalseAnswerSchema>
