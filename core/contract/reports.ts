// What the results of a class or a lesson say: the watch map, the questions, the ways, the comparison, the mark book.
import { z } from 'zod'
import { BOOK_STATES } from '../analysis/index.ts'
import { clockSchema, idSchema } from '../fields/index.ts'
import { sourceParams } from './marking.ts'
import { route, type ReplyOf } from './route.ts'

/** Over which edition; without it, the newest that anybody has begun. */
const editionQuery = z.strictObject({ edition: z.coerce.number().int().min(1).optional() })

const about = {
  title: z.string(),
  classTitle: z.string().nullable(),
  lessonId: idSchema,
  /** Null before anybody has begun. */
  edition: z.int().nullable(),
  /** The editions that learners are on, with how many attempts at each. */
  editions: z.array(z.strictObject({ number: z.int(), attempts: z.int() })),
}

const spanSchema = z.strictObject({ fromMs: z.number(), toMs: z.number() })

const watchedPartSchema = z.strictObject({
  partId: idSchema,
  title: z.string(),
  durationMs: z.int(),
  binMs: z.int(),
  learners: z.array(
    z.strictObject({
      name: z.string(),
      /** One letter a bin: 0 skipped, 1 seen, 2 seen again. */
      cells: z.string(),
      /** The share of the film, 0 to 1. */
      watched: z.number(),
      furthestMs: z.int(),
    }),
  ),
  /** By bin: how often its middle was played, and by how many. */
  plays: z.array(z.int()),
  seenBy: z.array(z.int()),
  /** The share of those who watched anything whose furthest point is at or beyond the beginning of each bin. */
  leaveOff: z.array(z.number()),
  leaving: spanSchema.extend({ count: z.int(), of: z.int() }).nullable(),
  /** Stretches that learners came back to, with the line of the script that names each. */
  returned: z.array(
    spanSchema.extend({
      /** The highest of plays to learners in it. */
      ratio: z.number(),
      /** How many saw some of it again, of those who saw anything of it. */
      again: z.int(),
      seen: z.int(),
      line: z.string().nullable(),
    }),
  ),
  /** Where questions stand, in ms. */
  asked: z.array(z.strictObject({ number: z.int(), atMs: z.int() })),
})

const shareSchema = z.strictObject({ count: z.int(), of: z.int() })
const figure = z.number().nullable()

const questionFiguresSchema = z.strictObject({
  questionId: idSchema,
  number: z.int(),
  kind: z.string(),
  stem: z.string(),
  partId: idSchema,
  partTitle: z.string(),
  /** What asks it on the bench. */
  placeId: idSchema,
  atMs: z.int().nullable(),
  max: z.number(),
  byPerson: z.boolean(),
  answered: z.int(),
  difficulty: figure,
  discrimination: figure,
  upperLower: figure,
  medianMs: figure,
  tries: figure,
  options: z.array(
    z.strictObject({
      id: z.string(),
      label: z.string(),
      right: z.boolean(),
      upper: z.number(),
      middle: z.number(),
      lower: z.number(),
      isMisleading: z.boolean(),
    }),
  ),
  oftenSaid: z.array(z.strictObject({ text: z.string(), count: z.int() })),
  evidence: spanSchema.extend({ partId: idSchema }).nullable(),
  seen: z
    .strictObject({
      withIt: shareSchema,
      without: shareSchema,
      gap: z.strictObject({ difference: z.number(), low: z.number(), high: z.number() }).nullable(),
    })
    .nullable(),
})

const testFiguresSchema = z.strictObject({
  learners: z.int(),
  max: z.number(),
  mean: figure,
  sd: figure,
  median: figure,
  quartiles: z.strictObject({ lower: z.number(), upper: z.number() }).nullable(),
  reliability: figure,
  error: figure,
  isEnough: z.boolean(),
  /** How many reached each tenth of the marks: up to 10 %, up to 20 % and so on. */
  tenths: z.array(z.int()).length(10),
})

const wayPartSchema = z.strictObject({
  partId: idSchema,
  number: z.int(),
  kind: z.string(),
  title: z.string(),
  opened: z.int(),
  finished: z.int(),
  ways: z.array(
    z.strictObject({
      id: z.string(),
      /** When in the film it parts; null for a way that leaves at the end. */
      atMs: z.int().nullable(),
      prompt: z.string(),
      words: z.string(),
      /** Where it leads: a part's title, a time in the same film, or an ending. */
      leads: z.discriminatedUnion('to', [
        z.strictObject({ to: z.literal('part'), title: z.string() }),
        z.strictObject({ to: z.literal('time'), atMs: z.int() }),
        z.strictObject({ to: z.literal('ending'), words: z.string() }),
        z.strictObject({ to: z.literal('on') }),
      ]),
      learners: z.int(),
    }),
  ),
})

