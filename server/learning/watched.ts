// What a batch says was watched: judged by the time that passed and by the rules, then added up.
import type { SpanRecord } from '@fernbrake/core/contract'
import { isInTime } from '@fernbrake/core/classes'
import type { Lesson } from '@fernbrake/core/lesson'
import { judgeSpans, type ClockState } from '@fernbrake/core/watching'
import type { AssignmentFacts } from './queries/assignments.ts'
import { addUp, type PartTaken, type SpanRow } from './queries/covered.ts'
import type { BatchTime } from './clocks.ts'
import { lengthOf } from './reported.ts'

/** Browsers round the speed that they tell. */
const RATE_SLACK = 0.01

export interface Watched {
  spans: SpanRow[]
  parts: PartTaken[]
  /** The clock after them. */
  after: ClockState
}

/**
 * Judges spans that were not stored before, in the order in which they were played. What is not believed, was played unseen,
 * or breaks the rules of the assignment is kept too, and counts as nothing.
 */
export function judgeWatched(
  lesson: Lesson,
  assignment: AssignmentFacts | null,
  time: BatchTime,
  records: readonly SpanRecord[],
): Watched {
  const inOrder = [...new Map(records.map((one) => [one.id, one])).values()].sort(
    (a, b) => Date.parse(a.beganAt) - Date.parse(b.beganAt),
  )
  const reported = inOrder.map((record) => ({
    fromMs: record.fromMs,
    toMs: record.toMs,
    rate: record.rate,
    beganAtMs: Date.parse(record.beganAt),
    endedAtMs: Date.parse(record.endedAt),
  }))
  const { doubts, state: after } = judgeSpans(time.state, reported, time.bounds)
  const offsetMs = time.state.offsetMs ?? 0
  const spans = inOrder.map(({ kind: _, ...record }, at): SpanRow => {
    const endedMs = reported[at]!.endedAtMs + offsetMs
    const isBelieved = doubts[at] === null
    return {
      ...record,
      toMs: Math.min(record.toMs, lengthOf(lesson, record.partId)!),
      counts: isBelieved && !record.hidden && isWithinRules(assignment, record.rate, endedMs),
    }
  })
  const doubted = new Set(inOrder.flatMap(({ id }, at) => (doubts[at] === null ? [] : [id])))
  return { spans, parts: addUp(spans, doubted), after }
}

/** Played faster than the assignment allows, or after it had closed, is kept too, and counts as little. */
function isWithinRules(
  assignment: AssignmentFacts | null,
  rate: number,
  endedAtMs: number,
): boolean {
  if (!assignment) return true
  const isSlowEnough = rate <= assignment.rules.topRate + RATE_SLACK
  return isSlowEnough && isInTime(endedAtMs, assignment.closesAt)
}
