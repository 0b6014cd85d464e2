// Assignments: lessons given to classes, what learners find of them, and how the class stands.
import { z } from 'zod'
import {
  COMPLETIONS,
  FEEDBACK_TIMES,
  MOST_MEMBERS,
  SEEK_RULES,
  TOP_RATES,
} from '../classes/index.ts'
import { clockSchema, idSchema } from '../fields/index.ts'
import { smallCuesSchema } from './lessons.ts'
import { route, type ReplyOf } from './route.ts'

export const assignmentRulesSchema = z.strictObject({
  seek: z.enum(SEEK_RULES),
  topRate: z.literal(TOP_RATES),
  completion: z.strictObject({ by: z.enum(COMPLETIONS), share: z.number().min(0).max(1) }),
  feedback: z.enum(FEEDBACK_TIMES).optional(),
  marksOffline: z.boolean().optional(),
  talk: z.boolean().optional(),
})

const timesSchema = {
  opensAt: clockSchema.nullable(),
  dueAt: clockSchema.nullable(),
  closesAt: clockSchema.nullable(),
}
export const MOST_ATTEMPTS = 50
export const MOST_ASSIGNMENTS = 300

const ruled = {
  ...timesSchema,
  /** How often it may be begun; null for as often as wanted. */
  mostAttempts: z.int().min(1).max(MOST_ATTEMPTS).nullable(),
  rules: assignmentRulesSchema,
  /** Whom it is for; without any, the whole class. */
  groups: z.array(idSchema).max(100),
  people: z.array(idSchema).max(MOST_MEMBERS),
}

export const assignmentSchema = z.strictObject({
  id: idSchema,
  lessonId: idSchema,
  title: z.string(),
  posterMediaId: idSchema.nullable(),
  ...ruled,
  isWithdrawn: z.boolean(),
  /** How many of the class it is for, and how many of them have begun. */
  learners: z.int(),
  begun: z.int(),
})

const assignmentsReply = z.strictObject({ assignments: z.array(assignmentSchema) })
const classParams = z.strictObject({ classId: idSchema })
const assignmentParams = classParams.extend({ assignmentId: idSchema })

/** How one attempt stands. */
const figures = {
  /** 0 to 1; null where the lesson has no film. */
  watched: z.number().nullable(),
  answered: z.int(),
  questions: z.int(),
  /** Answers that a person has marked; learners are counted what they were told. */
  marked: z.int(),
  points: z.number(),
  max: z.number(),
  finishedAt: clockSchema.nullable(),
  confirmedAt: clockSchema.nullable(),
  lastSeenAt: clockSchema,
  isComplete: z.boolean(),
}
const myAttemptSchema = z.strictObject({ id: idSchema, number: z.int(), ...figures })

const nowPartSchema = z.strictObject({
  title: z.string(),
  number: z.int(),
  /** Of its frond's stem; 0 where it has none. */
  stemMs: z.int(),
  cues: smallCuesSchema,
})

export const standingSchema = z.strictObject({
  personId: idSchema,
  name: z.string(),
  hasLeft: z.boolean(),
  /** All attempts of this learner, in their order. */
  attempts: z.array(
    myAttemptSchema.extend({
      openedAt: clockSchema,
      /** Spans that could not be true, or broke the rules; kept, but left out of all figures. */
      leftOut: z.int(),
      /** Of these, those that were reported faster than time, or outside of it. */
      tooFast: z.int(),
      /** Answers whose time could not be believed. */
      doubtful: z.int(),
      /** Answers that came when what is right had been told; kept, and they count for nothing. */
      afterTelling: z.int(),
      /** Film jumped over where the rules allow no jump ahead, in ms. */
      jumpedMs: z.int(),
    }),
  ),
  /** What they have said in the talk about it. */
  posts: z.int(),
})

