// Talk about a lesson, in a class or among those who come by its link: what learners and teachers say, and who has posted what.
import { z } from 'zod'
import { clockSchema, idSchema } from '../fields/index.ts'
import { postPlaceSchema, sayingSchema } from '../records/index.ts'
import { POST_SORTS } from '../talk/index.ts'
import { SOURCES, sourceParams } from './marking.ts'
import { route, type ReplyOf } from './route.ts'

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
const hiding = z.strictObject({ isHidden: z.boolean() })

export const talkRoutes = {
  talk: route(
    'talk',
    'attemptOwner',
    'What my class says about the lesson, or whoever came by its link',
    { params: attemptParams, query: talkQuery, reply: talkReply },
  ),
  hidePost: route(
    'hidePost',
    'talkModerator',
    'Hide what somebody of my class said, or show it again',
    { params: attemptParams.extend({ postId: idSchema }), body: hiding, reply: postSchema },
  ),
  taughtTalk: route(
    'taughtTalk',
    'marker',
    'What a class says about a lesson, or whoever came by its link',
    { params: sourceParams, query: talkQuery, reply: talkReply },
  ),
  sayToAll: route('sayToAll', 'marker', 'Say something to all of them, or change it', {
    params: sourceParams,
    /** The same again changes nothing. */
    body: sayingSchema,
    reply: postSchema,
  }),
  /** Of a lesson that is learned by its link, sharing says it. */
  switchTalk: route('switchTalk', 'classTeacher', 'Let a class talk about a lesson, or end it', {
    params: z.strictObject({ classId: idSchema, assignmentId: idSchema }),
    body: z.strictObject({ isOn: z.boolean() }),
    reply: z.strictObject({ isOn: z.boolean() }),
  }),
  hideAsTeacher: route('hideAsTeacher', 'marker', 'Hide what somebody said, or show it again', {
    params: sourceParams.extend({ postId: idSchema }),
    body: hiding,
    reply: postSchema,
  }),
  enquiries: route('enquiries', 'designer', 'What learners asked me and nobody has answered', {
    reply: z.strictObject({
      enquiries: z.array(
        z.strictObject({
          source: z.enum(SOURCES),
          sourceId: idSchema,
          title: z.string(),
          /** Null where they came by the link. */
          classId: idSchema.nullable(),
          classTitle: z.string().nullable(),
          waiting: z.int(),
        }),
      ),
    }),
  }),
  talkActivity: route(
    'talkActivity',
    'marker',
    'Who has posted what, and about which parts there can be talk',
    {
      params: sourceParams,
      reply: z.strictObject({
        title: z.string(),
        lessonId: idSchema,
        /** Whether I may open the lesson on the bench. */
        mayOpenBench: z.boolean(),
        isOn: z.boolean(),
        /** Whether I may begin and end it. */
        maySwitch: z.boolean(),
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

export type TalkReply = ReplyOf<typeof talkRoutes.talk>
export type TalkReport = ReplyOf<typeof talkRoutes.talkActivity>
export type WaitingEnquiries = ReplyOf<typeof talkRoutes.enquiries>['enquiries'][number]