const comparedSchema = z.strictObject({
  key: z.string(),
  classTitle: z.string().nullable(),
  edition: z.int(),
  /** Whether it is the one that is looked at. */
  isOwn: z.boolean(),
  learners: z.int(),
  finished: z.int(),
  watched: figure,
  /** The mean share of the marks. */
  score: figure,
  /** By question: the share of its points that was earned. */
  questions: z.record(idSchema, z.number().nullable()),
  lastAt: clockSchema,
})

const classParams = z.strictObject({ classId: idSchema })
export const REPORTS = ['overview', 'watching', 'questions', 'ways', 'comparison', 'talk'] as const
export type ReportName = (typeof REPORTS)[number]
export const FORMATS = ['csv', 'xlsx', 'pdf'] as const
export type ReportFormat = (typeof FORMATS)[number]

export const reportRoutes = {
  watchMap: route('watchMap', 'marker', 'What each learner watched', {
    params: sourceParams,
    query: editionQuery,
    reply: z.strictObject({ ...about, learners: z.int(), parts: z.array(watchedPartSchema) }),
  }),
  questionAnalysis: route('questionAnalysis', 'marker', 'How the questions did', {
    params: sourceParams,
    query: editionQuery,
    reply: z.strictObject({
      ...about,
      /** Whether whoever asks may look at the lesson on its bench. */
      mayOpenBench: z.boolean(),
      test: testFiguresSchema,
      questions: z.array(questionFiguresSchema),
    }),
  }),
  waysTaken: route('waysTaken', 'marker', 'Which ways learners took', {
    params: sourceParams,
    query: editionQuery,
    reply: z.strictObject({ ...about, learners: z.int(), parts: z.array(wayPartSchema) }),
  }),
  comparison: route('comparison', 'marker', 'Beside other classes and editions', {
    params: sourceParams,
    reply: z.strictObject({
      ...about,
      groups: z.array(comparedSchema),
      questions: z.array(
        z.strictObject({ questionId: idSchema, number: z.int(), stem: z.string() }),
      ),
    }),
  }),
  report: route('report', 'marker', 'Results as a file', {
    params: sourceParams.extend({ report: z.enum(REPORTS) }),
    query: editionQuery.extend({ format: z.enum(FORMATS) }),
    reply: null,
  }),
  mailReport: route('mailReport', 'marker', 'Mail the results', {
    params: sourceParams,
    body: z.strictObject({
      to: z.array(z.email().max(200)).min(1).max(20),
      edition: z.int().min(1).optional(),
    }),
    reply: z.strictObject({ sent: z.int() }),
  }),
  markBook: route('markBook', 'classTeacher', 'All marks of a class', {
    params: classParams,
    reply: z.strictObject({
      title: z.string(),
      assignments: z.array(
        z.strictObject({
          id: idSchema,
          title: z.string(),
          weight: z.number(),
          max: z.number(),
          isDue: z.boolean(),
          /** Answers that wait for a person; until then their points are missing. */
          waiting: z.int(),
        }),
      ),
      learners: z.array(
        z.strictObject({
          personId: idSchema,
          name: z.string(),
          hasLeft: z.boolean(),
          /** For each assignment. */
          marks: z.record(
            idSchema,
            z.strictObject({
              state: z.enum(BOOK_STATES),
              points: z.number(),
              max: z.number(),
              isComplete: z.boolean(),
            }),
          ),
          /** By weight, 0 to 1; null where nothing counts. */
          share: figure,
        }),
      ),
    }),
  }),
  weighAssignment: route(
    'weighAssignment',
    'classTeacher',
    'How much an assignment weighs in the mark book',
    {
      params: classParams.extend({ assignmentId: idSchema }),
      body: z.strictObject({ weight: z.number().min(0).max(100) }),
      reply: z.strictObject({ weight: z.number() }),
    },
  ),
  excuse: route('excuse', 'classTeacher', 'Excuse somebody from an assignment, or no longer', {
    params: z.strictObject({ classId: idSchema, assignmentId: idSchema, personId: idSchema }),
    body: z.strictObject({ isExcused: z.boolean() }),
    reply: z.strictObject({ isExcused: z.boolean() }),
  }),
  markBookFile: route('markBookFile', 'classTeacher', 'The mark book as a file', {
    params: classParams,
    query: z.strictObject({ format: z.enum(FORMATS) }),
    reply: null,
  }),
}

export type WatchMap = ReplyOf<typeof reportRoutes.watchMap>
export type WatchedPart = WatchMap['parts'][number]
export type QuestionAnalysis = ReplyOf<typeof reportRoutes.questionAnalysis>
export type QuestionReport = QuestionAnalysis['questions'][number]
export type WaysTaken = ReplyOf<typeof reportRoutes.waysTaken>
export type Comparison = ReplyOf<typeof reportRoutes.comparison>
export type MarkBook = ReplyOf<typeof reportRoutes.markBook>
