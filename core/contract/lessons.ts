// Lessons: the draft and its edits, editions, results.
import { z } from 'zod'
import { clockSchema, idSchema, languageSchema, plainText } from '../fields/index.ts'
import { CHANGES, lessonSchema, patchSchema } from '../lesson/index.ts'
import { fileTakenSchema } from './attempts.ts'
import { route, type ReplyOf } from './route.ts'
import { editionNoteSchema, lessonRoleSchema, seenBySchema } from './sharing.ts'

const lessonParams = z.strictObject({ lessonId: idSchema })

/** What an edition brought; see `whatChanged`. */
export const changeSchema = z.strictObject({
  what: z.enum(CHANGES),
  name: z.string().optional(),
  count: z.int().optional(),
})

export const editionSummarySchema = z.strictObject({
  number: z.int(),
  publishedAt: clockSchema,
  revision: z.int(),
  /** What its publisher said of it. */
  note: z.string(),
  changes: z.array(changeSchema),
})

/** Revisions are counted in 32 bits. */
export const GREATEST_REVISION = 2 ** 31 - 1

/** What stands on a small frond. */
export const smallCuesSchema = z.array(
  z.strictObject({
    id: idSchema,
    kind: z.enum(['question', 'recap', 'overlay', 'bookmark', 'fork']),
    fromMs: z.int(),
    toMs: z.int(),
  }),
)

/** A lesson as the home page shows it, with what its small frond needs. */
export const lessonCardSchema = z.strictObject({
  id: idSchema,
  title: z.string(),
  summary: z.string(),
  updatedAt: clockSchema,
  editionNumber: z.int().nullable(),
  learners: z.int(),
  /** How often they opened it, all together. */
  opened: z.int(),
  /** Put away by me. */
  isAway: z.boolean(),
  role: lessonRoleSchema,
  seenBy: seenBySchema,
  /** Of its first film, in ms; 0 where there is none. */
  durationMs: z.int(),
  /** In all its parts. */
  questions: z.int(),
  quizzes: z.int(),
  posterMediaId: idSchema.nullable(),
  tags: z.array(z.string()),
  level: z.string(),
  /** How long the stem of its frond is: that of the first film, else of the first quiz. */
  stemMs: z.int(),
  cues: smallCuesSchema,
})

/** An edit of all lines of the longest script sets two times each. */
const MOST_PATCHES = 50_000
/** A script of the most lines, brought in at one stroke. */
const LARGEST_DRAFT_BODY = 24 * 1024 * 1024

export const loggedEditSchema = z.strictObject({
  revision: z.int(),
  id: idSchema,
  name: plainText(60),
  patches: z.array(patchSchema).max(MOST_PATCHES),
})

const draftReply = z.strictObject({
  id: idSchema,
  lesson: lessonSchema,
  revision: z.int(),
  role: lessonRoleSchema,
  editions: z.array(editionSummarySchema),
  linkCode: z.string().nullable(),
  updatedAt: clockSchema,
})

const editsReply = z.strictObject({
  /** The newest revision there is. */
  revision: z.int(),
  /** What came after the revision that was named, in order; at most `MOST_LOGGED` of it. */
  entries: z.array(loggedEditSchema),
  /** Those of the sent edits that had been taken in before: the log after that revision may not name them any more. */
  known: z.array(idSchema),
})

const historyReply = z.strictObject({
  /** Newest first. */
  entries: z.array(
    z.strictObject({
      revision: z.int(),
      name: z.string(),
      /** Null where the account is gone. */
      personName: z.string().nullable(),
      madeAt: clockSchema,
    }),
  ),
  /** There are older ones. */
  more: z.boolean(),
  /** The earliest revision whose state can be built again. */
  oldest: z.int().nullable(),
})

const spanSchema = z.strictObject({ fromMs: z.int(), toMs: z.int() })

const resultsReply = z.strictObject({
  edition: z.int().nullable(),
  editions: z.array(editionSummarySchema),
  lesson: lessonSchema.nullable(),
  learners: z.array(
    z.strictObject({
      attemptId: idSchema,
      name: z.string(),
      guest: z.boolean(),
      openedAt: clockSchema,
      /** Opened again within ten minutes is not once more. */
      timesOpened: z.int(),
      lastSeenAt: clockSchema,
      finishedAt: clockSchema.nullable(),
      watched: z.number().nullable(),
      answered: z.int(),
      questions: z.int(),
      points: z.number(),
      max: z.number(),
      stretches: z.record(idSchema, z.array(spanSchema)),
      /** What was seen in each part that was opened; the part itself stands for its opening. */
      seen: z.record(idSchema, z.array(idSchema)),
      /** Spans that could not be true; kept, but left out of all figures. */
      leftOut: z.int(),
      /** Of these, those that were reported faster than time, or outside of it. */
      tooFast: z.int(),
      answers: z.array(
        z.strictObject({
          questionId: idSchema,
          tryNumber: z.int(),
          verdict: z.enum(['right', 'partly', 'wrong', 'unmarked']),
          points: z.number(),
          text: z.string(),
          /** What was handed in with it. */
          files: z.array(fileTakenSchema),
          answeredAt: clockSchema,
          /** The device's clock could not be believed; it is when it arrived. */
          isDoubtful: z.boolean(),
        }),
      ),
      /** The ways taken at forks, in the order in which they were. */
      ways: z.array(z.strictObject({ cueId: idSchema, choiceId: idSchema, takenAt: clockSchema })),
    }),
  ),
  questions: z.array(
    z.strictObject({
      questionId: idSchema,
      answered: z.int(),
      right: z.int(),
      judged: z.boolean(),
      /** Of polls and scales: how many chose each option or step. */
      counts: z.record(z.string(), z.int()),
    }),
  ),
  watching: z.record(idSchema, z.strictObject({ binMs: z.int(), learners: z.array(z.int()) })),
})

