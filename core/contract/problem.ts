// Problem documents after RFC 9457: a stable type, a sentence a person can act on, and where the fault lies.
import { z } from 'zod'
import type { Refusal } from '../records/index.ts'
import type { ProblemWords } from '../words/index.ts'
import { OWN_PROBLEMS } from './ownProblem.ts'

/** Every `type` that the server answers with; the part after `urn:fernbrake:problem:`. */
export const PROBLEM_TYPES = [
  'invalid-input',
  'too-large',
  'not-json',
  'not-found',
  'not-signed-in',
  'not-allowed',
  'wrong-password',
  'too-many-tries',
  'wrong-origin',
  'edit-refused',
  'stale-revision',
  'not-publishable',
  'learners-inside',
  'not-shared',
  'no-such-designer',
  'last-owner',
  'already-exists',
  'not-a-film',
  'upload-gone',
  'file-refused',
  'no-room',
  'class-full',
  'group-in-use',
  'medium-in-use',
  'weak-password',
  'not-open',
  'no-attempts-left',
  'mark-changed',
  'database-away',
  'read-only',
  'internal',
] as const

export type ProblemType = (typeof PROBLEM_TYPES)[number]

/** Why, more closely than by the type; the sentences stand in core/words. */
export type ProblemReason = keyof ProblemWords['reasons'] | Refusal

export const issueSchema = z.strictObject({
  path: z.array(z.union([z.string(), z.number()])),
  code: z.string(),
  message: z.string(),
})

export const problemSchema = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  /** A sentence in the language that was asked for. */
  detail: z.string(),
  /** Why, more closely than by the type, and what its sentence needs: whoever has sentences of their own goes by these. */
  reason: z.string().optional(),
  facts: z.record(z.string(), z.union([z.string(), z.number(), z.array(z.string())])).optional(),
  issues: z.array(issueSchema).optional(),
  /** The edit that could not be taken in, where it was one of several. */
  editId: z.string().optional(),
  /** To be named when asking for help; the server's log has the details under it. */
  requestId: z.string().optional(),
})

export type Problem = z.infer<typeof problemSchema>

export const problemTypeUri = (type: ProblemType) => OWN_PROBLEMS + type
