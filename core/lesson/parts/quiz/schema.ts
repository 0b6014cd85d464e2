// A quiz: questions in sections, met on one page or one after the other.
import { z } from 'zod'
import { idSchema, orderSchema, plainText, richText } from '../../../fields/index.ts'
import { endingSchema, partBase } from '../base.ts'

/** Questions that belong together, with what is said before them. */
export const quizSectionSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  title: plainText(200),
  instructions: richText(20_000),
})

/** The place of a question in a quiz; answers name it as they name a film's cue. */
export const quizItemSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  sectionId: idSchema,
  questionId: idSchema,
})

export const quizPartSchema = z.strictObject({
  ...partBase,
  kind: z.literal('quiz'),
  layout: z.enum(['onePage', 'oneAtATime']),
  /** When learners are told what came of their answers: with each, or when they have handed in. */
  tells: z.enum(['atOnce', 'atEnd']),
  /** When the film that answers a question may be played again; `afterwards`: once its answer is final. */
  rewatch: z.enum(['always', 'afterwards', 'never']),
  /** Within each section, in an order that stays the same for one learner. */
  shuffle: z.boolean(),
  instructions: richText(20_000),
  /** What is said over the summary. */
  ending: endingSchema,
  sections: z.record(idSchema, quizSectionSchema),
  items: z.record(idSchema, quizItemSchema),
})

export type QuizPart = z.infer<typeof quizPartSchema>
export type QuizSection = z.infer<typeof quizSectionSchema>
export type QuizItem = z.infer<typeof quizItemSchema>