export const lessonRoutes = {
  lessons: route('lessons', 'designer', 'The lessons I have a role on', {
    reply: z.strictObject({ lessons: z.array(lessonCardSchema) }),
  }),
  createLesson: route('createLesson', 'designer', 'Begin a lesson', {
    body: z.strictObject({
      id: idSchema,
      title: plainText(200, 1),
      language: languageSchema,
      /** What it begins with: a document, as of a template, or a copy of a lesson that I may look at. */
      from: z
        .union([z.strictObject({ document: lessonSchema }), z.strictObject({ copyOf: idSchema })])
        .optional(),
    }),
    bodyLimit: LARGEST_DRAFT_BODY,
    reply: draftReply,
    status: 201,
  }),
  lesson: route('lesson', 'lessonViewer', 'A lesson’s draft', {
    params: lessonParams,
    reply: draftReply,
  }),
  editDraft: route('editDraft', 'lessonCommenter', 'Edit a draft', {
    params: lessonParams,
    body: z.strictObject({
      /** The revision that the patches were made on. */
      revision: z.int().min(0),
      /** All are taken in, or none. */
      edits: z
        .array(loggedEditSchema.omit({ revision: true }))
        .min(1)
        .max(200),
    }),
    /** Everything in the log after the given revision, these edits included. */
    reply: editsReply,
    bodyLimit: LARGEST_DRAFT_BODY,
  }),
  draftEdits: route('draftEdits', 'lessonViewer', 'The patch log', {
    params: lessonParams,
    query: z.strictObject({ since: z.coerce.number().int().min(0) }),
    reply: editsReply,
  }),
  history: route('history', 'lessonViewer', 'What was done', {
    params: lessonParams,
    query: z.strictObject({
      before: z.coerce.number().int().min(1).max(GREATEST_REVISION).optional(),
    }),
    reply: historyReply,
  }),
  stateAt: route('stateAt', 'lessonViewer', 'The draft as it was at a revision', {
    params: lessonParams.extend({
      revision: z.coerce.number().int().min(0).max(GREATEST_REVISION),
    }),
    reply: z.strictObject({ lesson: lessonSchema }),
  }),
  publish: route('publish', 'lessonEditor', 'Publish an edition', {
    params: lessonParams,
    /** `revision` is what the person saw; `number` the edition they meant to publish, so that a repeat is harmless. */
    body: z.strictObject({
      revision: z.int().min(0),
      number: z.int().min(1),
      /** What to tell those who know the edition before. */
      note: editionNoteSchema.optional(),
      /** Said by somebody who knows that learners are in the edition before, and stay there. */
      replaces: z.boolean().optional(),
    }),
    reply: z.strictObject({ edition: editionSummarySchema, linkCode: z.string() }),
    status: 201,
  }),
  unpublished: route(
    'unpublished',
    'lessonViewer',
    'What the draft would bring that the newest edition has not',
    {
      params: lessonParams,
      reply: z.strictObject({
        /** The newest edition; null before the first. */
        edition: z.int().nullable(),
        changes: z.array(changeSchema),
        /** How many are in that edition and not at its end. */
        learnersInside: z.int(),
      }),
    },
  ),
  handedFileOf: route('handedFileOf', 'lessonEditor', 'A file that a learner handed in', {
    params: z.strictObject({ lessonId: idSchema, attemptId: idSchema, fileId: idSchema }),
    reply: null,
  }),
  results: route('results', 'lessonEditor', 'Who watched and answered', {
    params: lessonParams,
    query: z.strictObject({ edition: z.coerce.number().int().min(1).optional() }),
    reply: resultsReply,
  }),
}

export type LessonCard = z.infer<typeof lessonCardSchema>
export type DraftReply = z.infer<typeof draftReply>
export type Unpublished = ReplyOf<typeof lessonRoutes.unpublished>
export type EditsReply = z.infer<typeof editsReply>
export type EditionSummary = z.infer<typeof editionSummarySchema>
export type ResultsReply = z.infer<typeof resultsReply>
export type LearnerResult = ResultsReply['learners'][number]
export type HistoryReply = z.infer<typeof historyReply>
export type HistoryEntry = HistoryReply['entries'][number]
