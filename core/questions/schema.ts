// Every kind of question and of answer, as schemas.
import { z } from 'zod'
import { choiceAnswerSchema, choiceSchema } from './choice/schema.ts'

export const questionSchema = z.discriminatedUnion('kind', [choiceSchema])
export const answerSchema = z.discriminatedUnion('kind', [choiceAnswerSchema])

export type Question = z.infer<typeof questionSchema>
export type Answer = z.infer<typeof answerSchema>
