// What a record says of places and times, and how far it is believed.
import { filmLengthMs, type Lesson } from '@fernbrake/core/lesson'

/** Reported times may lie past the film's end by this much, in ms: the container and the stream differ a little. */
export const END_SLACK_MS = 500

/** How long a part plays, in ms; all but films do not at all. Null where there is no such part. */
export const lengthOf = (lesson: Lesson, partId: string): number | null =>
  Object.hasOwn(lesson.parts, partId) ? (filmLengthMs(lesson, partId) ?? 0) : null

/** When something was done, by the device's clock; one that runs ahead must not outrank every later word from another device. */
export const heardAt = (at: string, nowMs: number): Date =>
  new Date(Math.min(Date.parse(at), nowMs))
