// Learning: opening a lesson by its link, and the records that a learner's player sends.
import { z } from 'zod'
import { clockSchema, idSchema, languageSchema, mediaMsSchema, plainText } from '../fields/index.ts'
import { coverSchema, lessonSchema, themeSchema } from '../lesson/index.ts'
import { LONGEST_NOTE, LONGEST_QUOTE } from '../notes/index.ts'
import { answerSchema, questionSchema } from '../questions/index.ts'
import { MOST_RECORDS } from './limits.ts'
import { fullNameSchema, personSchema } from './people.ts'
import { route, type ReplyOf } from './route.ts'
import { postPlaceSchema, sayRecordSchema } from './talk.ts'

/** The code in a lesson's link. */
export const linkCodeSchema = z.string().regex(/^[A-Za-z0-9_-]{8,40}$/)

export const spanRecordSchema = z
  .strictObject({
    kind: z.literal('span'),
    id: idSchema,
    partId: idSchema,
    fromMs: mediaMsSchema,
    toMs: mediaMsSchema,
    rate: z.number().min(0.1).max(16),
    beganAt: clockSchema,
    endedAt: clockSchema,
    muted: z.boolean(),
    hidden: z.boolean(),
  })
  .refine((span) => span.fromMs < span.toMs, 'must end after it begins')

export const responseRecordSchema = z.strictObject({
  kind: z.literal('response'),
  id: idSchema,
  /** What asks it: a cue, an item of a quiz, a block of a page, a pin of a still. */
  cueId: idSchema,
  questionId: idSchema,
  answer: answerSchema,
  answeredAt: clockSchema,
  /** How long the question had been open by then, in ms, where that is known; a countdown goes by it. */
  waitedMs: z.int().min(0).max(1_000_000_000).optional(),
})

/** Where the learner is, and which questions (by cue or item) lie behind them; the newest by `at` wins. */
export const placeRecordSchema = z.strictObject({
  kind: z.literal('place'),
  id: idSchema,
  partId: idSchema,
  atMs: mediaMsSchema,
  released: z.array(idSchema).max(2000),
  at: clockSchema,
})

export const finishRecordSchema = z.strictObject({
  kind: z.literal('finish'),
  id: idSchema,
  partId: idSchema,
  at: clockSchema,
})

/** A way was taken at a fork, picked by the learner or by the fork itself. */
export const choiceRecordSchema = z.strictObject({
  kind: z.literal('choice'),
  id: idSchema,
  cueId: idSchema,
  choiceId: idSchema,
  at: clockSchema,
})

/** Something was seen: a part was opened, or a thing in it, such as a pin. */
export const seenRecordSchema = z.strictObject({
  kind: z.literal('seen'),
  id: idSchema,
  partId: idSchema,
  /** The part itself where it was opened. */
  thingId: idSchema,
  at: clockSchema,
})

export const notePlaceSchema = z.discriminatedUnion('on', [
  ...postPlaceSchema.options,
  z.strictObject({
    on: z.literal('words'),
    blockId: idSchema,
    from: z.int().min(0).max(1_000_000),
    to: z.int().min(0).max(1_000_000),
    quote: plainText(LONGEST_QUOTE),
  }),
])

/** What a learner wrote for themselves, or that it is gone; see core/notes. The newest by `at` holds. */
export const ownNoteRecordSchema = z.strictObject({
  kind: z.literal('ownNote'),
  id: idSchema,
  noteId: idSchema,
  partId: idSchema,
  place: notePlaceSchema,
  words: plainText(LONGEST_NOTE),
  isGone: z.boolean(),
  at: clockSchema,
})

export const ownNoteSchema = z.strictObject({
  id: idSchema,
  partId: idSchema,
  place: notePlaceSchema,
  words: z.string(),
  at: z.string(),
})

export const learnerRecordSchema = z.discriminatedUnion('kind', [
  spanRecordSchema,
  responseRecordSchema,
  placeRecordSchema,
  finishRecordSchema,
  choiceRecordSchema,
  seenRecordSchema,
  ownNoteRecordSchema,
  sayRecordSchema,
])

export const attemptMediaSchema = z.strictObject({
  id: idSchema,
  durationMs: z.int(),
  width: z.int(),
  height: z.int(),
  hasSound: z.boolean(),
  /** Where its host plays it in a frame; null for a film that lies here. */
  player: z.string().nullable(),
})

export const pastResponseSchema = z.strictObject({
  cueId: idSchema,
  questionId: idSchema,
  tryNumber: z.int(),
  answer: answerSchema,
  verdict: z.enum(['right', 'partly', 'wrong', 'unmarked']),
  points: z.number(),
  /** Where a person has marked it, and said so. */
  marked: z
    .strictObject({
      points: z.number(),
      levels: z.array(z.int().nullable()).nullable(),
      comment: z.string(),
    })
    .optional(),
  /** How it stands with what was picked or filled, where the question was cut and a try is left. */
  perPart: z
    .array(z.strictObject({ id: z.string(), picked: z.boolean(), right: z.boolean() }))
    .optional(),
})

/** Conditions that a device cannot judge, because questions were cut for this learner; see core/routes. */
export const judgedSchema = z.strictObject({
  shut: z.array(idSchema),
  open: z.record(idSchema, z.array(idSchema)),
})

/** A file that was handed in with an answer. */
export const fileTakenSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  contentType: z.string(),
})