export const assignmentRoutes = {
  assignments: route('assignments', 'classTeacher', 'What a class was given to learn', {
    params: classParams,
    reply: assignmentsReply,
  }),
  saveAssignment: route(
    'saveAssignment',
    'classTeacher',
    'Give a class a lesson, or change how it was given',
    {
      params: classParams,
      body: z.strictObject({ id: idSchema, lessonId: idSchema, ...ruled }),
      reply: assignmentsReply,
    },
  ),
  placeAssignment: route(
    'placeAssignment',
    'classTeacher',
    'Put an assignment before another one, or at the end',
    {
      params: assignmentParams,
      body: z.strictObject({ beforeId: idSchema.nullable() }),
      reply: assignmentsReply,
    },
  ),
  dropAssignment: route(
    'dropAssignment',
    'classTeacher',
    'Take an assignment back; what learners did for it stays',
    { params: assignmentParams, reply: assignmentsReply },
  ),
  assignmentStanding: route(
    'assignmentStanding',
    'classTeacher',
    'How a class stands with an assignment',
    {
      params: assignmentParams,
      reply: z.strictObject({
        assignment: assignmentSchema,
        /** Those it is for, and those who left after they had begun it. */
        learners: z.array(standingSchema),
      }),
    },
  ),
  assignmentNow: route(
    'assignmentNow',
    'classTeacher',
    'Where everybody is in an assigned lesson',
    {
      params: assignmentParams,
      reply: z.strictObject({
        title: z.string(),
        /** The server's clock, by which it is told who is there. */
        at: clockSchema,
        /** The parts of the editions that learners are on, by edition and part, as small fronds need them. */
        parts: z.record(z.string(), nowPartSchema),
        learners: z.array(
          z.strictObject({
            personId: idSchema,
            name: z.string(),
            /** Of the newest attempt; null for who has not begun. */
            attempt: z
              .strictObject({
                /** Into `parts`; null before a part was opened. */
                part: z.string().nullable(),
                atMs: z.int(),
                covered: z.array(z.strictObject({ fromMs: z.int(), toMs: z.int() })),
                /** How the questions of the part stand that were answered, by what asks them. */
                answered: z.record(idSchema, z.boolean()),
                finished: z.boolean(),
                lastSeenAt: clockSchema,
              })
              .nullable(),
          }),
        ),
      }),
    },
  ),
  myWork: route('myWork', 'signedIn', 'What my classes were given to learn', {
    reply: z.strictObject({
      classes: z.array(
        z.strictObject({
          id: idSchema,
          title: z.string(),
          assignments: z.array(
            z.strictObject({
              id: idSchema,
              title: z.string(),
              summary: z.string(),
              posterMediaId: idSchema.nullable(),
              ...timesSchema,
              mostAttempts: z.int().nullable(),
              rules: assignmentRulesSchema,
              /** Whether I am told by now what came of my answers; until then my points are none. */
              tells: z.boolean(),
              /** What is right was told of it by now: no further attempt begins. */
              wasTold: z.boolean(),
              /** To what I said, since I was last in the lesson. */
              newReplies: z.int(),
              attempts: z.array(myAttemptSchema),
            }),
          ),
        }),
      ),
    }),
  }),
  beginAssignment: route('beginAssignment', 'assignmentLearner', 'Begin an assigned lesson', {
    params: z.strictObject({ assignmentId: idSchema }),
    /** Which attempt this is to be, from 1; the same number again answers with the same attempt. */
    body: z.strictObject({ number: z.int().min(1).max(MOST_ATTEMPTS) }),
    reply: z.strictObject({ attemptId: idSchema }),
    status: 201,
  }),
  confirmAttempt: route('confirmAttempt', 'attemptOwner', 'Say that the work is done', {
    params: z.strictObject({ attemptId: idSchema }),
    reply: z.strictObject({ at: clockSchema }),
  }),
}

export type Assignment = z.infer<typeof assignmentSchema>
export type Now = ReplyOf<typeof assignmentRoutes.assignmentNow>
export type Standing = z.infer<typeof standingSchema>
export type MyClass = ReplyOf<typeof assignmentRoutes.myWork>['classes'][number]
export type MyAssignment = MyClass['assignments'][number]
