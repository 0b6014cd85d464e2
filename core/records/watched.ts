// What a batch says was watched: judged by the time that passed and by the rules, then added up.
import { isInTime } from '../classes/index.ts'
import type { Lesson } from '../lesson/index.ts'
import {
  judgeSpans,
  normalise,
  runsOf,
  watchedAgain,
  type ClockState,
  type Span,
} from '../watching/index.ts'
import type { SpanRecord } from './kinds/span.ts'
import { lengthOf } from './places.ts'
import type { BatchTime } from './time.ts'

/** Browsers round the speed that they tell. */
const RATE_SLACK = 0.01

/** Under which rules a class learns the lesson, as far as records are judged by them. */
export interface RecordRules {
  topRate: number
  closesAt: Date | null
}

/** A span that was judged; where it does not count it is kept all the same. */
export interface JudgedSpan extends Omit<SpanRecord, 'kind'> {
  counts: boolean
}

/** What one batch adds to what is kept of a part. */
export interface PartWatched {
  partId: string
  covered: Span[]
  /** Of these, what the batch holds more than once. */
  again: Span[]
  /** What was played at all, as far as it is believed. */
  played: Span[]
  /** What counts, as it was played on from one place to the next, however often. */
  runs: Span[]
  leftOut: number
  tooFast: number
}

export interface Watched {
  spans: JudgedSpan[]
  parts: PartWatched[]
  /** The clock after them. */
  after: ClockState
}

/**
 * Judges spans that were not stored before, in the order in which they were played. What is not believed, was played unseen,
 * or breaks the rules of the assignment is kept too, and counts as nothing.
 */
export function judgeWatched(
  lesson: Lesson,
  rules: RecordRules | null,
  time: BatchTime,
  records: readonly SpanRecord[],
): Watched {
  const inOrder = [...new Map(records.map((one) => [one.id, one])).values()]
    .map(timed)
    .sort((a, b) => a.beganAtMs - b.beganAtMs)
  const { doubts, state: after } = judgeSpans(time.state, inOrder, time.bounds)
  const offsetMs = time.state.offsetMs ?? 0
  const spans = inOrder.map(({ record, endedAtMs }, at) => {
    const counts =
      doubts[at] === null &&
      !record.hidden &&
      isWithinRules(rules, record.rate, endedAtMs + offsetMs)
    return judged(record, lengthOf(lesson, record.partId)!, counts)
  })
  const doubted = new Set(
    inOrder.flatMap(({ record }, at) => (doubts[at] === null ? [] : [record.id])),
  )
  return { spans, parts: addUp(spans, doubted), after }
}

/** With its clock times read once: a player that was long without a connection sends hundreds. */
const timed = (record: SpanRecord) => ({
  record,
  fromMs: record.fromMs,
  toMs: record.toMs,
  rate: record.rate,
  beganAtMs: Date.parse(record.beganAt),
  endedAtMs: Date.parse(record.endedAt),
})

const judged = (record: SpanRecord, lengthMs: number, counts: boolean): JudgedSpan => ({
  id: record.id,
  partId: record.partId,
  fromMs: record.fromMs,
  toMs: Math.min(record.toMs, lengthMs),
  rate: record.rate,
  beganAt: record.beganAt,
  endedAt: record.endedAt,
  muted: record.muted,
  hidden: record.hidden,
  counts,
})

/** Played faster than the assignment allows, or after it had closed, is kept too, and counts as little. */
function isWithinRules(rules: RecordRules | null, rate: number, endedAtMs: number): boolean {
  if (!rules) return true
  return rate <= rules.topRate + RATE_SLACK && isInTime(endedAtMs, rules.closesAt)
}

/** Adds up the spans of a batch by part; `doubted` are the ids of those that are not believed. */
export function addUp(spans: readonly JudgedSpan[], doubted: ReadonlySet<string>): PartWatched[] {
  return [...new Set(spans.map(({ partId }) => partId))].map((partId) => {
    const own = spans.filter((span) => span.partId === partId)
    const counted = own.filter(({ counts }) => counts)
    const covered = normalise(counted)
    const believed = doubted.size === 0 ? own : own.filter(({ id }) => !doubted.has(id))
    return {
      partId,
      covered,
      again: lengthOfAll(counted) === lengthOfAll(covered) ? [] : watchedAgain(counted),
      played: believed.length === counted.length ? covered : normalise(believed),
      runs: runsOf(counted),
      leftOut: own.length - counted.length,
      tooFast: own.length - believed.length,
    }
  })
}

/** Where a union is as long as all that it is of, nothing is there twice. */
const lengthOfAll = (spans: readonly Span[]): number =>
  spans.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
