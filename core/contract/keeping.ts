// What the keeper looks after: accounts, passwords, space, and all that is held about one person.
import { z } from 'zod'
import { clockSchema, idSchema } from '../fields/index.ts'
import { personNameSchema, roleSchema } from './people.ts'
import { route, type ReplyOf } from './route.ts'

const keptPersonSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  /** An email address, or the sign-in name of a card; null of guests. */
  signIn: z.string().nullable(),
  role: roleSchema,
  createdAt: clockSchema,
  lastSeenAt: clockSchema.nullable(),
  /** Lessons that they work on, classes that they teach, lessons that they have begun. */
  lessons: z.int(),
  teaches: z.int(),
  attempts: z.int(),
  /** What their media, and the files that they handed in, take on the disk. */
  bytes: z.number(),
  /** No password was chosen yet. */
  isWaiting: z.boolean(),
})

const accountRole = z.enum(['designer', 'learner', 'keeper'])
const phraseReply = z.strictObject({
  person: keptPersonSchema,
  /** Opens the choice of a password, once; shown to the keeper now and never again. */
  phrase: z.string(),
})
const personParams = z.strictObject({ personId: idSchema })

export const keepingRoutes = {
  keeperOverview: route('keeperOverview', 'keeper', 'Accounts and disk space', {
    reply: z.strictObject({
      people: z.array(keptPersonSchema),
      lessons: z.int(),
      mediaFiles: z.int(),
      mediaBytes: z.number(),
      handedBytes: z.number(),
      databaseBytes: z.number(),
      freeBytes: z.number(),
      /** Nothing new is stored until there is more room. */
      isReadOnly: z.boolean(),
    }),
  }),
  addPerson: route('addPerson', 'keeper', 'Make an account', {
    body: z.strictObject({
      id: idSchema,
      name: personNameSchema,
      email: z.email().max(200),
      role: accountRole,
    }),
    reply: phraseReply,
    status: 201,
  }),
  changePerson: route('changePerson', 'keeper', 'Change an account', {
    params: personParams,
    body: z.strictObject({ name: personNameSchema.optional(), role: accountRole.optional() }),
    reply: keptPersonSchema,
  }),
  resetPassword: route(
    'resetPassword',
    'keeper',
    'Take a password away, for a new one to be chosen',
    { params: personParams, reply: phraseReply },
  ),
  removePerson: route('removePerson', 'keeper', 'Remove somebody with all their records', {
    params: personParams,
    reply: z.strictObject({ attempts: z.int(), files: z.int() }),
  }),
  exportPerson: route('exportPerson', 'keeper', 'All that is held about one person', {
    params: personParams,
    reply: null,
  }),
}

export type KeeperOverview = ReplyOf<typeof keepingRoutes.keeperOverview>
export type KeptPerson = z.infer<typeof keptPersonSchema>
