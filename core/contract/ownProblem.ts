// Telling the server's own faults from what proxies, filters and guest networks answer in its place. Without a schema, so
// that it may travel to a phone.
import type { Problem, ProblemType } from './problem.ts'

/** What the `type` of every fault of ours begins with. */
export const OWN_PROBLEMS = 'urn:fernbrake:problem:'

/**
 * The type of fault that an answer's body tells of; null where it is no problem document of ours, so that the server itself
 * has said nothing.
 */
export function ownProblemType(body: unknown): ProblemType | null {
  const { type, detail } = (body ?? {}) as Partial<Problem>
  if (typeof type !== 'string' || typeof detail !== 'string' || !type.startsWith(OWN_PROBLEMS))
    return null
  return type.slice(OWN_PROBLEMS.length) as ProblemType
}
