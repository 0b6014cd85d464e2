// Where a learner goes on: which part, and at which moment.
import { filmLengthMs, isPlayed, partsInOrder, type Lesson, type Part } from '../lesson/index.ts'
import { nextPart, type Travelled } from '../routes/index.ts'

export interface KeptPlace extends Travelled {
  partId: string | null
  atMs: number
}

/** The moment of a film to go on at, whole ms before its end. A finished film begins again. */
export function momentToGoOn(
  { partId, atMs, finishedParts }: KeptPlace,
  film: { id: string; durationMs: number },
): number {
  if (film.id !== partId || finishedParts.includes(film.id)) return 0
  return Math.min(atMs, Math.max(0, film.durationMs - 1))
}

/**
 * The part to open and the moment in it. Whoever had come to the end of a film goes on with what is left, if anything
 * is; a quiz that was handed in is still there with its summary. Null for a lesson without parts.
 */
export function placeToGoOn(
  lesson: Pick<Lesson, 'parts' | 'cues'>,
  kept: KeptPlace,
): { part: Part; atMs: number } | null {
  const parts = partsInOrder(lesson)
  const found = parts.find(({ id }) => id === kept.partId)
  const isOver = found && isPlayed(found) && kept.finishedParts.includes(found.id)
  const part = (isOver ? nextPart(lesson, kept, found.id) : null) ?? found ?? parts[0]
  if (!part) return null
  const durationMs = filmLengthMs(lesson, part.id) ?? 0
  return { part, atMs: momentToGoOn(kept, { id: part.id, durationMs }) }
}
