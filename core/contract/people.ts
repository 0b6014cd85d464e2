// Sessions, people and the keeper's overview.
import { z } from 'zod'
import { idSchema, plainText } from '../fields/index.ts'
import { route, type ReplyOf } from './route.ts'

export const roleSchema = z.enum(['designer', 'learner', 'keeper', 'guest'])

export const personSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  email: z.string().nullable(),
  role: roleSchema,
})

const sessionReply = z.strictObject({
  person: personSchema.nullable(),
  /** Accounts that anyone may try; only while the demo is loaded. */
  demoAccounts: z.array(
    z.strictObject({ email: z.string(), role: roleSchema, password: z.string() }),
  ),
})

/**
 * A guest's full name: at least two words of letters, so that a teacher can tell who it was. Apostrophes, hyphens
 * and points may stand inside.
 */
export const fullNameSchema = plainText(120).refine(
  (name) => /^\p{L}[\p{L}\p{M}'’.-]*(\s+[\p{L}\p{M}'’.-]+)+$/u.test(name.trim()),
  'needs a first and a last name',
)

export const peopleRoutes = {
  session: route('get', '/api/session', 'public', 'Who is signed in here', { reply: sessionReply }),
  signIn: route('post', '/api/session', 'public', 'Sign in', {
    body: z.strictObject({ email: z.string().max(200), password: z.string().max(200) }),
    reply: sessionReply,
  }),
  signOut: route('delete', '/api/session', 'public', 'Sign out', { reply: sessionReply }),
  keeperOverview: route('get', '/api/keeper', 'keeper', 'Accounts and disk space', {
    reply: z.strictObject({
      people: z.array(personSchema.extend({ createdAt: z.string() })),
      lessons: z.int(),
      mediaFiles: z.int(),
      mediaBytes: z.number(),
      freeBytes: z.number(),
    }),
  }),
}

export type Person = z.infer<typeof personSchema>
export type Role = z.infer<typeof roleSchema>
export type Session = z.infer<typeof sessionReply>
export type KeeperOverview = ReplyOf<typeof peopleRoutes.keeperOverview>
