// Learning: opening a lesson by its link, and the records that a learner's player sends.
import { z } from 'zod'
import { clockSchema, idSchema, languageSchema } from '../fields/index.ts'
import { coverSchema, lessonSchema, themeSchema } from '../lesson/index.ts'
import { questionSchema } from '../questions/index.ts'
import {
  judgedSchema,
  learnerRecordSchema,
  pastResponseSchema,
  progressSchema,
  REFUSALS,
} from '../records/index.ts'
import { MOST_RECORDS } from './limits.ts'
import { personNameSchema, personSchema } from './people.ts'
import { route, type ReplyOf } from './route.ts'

/** The code in a lesson's link. */
export const linkCodeSchema = z.string().regex(/^[A-Za-z0-9_-]{8,40}$/)

export const attemptMediaSchema = z.strictObject({
  id: idSchema,
  durationMs: z.int(),
  width: z.int(),
  height: z.int(),
  hasSound: z.boolean(),
  /** Where its host plays it in a frame; null for a film that lies here. */
  player: z.string().nullable(),
})

/** From whom something is that a lesson shows; of what is '' nothing is known. */
export const creditSchema = z.strictObject({
  title: z.string(),
  credit: z.string(),
  licence: z.string(),
  /** Its page elsewhere. */
  source: z.string(),
})

/** A file that was handed in with an answer. */
export const fileTakenSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  contentType: z.string(),
})

export type Credit = z.infer<typeof creditSchema>
export type FileTaken = z.infer<typeof fileTakenSchema>

export const attemptSchema = z.strictObject({
  id: idSchema,
  lessonId: idSchema,
  edition: z.int(),
  /** Told when a newer edition exists; this attempt stays on its own. */
  newestEdition: z.int(),
  person: personSchema,
  lesson: lessonSchema,
  /** Whether it is talked about, and this learner may: with their class, or with all who come by the link. */
  talks: z.boolean(),
  /** Under which rules it is learned, where a class was given it. */
  assignment: z
    .strictObject({
      classTitle: z.string(),
      topRate: z.number(),
      /** Whether learners are told by now what came of their answers; and from when on, where that is still to come. */
      tells: z.boolean(),
      tellsFrom: clockSchema.nullable(),
      dueAt: clockSchema.nullable(),
      closesAt: clockSchema.nullable(),
    })
    .nullable(),
  media: z.array(attemptMediaSchema),
  /** In the order in which the lesson shows them, each once. */
  credits: z.array(creditSchema),
  /** The files that were handed in with its answers. */
  handed: z.array(fileTakenSchema),
  progress: progressSchema,
})

const attemptParams = z.strictObject({ attemptId: idSchema })
const linkParams = z.strictObject({ code: linkCodeSchema })

export const attemptRoutes = {
  link: route('link', 'public', 'What a link leads to', {
    params: linkParams,
    reply: z.strictObject({
      title: z.string(),
      summary: z.string(),
      language: languageSchema,
      objectives: z.array(z.string()),
      level: z.string(),
      licence: z.string(),
      cover: coverSchema.omit({ mediaId: true }).nullable(),
      theme: themeSchema.nullable(),
      person: personSchema.nullable(),
      attemptId: idSchema.nullable(),
    }),
  }),
  linkCover: route('linkCover', 'public', 'The picture a lesson opens on', {
    params: linkParams,
    reply: null,
  }),
  openLink: route('openLink', 'public', 'Open a lesson by its link', {
    params: linkParams,
    /** A guest gives a full name; somebody signed in gives none. */
    body: z.strictObject({ name: personNameSchema.optional() }),
    reply: z.strictObject({ attemptId: idSchema }),
    status: 201,
  }),
  myAttempts: route('myAttempts', 'signedIn', 'The lessons I have opened', {
    reply: z.strictObject({
      attempts: z.array(
        z.strictObject({
          id: idSchema,
          title: z.string(),
          edition: z.int(),
          watched: z.number().nullable(),
          answered: z.int(),
          questions: z.int(),
          finished: z.boolean(),
          lastSeenAt: clockSchema,
          posterMediaId: idSchema.nullable(),
        }),
      ),
    }),
  }),
  attempt: route('attempt', 'attemptOwner', 'An attempt to go on with', {
    params: attemptParams,
    reply: attemptSchema,
  }),
  tally: route('tally', 'attemptOwner', 'How all have answered a poll or a scale', {
    params: z.strictObject({ attemptId: idSchema, questionId: idSchema }),
    reply: z.strictObject({ answered: z.int(), counts: z.record(z.string(), z.int()) }),
  }),
  ways: route(
    'ways',
    'attemptOwner',
    'Which ways are open at a fork or at the end of a part, where the device cannot know',
    { params: z.strictObject({ attemptId: idSchema, placeId: idSchema }), reply: judgedSchema },
  ),
  handedFile: route('handedFile', 'attemptOwner', 'A file that I handed in', {
    params: z.strictObject({ attemptId: idSchema, fileId: idSchema }),
    reply: null,
  }),
  sendRecords: route('sendRecords', 'attemptOwner', 'Send what was watched and answered', {
    params: attemptParams,
    body: z.strictObject({
      records: z.array(learnerRecordSchema).min(1).max(MOST_RECORDS),
      /** What the device's clock shows as it sends: so the server knows how far it is off. */
      sentAt: clockSchema.optional(),
    }),
    reply: z.strictObject({
      /** These are in the database, now or from an earlier sending. */
      kept: z.array(idSchema),
      /** These can never be taken in, and why; sending them again is of no use. */
      refused: z.array(
        z.strictObject({ id: idSchema, code: z.enum(REFUSALS), message: z.string() }),
      ),
      /** Of questions that are cut for this learner: what may be told after these records. */
      told: z
        .strictObject({
          questions: z.array(questionSchema),
          responses: z.array(pastResponseSchema),
          judged: judgedSchema.nullable(),
        })
        .optional(),
    }),
    bodyLimit: 512 * 1024,
  }),
}

export type Attempt = z.infer<typeof attemptSchema>
export type AttemptCard = ReplyOf<typeof attemptRoutes.myAttempts>['attempts'][number]
export type RecordsReply = ReplyOf<typeof attemptRoutes.sendRecords>
export type RefusedRecord = RecordsReply['refused'][number]
export type LinkReply = ReplyOf<typeof attemptRoutes.link>
