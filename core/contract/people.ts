// Sessions, people and the keeper's overview.
import { z } from 'zod'
import { idSchema, isName, plainText } from '../fields/index.ts'
import { route } from './route.ts'

export const roleSchema = z.enum(['designer', 'learner', 'keeper', 'guest'])

export const personSchema = z.strictObject({
  id: idSchema,
  name: z.string(),
  email: z.string().nullable(),
  role: roleSchema,
})

const sessionReply = z.strictObject({
  person: personSchema.nullable(),
  /** Came in by a sign-in card and has to choose a password before anything else. */
  choosing: z.strictObject({ name: z.string(), signIn: z.string() }).nullable(),
  /** Accounts that anyone may try; only while the demo is loaded. */
  demoAccounts: z.array(
    z.strictObject({ email: z.string(), role: roleSchema, password: z.string() }),
  ),
})

/** The name that somebody goes by: words of letters, of which one is enough; see `isName` in core/fields. */
export const personNameSchema = plainText(120).refine(isName, 'is no name')

/** A new password: long enough to hold against guessing. */
export const SHORTEST_PASSWORD = 8
export const passwordSchema = z.string().min(SHORTEST_PASSWORD).max(200)

export const peopleRoutes = {
  session: route('session', 'public', 'Who is signed in here', { reply: sessionReply }),
  signIn: route('signIn', 'public', 'Sign in', {
    /** An email address, or the sign-in name of a card; a password, or the card's pass phrase. */
    body: z.strictObject({ email: z.string().max(200), password: z.string().max(200) }),
    reply: sessionReply,
  }),
  choosePassword: route(
    'choosePassword',
    'public',
    'Choose a password after coming in by a card, or another one',
    {
      body: z.strictObject({
        /** The password so far; not needed after coming in by a card. */
        before: z.string().max(200).optional(),
        password: passwordSchema,
      }),
      reply: sessionReply,
    },
  ),
  signOut: route('signOut', 'public', 'Sign out', { reply: sessionReply }),
}

export type Person = z.infer<typeof personSchema>
export type Role = z.infer<typeof roleSchema>
export type Session = z.infer<typeof sessionReply>
