// What somebody writes about an answer, held on this device until it is in the database.
import { z } from 'zod'

const draftSchema = z.object({
  points: z.string(),
  levels: z.array(z.int().nullable()).nullable(),
  comment: z.string(),
  /** The mark that was there when this was begun; 0 where there was none. */
  revision: z.int(),
})
export type MarkDraft = z.infer<typeof draftSchema>

interface Of {
  attemptId: string
  responseId: string
}
// Devices are shared, so it goes by who is signed in.
const keyOf = (personId: string, { attemptId, responseId }: Of) =>
  `fernbrake-mark ${personId} ${attemptId} ${responseId}`

/** Where storage is refused, drafts last as long as the page. */
const held = new Map<string, string>()

/** Null where nothing waits. */
export function readDraft(personId: string, answer: Of): MarkDraft | null {
  try {
    return draftSchema.parse(JSON.parse(readKept(keyOf(personId, answer)) ?? 'null'))
  } catch {
    return null
  }
}

function readKept(key: string): string | null {
  try {
    return localStorage.getItem(key) ?? held.get(key) ?? null
  } catch {
    return held.get(key) ?? null
  }
}

export function keepDraft(personId: string, answer: Of, draft: MarkDraft): void {
  const key = keyOf(personId, answer)
  try {
    localStorage.setItem(key, JSON.stringify(draft))
    held.delete(key)
  } catch {
    held.set(key, JSON.stringify(draft))
  }
}

export function forgetDraft(personId: string, answer: Of): void {
  const key = keyOf(personId, answer)
  held.delete(key)
  try {
    localStorage.removeItem(key)
  } catch {
    // There was none.
  }
}
