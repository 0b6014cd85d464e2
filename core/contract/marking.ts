// Marking: the answers that wait for a person, the marks they give, and telling learners.
import { z } from 'zod'
import { clockSchema, idSchema, plainText } from '../fields/index.ts'
import { LONGEST_COMMENT } from '../marking/index.ts'
import { answerSchema, questionSchema } from '../questions/index.ts'
import { fileTakenSchema } from './attempts.ts'
import { route, type ReplyOf } from './route.ts'

/** Where attempts come from: an assignment, or a lesson that was opened by its link. */
export const SOURCES = ['assignment', 'lesson'] as const
export type Source = (typeof SOURCES)[number]
export const sourceParams = z.strictObject({ source: z.enum(SOURCES), sourceId: idSchema })

const levelsSchema = z.array(z.int().min(0).max(100).nullable()).max(12)

export const markSchema = z.strictObject({
  points: z.number(),
  verdict: z.enum(['right', 'partly', 'wrong']),
  /** Of a rubric: which level of each criterion was reached. */
  levels: levelsSchema.nullable(),
  comment: z.string(),
  revision: z.int(),
  /** Who gave it; null once their account is gone. */
  by: z.string().nullable(),
  at: clockSchema,
  releasedAt: clockSchema.nullable(),
})

export const pileAnswerSchema = z.strictObject({
  attemptId: idSchema,
  responseId: idSchema,
  /** The name is null while names are hidden; the number stands for them then. */
  learner: z.strictObject({ number: z.int(), name: z.string().nullable() }),
  questionId: idSchema,
  /** Into `questions`: questions differ from edition to edition. */
  asked: z.string(),
  tryNumber: z.int(),
  answer: answerSchema,
  /** The answer as it reads in a report. */
  text: z.string(),
  files: z.array(fileTakenSchema),
  answeredAt: clockSchema,
  /** The device's clock could not be believed; it is when it arrived. */
  isDoubtful: z.boolean(),
  /** What it was marked with by itself. */
  verdict: z.enum(['right', 'partly', 'wrong', 'unmarked']),
  points: z.number(),
  mark: markSchema.nullable(),
})

const keptCommentSchema = z.strictObject({ id: idSchema, words: z.string() })
export const MOST_COMMENTS = 200

export const markingRoutes = {
  piles: route('piles', 'designer', 'What waits for me to mark', {
    reply: z.strictObject({
      piles: z.array(
        z.strictObject({
          source: z.enum(SOURCES),
          sourceId: idSchema,
          title: z.string(),
          /** Null for those who opened the lesson by its link. */
          classTitle: z.string().nullable(),
          waiting: z.int(),
          marked: z.int(),
          /** Marked, and not told to learners yet. */
          untold: z.int(),
          oldestAt: clockSchema.nullable(),
        }),
      ),
    }),
  }),
  pile: route('pile', 'marker', 'The answers of a pile', {
    params: sourceParams,
    query: z.strictObject({
      names: z.enum(['shown', 'hidden']).optional(),
      /** All answers that bring points, not only those that a person has to look at. */
      which: z.enum(['byPerson', 'all']).optional(),
    }),
    reply: z.strictObject({
      title: z.string(),
      classTitle: z.string().nullable(),
      /** From when on learners see the marks that they are told; null where that is at once. */
      tellsFrom: clockSchema.nullable(),
      questions: z.record(z.string(), questionSchema),
      /** The ids of questions in the order of the newest edition. */
      order: z.array(idSchema),
      answers: z.array(pileAnswerSchema),
      comments: z.array(keptCommentSchema),
    }),
  }),
  saveMark: route('saveMark', 'marker', 'Mark an answer', {
    params: sourceParams,
    body: z.strictObject({
      attemptId: idSchema,
      responseId: idSchema,
      /** The mark that whoever marks has seen; 0 where there was none. */
      revision: z.int().min(0),
      points: z.number().min(0).max(1000),
      levels: levelsSchema.nullable(),
      comment: plainText(LONGEST_COMMENT),
    }),
    reply: markSchema,
  }),
  releaseMarks: route('releaseMarks', 'marker', 'Tell learners their marks, or take that back', {
    params: sourceParams,
    body: z.strictObject({
      told: z.boolean(),
      /** Of this question alone; null for all. */
      questionId: idSchema.nullable(),
    }),
    reply: z.strictObject({ marks: z.int(), learners: z.int() }),
  }),
  markedFile: route('markedFile', 'marker', 'A file that was handed in', {
    params: sourceParams.extend({ attemptId: idSchema, fileId: idSchema }),
    reply: null,
  }),
  keepComment: route('keepComment', 'designer', 'Keep a comment for later', {
    body: z.strictObject({ id: idSchema, words: plainText(LONGEST_COMMENT, 1) }),
    reply: z.strictObject({ comments: z.array(keptCommentSchema) }),
  }),
  dropComment: route('dropComment', 'designer', 'Forget a kept comment', {
    params: z.strictObject({ commentId: idSchema }),
    reply: z.strictObject({ comments: z.array(keptCommentSchema) }),
  }),
}

export type Pile = ReplyOf<typeof markingRoutes.pile>
export type PileAnswer = z.infer<typeof pileAnswerSchema>
export type PileCard = ReplyOf<typeof markingRoutes.piles>['piles'][number]
export type GivenMark = z.infer<typeof markSchema>
