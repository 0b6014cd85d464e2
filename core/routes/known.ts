// What is known of a learner when it is decided which way is open, out of their records.
import { scoreSoFar, type ResponseRecord } from '../analysis/index.ts'
import { askersOf, filmLengthMs, type Lesson } from '../lesson/index.ts'
import { isSettled, isSettledHere, isUnsaid } from '../questions/index.ts'
import { coverage } from '../watching/index.ts'
import type { Hidden } from './conditions.ts'
import { NOTHING_JUDGED, type Judged } from './judged.ts'
import type { Known } from './partsLeft.ts'

/** A learner's records, by part where they belong to one. */
export interface Progress {
  responses: readonly (ResponseRecord & { cueId: string })[]
  covered: Readonly<Record<string, { fromMs: number; toMs: number }[]>>
  seen: Readonly<Record<string, readonly string[]>>
  /** What asks and lies behind the learner, answered or not. */
  released: readonly string[]
  /** What the server says of conditions that cannot be judged here. */
  judged?: Judged | null
}

/** An answer is right once it was right in any try. */
export function knownOf(lesson: Lesson, progress: Progress): Known {
  const results: Record<string, { right: boolean }> = {}
  for (const { cueId, questionId, verdict } of progress.responses) {
    const question = lesson.questions[questionId]
    const isRight = question ? isSettledHere(question, verdict) : isSettled(verdict)
    results[cueId] = { right: isRight || results[cueId]?.right === true }
  }
  const hidden = hiddenOf(lesson, progress.judged ?? NOTHING_JUDGED)
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
      ...(hidden ? { hidden } : {}),
    },
    results,
  }
}

/** What cannot be judged with this lesson, where questions were cut in it; null where everything can. */
function hiddenOf(lesson: Lesson, judged: Judged): Hidden | null {
  if (!Object.values(lesson.questions).some(isUnsaid)) return null
  const cues = askersOf(lesson)
    .filter(({ questionId }) => isUnsaid(lesson.questions[questionId]!))
    .map(({ id }) => id)
  return { cues: new Set(cues), ...judged }
}
