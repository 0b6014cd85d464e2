// Whether a reported span can be true.
import type { Span } from './spans.ts'

/** Allowed on top of clock time × rate, in ms: clocks and media clocks are read at slightly different moments. */
export const PLAUSIBLE_SLACK_MS = 1000

export interface ReportedSpan extends Span {
  /** Playback rate, 1 is normal. */
  rate: number
  /** Clock times between which the span was played, ms since the epoch. */
  beganAtMs: number
  endedAtMs: number
}

/** A span may not be longer than the clock time it was reported in × rate + 1 s. */
export function isPlausible(span: ReportedSpan): boolean {
  const clockMs = Math.max(0, span.endedAtMs - span.beganAtMs)
  return span.toMs - span.fromMs <= clockMs * span.rate + PLAUSIBLE_SLACK_MS
}
