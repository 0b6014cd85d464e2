// The talk of a class about a lesson it was given: what learners and teachers say, and who has posted what.
import { z } from 'zod'
import { clockSchema, idSchema, mediaMsSchema, plainText } from '../fields/index.ts'
import { isRange, LONGEST_POST, NUMBER_LIMIT, POST_SORTS } from '../talk/index.ts'
import { route, type ReplyOf } from './route.ts'

export const postPlaceSchema = z.discriminatedUnion('on', [
  z.strictObject({ on: z.literal('moment'), atMs: mediaMsSchema }),
  z.strictObject({ on: z.literal('part') }),
])

const numberSchema = z.number().min(-NUMBER_LIMIT).max(NUMBER_LIMIT)
const rangeSchema = z
  .strictObject({ from: z.int(), to: z.int() })
  .refine(isRange, 'must lead from a smaller to a larger number')

const said = {
  postId: idSchema,
  sort: z.enum(POST_SORTS),
  replyTo: idSchema.nullable(),
  partId: idSchema,
  place: postPlaceSchema,
  words: plainText(LONGEST_POST),
  number: numberSchema.nullable(),
  range: rangeSchema.nullable(),
  /** Taken back; the words are of no interest then. */
  isGone: z.boolean(),
  at: clockSchema,
}

interface Said {
  sort: string
  replyTo: string | null
  words: string
  number: number | null
  range: object | null
  isGone: boolean
}
/** What keeps the fields of a saying from making sense together. */
const isWhole = ({ sort, replyTo, words, number, range, isGone }: Said) =>
  (sort === 'reply') === (replyTo !== null) &&
  (range === null || sort === 'prompt') &&
  (number === null || sort === 'reply') &&
  (isGone || number !== null || words.trim() !== '')
const WHOLE = 'must say something, and no more than its sort allows'

/** What is said, changed or taken back; of one post the newest by `at` holds. */
export const sayingSchema = z.strictObject(said).refine(isWhole, WHOLE)
/** The same, as a learner's player sends it. */
export const sayRecordSchema = z
  .strictObject({ kind: z.literal('say'), id: idSchema, ...said })
  .refine(isWhole, WHOLE)

export const postSchema = z.strictObject({
  id: idSchema,
  sort: z.enum(POST_SORTS),
  replyTo: idSchema.nullable(),
  partId: idSchema,
  place: postPlaceSchema,
  words: z.string(),
  number: z.number().nullable(),
  range: z.strictObject({ from: z.int(), to: z.int() }).nullable(),
  author: z.strictObject({ id: idSchema, name: z.string(), teaches: z.boolean() }).nullable(),
  isMine: z.boolean(),
  saidAt: clockSchema,
  isChanged: z.boolean(),
  isGone: z.boolean(),
  isHidden: z.boolean(),
  change: z.int(),
})

/** So many posts come at once. */
export const POSTS_AT_ONCE = 500

const talkReply = z.strictObject({
  isOn: z.boolean(),
  /** Whether I may hide what others say. */
  mayHide: z.boolean(),
  posts: z.array(postSchema).max(POSTS_AT_ONCE),
  /** Ask for what came after this next time. */
  upTo: z.int(),
  /** Whether there is more of it now. */
  isMore: z.boolean(),
})
/** Without it, from the beginning. */
const talkQuery = z.strictObject({ after: z.coerce.number().int().min(0).default(0) })
const attemptParams = z.strictObject({ attemptId: idSchema })
const classParams = z.strictObject({ classId: idSchema, assignmentId: idSchema })
const PATH = '/api/classes/:classId/assignments/:assignmentId/talk'
const hiding = z.strictObject({ isHidden: z.boolean() })

export const talkRoutes = {
  talk: route(
    'get',
    '/api/attempts/:attemptId/talk',
    'attemptOwner',
    'What my class says about the lesson',
    { params: attemptParams, query: talkQuery, reply: talkReply },
  ),
  hidePost: route(
    'patch',
    '/api/attempts/:attemptId/talk/:postId',
    'talkModerator',
    'Hide what somebody of my class said, or show it again',
    { params: attemptParams.extend({ postId: idSchema }), body: hiding, reply: postSchema },
  ),
  classTalk: route('get', PATH, 'classTeacher', 'What a class says about a lesson', {
    params: classParams,
    query: talkQuery,
    reply: talkReply,
  }),
  sayToClass: route('post', PATH, 'classTeacher', 'Say something to the class, or change it', {
    params: classParams,
    /** The same again changes nothing. */
    body: sayingSchema,
    reply: postSchema,
  }),
  switchTalk: route('patch', PATH, 'classTeacher', 'Let a class talk about a lesson, or end it', {
    params: classParams,
    body: z.strictObject({ isOn: z.boolean() }),
    reply: z.strictObject({ isOn: z.boolean() }),
  }),
  hideInClass: route(
    'patch',
    `${PATH}/:postId`,
    'classTeacher',
    'Hide what somebody said, or show it again',
    { params: classParams.extend({ postId: idSchema }), body: hiding, reply: postSchema },
  ),
  enquiries: route(
    'get',
    '/api/enquiries',
    'designer',
    'What learners asked me and nobody has answered',
    {
      reply: z.strictObject({
        enquiries: z.array(
          z.strictObject({
            assignmentId: idSchema,
            classId: idSchema,
            title: z.string(),
            classTitle: z.string(),
            waiting: z.int(),
          }),
        ),
      }),
    },
  ),
  talkActivity: route(
    'get',
    `${PATH}/activity`,
    'classTeacher',
    'Who has posted what, and about which parts there can be talk',
    {
      params: classParams,
      reply: z.strictObject({
        title: z.string(),
        lessonId: idSchema,
        /** Whether I may open the lesson on the bench. */
        mayOpenBench: z.boolean(),
        isOn: z.boolean(),
        parts: z.array(
          z.strictObject({
            id: idSchema,
            number: z.int(),
            title: z.string(),
            /** Of a film; null for all else. */
            durationMs: z.int().nullable(),
          }),
        ),
        people: z.array(
          z.strictObject({
            personId: idSchema,
            name: z.string(),
            hasLeft: z.boolean(),
            comments: z.int(),
            enquiries: z.int(),
            replies: z.int(),
            answers: z.int(),
            lastAt: clockSchema.nullable(),
          }),
        ),
      }),
    },
  ),
}

export type Saying = z.infer<typeof sayingSchema>
export type SayRecord = z.infer<typeof sayRecordSchema>
export type TalkReply = ReplyOf<typeof talkRoutes.talk>
export type TalkReport = ReplyOf<typeof talkRoutes.talkActivity>
export type WaitingEnquiries = ReplyOf<typeof talkRoutes.enquiries>['enquiries'][number]
