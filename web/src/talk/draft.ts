// What a teacher writes to a class, held on this device until it is said.
import { z } from 'zod'

const draftSchema = z.object({
  sort: z.enum(['comment', 'prompt']),
  partId: z.string(),
  moment: z.string(),
  asksNumber: z.boolean(),
  from: z.string(),
  to: z.string(),
  words: z.string(),
})
type Draft = z.infer<typeof draftSchema>

/** Null where nothing waits, or storage is refused. */
export function readWords(key: string): Draft | null {
  try {
    return draftSchema.parse(JSON.parse(localStorage.getItem(key) ?? 'null'))
  } catch {
    return null
  }
}

export function keepWords(key: string, draft: Draft | null): void {
  try {
    if (draft === null) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify(draft))
  } catch {
    // Then it lasts as long as the page.
  }
}
