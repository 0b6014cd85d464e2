// Turns the ticks and breaks of playback into spans. Pure: times are handed in.
import type { ReportedSpan } from './clock.ts'

/** A gap between two ticks larger than this, beyond what the rate explains, is a jump; in ms of media time. */
export const LARGEST_STEP_MS = 1500

export interface OpenSpan {
  fromMs: number
  toMs: number
  rate: number
  beganAtMs: number
  lastAtMs: number
}

export interface Recorded {
  open: OpenSpan | null
  closed: ReportedSpan[]
}

/** A tick while playing: begins a span, lengthens it, or closes it where the film jumped or the rate changed. */
export function recordTick(
  open: OpenSpan | null,
  mediaMs: number,
  rate: number,
  clockMs: number,
): Recorded {
  const begin = { fromMs: mediaMs, toMs: mediaMs, rate, beganAtMs: clockMs, lastAtMs: clockMs }
  if (!open) return { open: begin, closed: [] }
  const step = mediaMs - open.toMs
  const expected = (clockMs - open.lastAtMs) * rate
  const jumped = step < 0 || step > expected + LARGEST_STEP_MS
  if (jumped || rate !== open.rate) return { open: begin, closed: closeSpan(open) }
  return { open: { ...open, toMs: mediaMs, lastAtMs: clockMs }, closed: [] }
}

/** Ends the open span; nothing comes of one without length. */
export function closeSpan(open: OpenSpan | null): ReportedSpan[] {
  if (!open || open.toMs <= open.fromMs) return []
  const { fromMs, toMs, rate, beganAtMs, lastAtMs } = open
  return [{ fromMs, toMs, rate, beganAtMs, endedAtMs: lastAtMs }]
}

/** Cuts a running span so that what was played so far can be sent, and goes on from there. */
export function cutSpan(open: OpenSpan | null): Recorded {
  if (!open || open.toMs <= open.fromMs) return { open, closed: [] }
  const rest = { ...open, fromMs: open.toMs, beganAtMs: open.lastAtMs }
  return { open: rest, closed: closeSpan(open) }
}
