// The question shelf: questions that a designer keeps to ask them again, in any lesson.
import { z } from 'zod'
import { clockSchema, idSchema, languageSchema } from '../fields/index.ts'
import { questionSchema } from '../questions/index.ts'
import { route } from './route.ts'

export const keptQuestionSchema = z.strictObject({
  id: idSchema,
  question: questionSchema,
  keptAt: clockSchema,
  /** The lessons of this person that ask it now. */
  lessons: z.array(z.strictObject({ id: idSchema, title: z.string() })),
})

export const questionRoutes = {
  keptQuestions: route('keptQuestions', 'designer', 'The questions that I keep', {
    reply: z.strictObject({ questions: z.array(keptQuestionSchema) }),
  }),
  keepQuestion: route(
    'keepQuestion',
    'designer',
    'Keep a question; the same id again replaces it',
    {
      body: z.strictObject({ id: idSchema, question: questionSchema }),
      reply: z.strictObject({ id: idSchema }),
    },
  ),
  dropKeptQuestion: route(
    'dropKeptQuestion',
    'questionOwner',
    'Keep a question no longer; lessons that ask it go on asking it',
    { params: z.strictObject({ keptId: idSchema }), reply: z.strictObject({ id: idSchema }) },
  ),
  nearWords: route(
    'nearWords',
    'designer',
    'The words of a language that lie a slip away from some others: typed instead of them, they are no slips',
    {
      query: z.strictObject({
        language: languageSchema,
        /** As they are compared, with spaces between. */
        listed: z.string().min(1).max(4000),
      }),
      reply: z.strictObject({ words: z.array(z.string()) }),
    },
  ),
}

export type KeptQuestion = z.infer<typeof keptQuestionSchema>
