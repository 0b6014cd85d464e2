// Telling the server's own faults from what proxies, filters and guest networks answer in its place. Without a schema, so
// that it may travel to a phone.

/** What the `type` of every fault of ours begins with. */
export const OWN_PROBLEMS = 'urn:fernbrake:problem:'

/**
 * The type of fault that an answer's body tells of, as in `PROBLEM_TYPES`; null where it is no problem document of ours, so
 * that the server itself has said nothing.
 */
export function ownProblemType(body: unknown): string | null {
  const { type, detail } = (body ?? {}) as { type?: unknown; detail?: unknown }
  if (typeof type !== 'string' || typeof detail !== 'string') return null
  return type.startsWith(OWN_PROBLEMS) ? type.slice(OWN_PROBLEMS.length) : null
}

/** The fault that the text of an answer tells of, as far as it is one of ours; null for all else. */
export function ownProblemIn(text: string): { type: string; detail: string } | null {
  try {
    const said: unknown = JSON.parse(text)
    const type = ownProblemType(said)
    return type === null ? null : { type, detail: (said as { detail: string }).detail }
  } catch {
    return null
  }
}
