// Every kind of question and of answer, as schemas. A new kind is a line in each list.
import { z } from 'zod'
import { areaAnswerSchema, areaSchema } from './area/schema.ts'
import { checklistAnswerSchema, checklistSchema } from './checklist/schema.ts'
import { choiceAnswerSchema, choiceSchema } from './choice/schema.ts'
import { gapsAnswerSchema, gapsSchema } from './gaps/schema.ts'
import { longTextAnswerSchema, longTextSchema } from './longText/schema.ts'
import { matchAnswerSchema, matchSchema } from './match/schema.ts'
import { numberAnswerSchema, numberSchema } from './number/schema.ts'
import { orderAnswerSchema, orderQuestionSchema } from './order/schema.ts'
import { pollAnswerSchema, pollSchema } from './poll/schema.ts'
import { recapAnswerSchema, recapSchema } from './recap/schema.ts'
import { recordingAnswerSchema, recordingSchema } from './recording/schema.ts'
import { scaleAnswerSchema, scaleSchema } from './scale/schema.ts'
import { shortTextAnswerSchema, shortTextSchema } from './shortText/schema.ts'
import { termsAnswerSchema, termsSchema } from './terms/schema.ts'
import { trueFalseAnswerSchema, trueFalseSchema } from './trueFalse/schema.ts'
import { uploadAnswerSchema, uploadSchema } from './upload/schema.ts'

export const questionSchema = z.discriminatedUnion('kind', [
  choiceSchema,
  trueFalseSchema,
  shortTextSchema,
  numberSchema,
  gapsSchema,
  orderQuestionSchema,
  matchSchema,
  areaSchema,
  longTextSchema,
  uploadSchema,
  recordingSchema,
  pollSchema,
  scaleSchema,
  checklistSchema,
  recapSchema,
  termsSchema,
])

export const answerSchema = z.discriminatedUnion('kind', [
  choiceAnswerSchema,
  trueFalseAnswerSchema,
  shortTextAnswerSchema,
  numberAnswerSchema,
  gapsAnswerSchema,
  orderAnswerSchema,
  matchAnswerSchema,
  areaAnswerSchema,
  longTextAnswerSchema,
  uploadAnswerSchema,
  recordingAnswerSchema,
  pollAnswerSchema,
  scaleAnswerSchema,
  checklistAnswerSchema,
  recapAnswerSchema,
  termsAnswerSchema,
])

export type Question = z.infer<typeof questionSchema>
export type Answer = z.infer<typeof answerSchema>
export type QuestionKindName = Question['kind']
export type QuestionOf<K extends QuestionKindName> = Extract<Question, { kind: K }>
export type AnswerOf<K extends QuestionKindName> = Extract<Answer, { kind: K }>