export type FileTaken = z.infer<typeof fileTakenSchema>

export const attemptSchema = z.strictObject({
  id: idSchema,
  lessonId: idSchema,
  edition: z.int(),
  /** Told when a newer edition exists; this attempt stays on its own. */
  newestEdition: z.int(),
  person: personSchema,
  lesson: lessonSchema,
  /** Under which rules it is learned, where a class was given it. */
  assignment: z
    .strictObject({
      classTitle: z.string(),
      topRate: z.number(),
      /** Whether the class talks about it, and this learner with it. */
      talks: z.boolean(),
      /** Whether learners are told by now what came of their answers; and from when on, where that is still to come. */
      tells: z.boolean(),
      tellsFrom: clockSchema.nullable(),
      dueAt: clockSchema.nullable(),
      closesAt: clockSchema.nullable(),
    })
    .nullable(),
  media: z.array(attemptMediaSchema),
  /** The files that were handed in with its answers. */
  handed: z.array(fileTakenSchema),
  progress: z.strictObject({
    partId: idSchema.nullable(),
    atMs: z.int(),
    released: z.array(idSchema),
    /** The parts that were finished. */
    finishedParts: z.array(idSchema),
    /** What was seen in each part that was opened; the part itself stands for its opening. */
    seen: z.record(idSchema, z.array(idSchema)),
    covered: z.record(idSchema, z.array(z.strictObject({ fromMs: z.int(), toMs: z.int() }))),
    responses: z.array(pastResponseSchema),
    /** The way taken last at each fork. */
    chosen: z.record(idSchema, idSchema),
    /** What the learner wrote for themselves; nobody else is told. */
    ownNotes: z.array(ownNoteSchema),
    /** Null where the device can judge every condition itself. */
    judged: judgedSchema.nullable(),
  }),
})

const attemptParams = z.strictObject({ attemptId: idSchema })
const linkParams = z.strictObject({ code: linkCodeSchema })

export const attemptRoutes = {
  link: route('get', '/api/links/:code', 'public', 'What a link leads to', {
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
  linkCover: route('get', '/api/links/:code/cover', 'public', 'The picture a lesson opens on', {
    params: linkParams,
    reply: null,
  }),
  openLink: route('post', '/api/links/:code/attempts', 'public', 'Open a lesson by its link', {
    params: linkParams,
    /** A guest gives a full name; somebody signed in gives none. */
    body: z.strictObject({ name: fullNameSchema.optional() }),
    reply: z.strictObject({ attemptId: idSchema }),
    status: 201,
  }),
  myAttempts: route('get', '/api/attempts', 'signedIn', 'The lessons I have opened', {
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
  attempt: route('get', '/api/attempts/:attemptId', 'attemptOwner', 'An attempt to go on with', {
    params: attemptParams,
    reply: attemptSchema,
  }),
  tally: route(
    'get',
    '/api/attempts/:attemptId/tallies/:questionId',
    'attemptOwner',
    'How all have answered a poll or a scale',
    {
      params: z.strictObject({ attemptId: idSchema, questionId: idSchema }),
      reply: z.strictObject({ answered: z.int(), counts: z.record(z.string(), z.int()) }),
    },
  ),
  ways: route(
    'get',
    '/api/attempts/:attemptId/ways/:placeId',
    'attemptOwner',
    'Which ways are open at a fork or at the end of a part, where the device cannot know',
    { params: z.strictObject({ attemptId: idSchema, placeId: idSchema }), reply: judgedSchema },
  ),
  handedFile: route(
    'get',
    '/api/attempts/:attemptId/files/:fileId',
    'attemptOwner',
    'A file that I handed in',
    { params: z.strictObject({ attemptId: idSchema, fileId: idSchema }), reply: null },
  ),
  sendRecords: route(
    'post',
    '/api/attempts/:attemptId/records',
    'attemptOwner',
    'Send what was watched and answered',
    {
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
          z.strictObject({
            id: idSchema,
            code: z.enum([
              'unknownPart',
              'unknownQuestion',
              'unknownChoice',
              'unknownThing',
              'beyondEnd',
              'noTriesLeft',
              'missingFile',
              'tooLate',
              'wrongAnswerKind',
              'tooManyNotes',
              'closed',
              'toldAlready',
              'talkOff',
              'unknownPost',
              'notForYou',
              'wrongNumber',
              'tooManyPosts',
            ]),
            message: z.string(),
          }),
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
    },
  ),
}

export type LearnerRecord = z.infer<typeof learnerRecordSchema>
export type SpanRecord = z.infer<typeof spanRecordSchema>
export type ResponseRecordInput = z.infer<typeof responseRecordSchema>
export type PlaceRecord = z.infer<typeof placeRecordSchema>
export type ChoiceRecord = z.infer<typeof choiceRecordSchema>
export type SeenRecord = z.infer<typeof seenRecordSchema>
export type OwnNoteRecord = z.infer<typeof ownNoteRecordSchema>
export type FinishRecord = z.infer<typeof finishRecordSchema>
export type Attempt = z.infer<typeof attemptSchema>
export type AttemptCard = ReplyOf<typeof attemptRoutes.myAttempts>['attempts'][number]
export type RecordsReply = ReplyOf<typeof attemptRoutes.sendRecords>
export type RefusedRecord = RecordsReply['refused'][number]
export type LinkReply = ReplyOf<typeof attemptRoutes.link>
