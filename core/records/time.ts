// How one batch of records tells the time.
import { heardAtMs, readClock, type ClockBounds, type ClockState } from '../watching/index.ts'
import { timesIn, type LearnerRecord } from './kinds.ts'

/** What is known of the device's clock, and between which moments what a batch tells can have been. */
export interface BatchTime {
  state: ClockState
  bounds: ClockBounds
}

/** The time of a batch: what was known of the device's clock, and what this sending tells of it. */
export function timeOf(
  state: ClockState,
  records: readonly LearnerRecord[],
  { sentAt, bounds }: { sentAt: string | null; bounds: ClockBounds },
): BatchTime {
  const latestMs = records
    .flatMap(timesIn)
    .reduce((latest, at) => Math.max(latest, Date.parse(at)), -Infinity)
  const reading = { sentAtMs: sentAt === null ? null : Date.parse(sentAt), latestMs }
  return { state: readClock(state, { ...reading, nowMs: bounds.nowMs }), bounds }
}

/** When something was done, by the server's clock, and whether that had to be guessed. */
export function heardAt(
  at: string,
  { state, bounds }: BatchTime,
): { at: Date; isDoubtful: boolean } {
  const { atMs, isDoubtful } = heardAtMs(Date.parse(at), state, bounds)
  return { at: new Date(atMs), isDoubtful }
}
