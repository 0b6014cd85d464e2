// What becomes of a lesson where another film takes the place of one: what would lie beyond the new one's end.
import { cueEndMs, cueStartMs } from './order.ts'
import { filmsInOrder } from './parts/index.ts'
import type { Lesson } from './schema.ts'

export interface BeyondEnd {
  /** Cues that would come after the end. */
  cues: number
  /** Cues that would begin within the film and last beyond its end. */
  cutShort: number
  /** Lines of scripts that would come after the end. */
  lines: number
  /** Stretches and pieces of evidence that would reach beyond the end. */
  stretches: number
  /** Where the first of all these stands, in ms; null where there are none. */
  firstMs: number | null
}

interface Stretch {
  partId: string
  fromMs: number
  toMs: number
}

/** `mediaId` is what would be replaced, `durationMs` the length of what would take its place. */
export function beyondEndOf(lesson: Lesson, mediaId: string, durationMs: number): BeyondEnd {
  const films = filmsInOrder(lesson).filter((part) => part.mediaId === mediaId)
  const ids = new Set(films.map(({ id }) => id))
  const cues = Object.values(lesson.cues).filter(({ partId }) => ids.has(partId))
  const after = cues.filter((cue) => cueStartMs(cue) > durationMs)
  const cutShort = cues.filter((cue) => cueStartMs(cue) <= durationMs && cueEndMs(cue) > durationMs)
  const lines = Object.values(lesson.scripts)
    .filter(({ partId }) => ids.has(partId))
    .flatMap((script) => Object.values(script.lines))
    .filter((line) => line.fromMs >= durationMs)
  const stretches = stretchesIn([lesson.questions, lesson.parts, lesson.materials]).filter(
    ({ partId, toMs }) => ids.has(partId) && toMs > durationMs,
  )
  const starts = [
    ...after.map(cueStartMs),
    ...cutShort.map(cueStartMs),
    ...lines.map(({ fromMs }) => fromMs),
    ...stretches.map(({ fromMs }) => fromMs),
  ]
  return {
    cues: after.length,
    cutShort: cutShort.length,
    lines: lines.length,
    stretches: stretches.length,
    firstMs: starts.length > 0 ? Math.min(...starts) : null,
  }
}

/** Whatever names a stretch of a film, wherever it stands: evidence, and stretches in texts and pages. */
function stretchesIn(value: unknown): Stretch[] {
  if (Array.isArray(value)) return value.flatMap(stretchesIn)
  if (typeof value !== 'object' || value === null) return []
  const inside = Object.values(value).flatMap(stretchesIn)
  return isStretch(value) ? [value, ...inside] : inside
}

const isStretch = (value: object): value is Stretch =>
  'partId' in value &&
  'fromMs' in value &&
  'toMs' in value &&
  typeof value.partId === 'string' &&
  typeof value.fromMs === 'number' &&
  typeof value.toMs === 'number'
