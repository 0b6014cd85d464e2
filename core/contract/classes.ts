// Classes: their people, groups, join code and sign-in cards.
import { z } from 'zod'
import {
  LONGEST_NAME,
  LONGEST_TITLE,
  MOST_GROUPS,
  MOST_MEMBERS,
  nameFault,
  tidyName,
} from '../classes/index.ts'
import { clockSchema, idSchema, plainText } from '../fields/index.ts'
import { personNameSchema, passwordSchema, roleSchema } from './people.ts'
import { route, type ReplyOf } from './route.ts'

/** A learner's name as a teacher writes it; one word is enough. */
export const learnerNameSchema = plainText(LONGEST_NAME, 1).refine(
  (name) => name === tidyName(name) && nameFault(name) === null,
  'is not a name',
)
const titleSchema = plainText(LONGEST_TITLE, 1).refine(
  (title) => title === title.trim() && title !== '',
  'must not be blank',
)
/** A name of the IANA time zone database, such as `Europe/London`. */
export const timeZoneSchema = z
  .string()
  .max(60)
  .refine((zone) => {
    try {
      return Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }))
    } catch {
      return false
    }
  }, 'is no time zone')

export const groupSchema = z.strictObject({ id: idSchema, title: z.string() })

/** `open`: the card was never used; `used`: its owner has a password; `other`: the account is not of this class. */
export const CARD_STATES = ['open', 'used', 'other'] as const

export const memberSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  role: roleSchema,
  /** What they sign in by: a name given here, or an email address. */
  signIn: z.string().nullable(),
  groups: z.array(idSchema),
  joinedAt: clockSchema,
  leftAt: clockSchema.nullable(),
  lastSeenAt: clockSchema.nullable(),
  card: z.enum(CARD_STATES),
  /** Whether they may hide what others say in the talk. */
  moderates: z.boolean(),
})

export const classSchema = z.strictObject({
  id: idSchema,
  title: z.string(),
  timeZone: z.string(),
  isOver: z.boolean(),
  joinCode: z.string().nullable(),
  joinUntil: clockSchema.nullable(),
  groups: z.array(groupSchema),
  members: z.array(memberSchema),
  teachers: z.array(z.strictObject({ id: idSchema, name: z.string(), email: z.string() })),
})

const classParams = z.strictObject({ classId: idSchema })
const memberParams = classParams.extend({ personId: idSchema })
const groupParams = classParams.extend({ groupId: idSchema })
const joinCodeSchema = z.string().max(40)

export const classRoutes = {
  classes: route('classes', 'designer', 'The classes I teach', {
    reply: z.strictObject({
      classes: z.array(
        z.strictObject({
          id: idSchema,
          title: z.string(),
          isOver: z.boolean(),
          members: z.int(),
          groups: z.int(),
          lastSeenAt: clockSchema.nullable(),
          /** What it was given, in the order of its page. */
          given: z.array(z.strictObject({ assignmentId: idSchema, title: z.string() })),
        }),
      ),
    }),
  }),
  createClass: route('createClass', 'designer', 'Begin a class', {
    body: z.strictObject({ id: idSchema, title: titleSchema, timeZone: timeZoneSchema }),
    reply: classSchema,
    status: 201,
  }),
  class: route('class', 'classTeacher', 'A class with its people', {
    params: classParams,
    reply: classSchema,
  }),
  changeClass: route('changeClass', 'classTeacher', 'Change a class', {
    params: classParams,
    body: z.strictObject({
      title: titleSchema.optional(),
      timeZone: timeZoneSchema.optional(),
      isOver: z.boolean().optional(),
      /** Until when people may join by code; null ends it. A new code every time it is opened. */
      joinUntil: clockSchema.nullable().optional(),
    }),
    reply: classSchema,
  }),
  addRoster: route('addRoster', 'classTeacher', 'Take a roster in', {
    params: classParams,
    /** Whoever is in the class already is left as they are, whoever had left comes back; all are taken in, or none. */
    body: z.strictObject({
      members: z
        .array(
          z.strictObject({
            id: idSchema,
            name: learnerNameSchema,
            /** The title of a group, which is made where there is none. */
            group: titleSchema.optional(),
          }),
        )
        .min(1)
        .max(MOST_MEMBERS),
    }),
    reply: classSchema,
    bodyLimit: 2 * 1024 * 1024,
  }),
  changeMember: route(
    'changeMember',
    'classTeacher',
    'Correct a name, put somebody in groups, let them leave, come back or moderate the talk',
    {
      params: memberParams,
      body: z.strictObject({
        name: learnerNameSchema.optional(),
        groups: z.array(idSchema).max(MOST_GROUPS).optional(),
        hasLeft: z.boolean().optional(),
        moderates: z.boolean().optional(),
      }),
      reply: classSchema,
    },
  ),
  saveGroup: route('saveGroup', 'classTeacher', 'Make or name a group', {
    params: classParams,
    body: z.strictObject({ id: idSchema, title: titleSchema }),
    reply: classSchema,
  }),
  dropGroup: route('dropGroup', 'classTeacher', 'Do without a group; its people stay', {
    params: groupParams,
    reply: classSchema,
  }),
  addTeacher: route('addTeacher', 'classTeacher', 'Teach it together', {
    params: classParams,
    body: z.strictObject({ email: z.email().max(200) }),
    reply: classSchema,
  }),
  dropTeacher: route('dropTeacher', 'classTeacher', 'Teach it no more', {
    params: memberParams,
    reply: classSchema,
  }),
  signInCards: route('signInCards', 'classTeacher', 'Sign-in cards to print, as PDF', {
    params: classParams,
    body: z.strictObject({
      /** Whose; null for all of the class. */
      people: z.array(idSchema).min(1).max(MOST_MEMBERS).nullable(),
      /** New pass phrases also for those who have a password; theirs holds until the new phrase is used. */
      anew: z.boolean(),
    }),
    reply: null,
    bodyLimit: 512 * 1024,
  }),
  joinInfo: route('joinInfo', 'public', 'Which class a code is for', {
    params: z.strictObject({ code: joinCodeSchema }),
    reply: z.strictObject({ title: z.string(), isMember: z.boolean() }),
  }),
  join: route('join', 'public', 'Join a class by its code', {
    params: z.strictObject({ code: joinCodeSchema }),
    /** Somebody signed in gives none of these; who is not makes an account. */
    body: z.strictObject({
      name: personNameSchema.optional(),
      password: passwordSchema.optional(),
    }),
    reply: z.strictObject({ title: z.string(), signIn: z.string().nullable() }),
    status: 201,
  }),
}

export type ClassCard = ReplyOf<typeof classRoutes.classes>['classes'][number]
export type Class = z.infer<typeof classSchema>
export type Member = z.infer<typeof memberSchema>
