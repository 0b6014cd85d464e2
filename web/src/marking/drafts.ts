// What somebody writes about an answer, held on this device until it is in the database.
import { z } from 'zod'

const draftSchema = z.object({
  points: z.string(),
  levels: z.array(z.int().nullable()).nullable(),
  comment: z.string(),
})
export type MarkDraft = z.infer<typeof draftSchema>

interface Of {
  attemptId: string
  responseId: string
}
// Devices are shared, so it goes by who is signed in.
const keyOf = (personId: string, { attemptId, responseId }: Of) =>
  `fernbrake-mark ${personId} ${attemptId} ${responseId}`

/** Null where nothing waits, or storage is refused. */
export function readDraft(personId: string, answer: Of): MarkDraft | null {
  try {
    return draftSchema.parse(JSON.parse(localStorage.getItem(keyOf(personId, answer)) ?? 'null'))
  } catch {
    return null
  }
}

export function keepDraft(personId: string, answer: Of, draft: MarkDraft): void {
  try {
    localStorage.setItem(keyOf(personId, answer), JSON.stringify(draft))
  } catch {
    // Without storage it is in memory as long as the answer is open.
  }
}

export function forgetDraft(personId: string, answer: Of): void {
  try {
    localStorage.removeItem(keyOf(personId, answer))
  } catch {
    // There was none.
  }
}
