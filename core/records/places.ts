// Places of a lesson that records name.
import { filmLengthMs, type Lesson } from '../lesson/index.ts'
import type { Refusal } from './refusals.ts'

/** Reported times may lie past the film's end by this much, in ms: the container and the stream differ a little. */
export const END_SLACK_MS = 500

/** How long a part plays, in ms; all but films do not at all. Null where there is no such part. */
export const lengthOf = (lesson: Lesson, partId: string): number | null =>
  Object.hasOwn(lesson.parts, partId) ? (filmLengthMs(lesson, partId) ?? 0) : null

/** What keeps a place in a lesson from being spoken of, or null: a moment of a film, or a part as a whole. */
export function momentFault(
  lesson: Lesson,
  { partId, place }: { partId: string; place: { on: 'part' } | { on: 'moment'; atMs: number } },
): Refusal | null {
  const lengthMs = lengthOf(lesson, partId)
  if (lengthMs === null) return 'unknownPart'
  if (place.on === 'part') return null
  // There is no moment of what does not play.
  if (lengthMs === 0) return 'unknownPart'
  return place.atMs > lengthMs + END_SLACK_MS ? 'beyondEnd' : null
}

/** Whether there is such a part. */
export const partFault = (lesson: Lesson, { partId }: { partId: string }): Refusal | null =>
  Object.hasOwn(lesson.parts, partId) ? null : 'unknownPart'
