// What is known of a learner when it is decided which way is open, out of their records.
import { scoreSoFar, type ResponseRecord } from '../analysis/index.ts'
import { filmLengthMs, type Lesson } from '../lesson/index.ts'
import { isSettled } from '../questions/index.ts'
import { coverage } from '../watching/index.ts'
import type { Known } from './partsLeft.ts'

/** A learner's records, by part where they belong to one. */
export interface Progress {
  responses: readonly (ResponseRecord & { cueId: string })[]
  covered: Readonly<Record<string, { fromMs: number; toMs: number }[]>>
  seen: Readonly<Record<string, readonly string[]>>
  /** What asks and lies behind the learner, answered or not. */
  released: readonly string[]
}

/** An answer is right once it was right in any try. */
export function knownOf(lesson: Lesson, progress: Progress): Known {
  const results: Record<string, { right: boolean }> = {}
  for (const { cueId, verdict } of progress.responses)
    results[cueId] = { right: isSettled(verdict) || results[cueId]?.right === true }
  const passed = Object.fromEntries(progress.released.map((id) => [id, true]))
  const watched = Object.fromEntries(
    Object.entries(progress.covered).flatMap(([partId, spans]) => {
      const durationMs = filmLengthMs(lesson, partId)
      return durationMs ? [[partId, coverage(spans, durationMs)]] : []
    }),
  )
  return {
    facts: {
      score: scoreSoFar(lesson, progress.responses, passed),
      watched,
      visited: Object.keys(progress.seen),
    },
    results,
  }
}
