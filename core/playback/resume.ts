// Where a learner goes on: which part, and at which moment.
import { partsInOrder, type FilmPart, type Lesson } from '../lesson/index.ts'

export interface KeptPlace {
  partId: string | null
  atMs: number
  finished: boolean
}

/**
 * The part to open and the moment in it, whole ms before `durationMs` (the part's own by default). A finished film
 * begins again. Null for a lesson without parts.
 */
export function placeToGoOn(
  lesson: Pick<Lesson, 'parts'>,
  kept: KeptPlace,
): { part: FilmPart; atMs: number } | null {
  const parts = partsInOrder(lesson)
  const found = parts.find((part) => part.id === kept.partId)
  const part = found ?? parts[0]
  if (!part) return null
  const lastMs = Math.max(0, (part.durationMs ?? 0) - 1)
  return { part, atMs: found && !kept.finished ? Math.min(kept.atMs, lastMs) : 0 }
}
