// What a teacher writes to a class, held on this device until it is said.
import { z } from 'zod'
import { keepHere, readKept } from '@fernbrake/player'

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

/** Null where nothing waits. */
export const readWords = (key: string): Draft | null =>
  draftSchema.safeParse(readKept(key)).data ?? null

export const keepWords = (key: string, draft: Draft | null): void => keepHere(key, draft)
