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
  const latestMs = latestOf(records)
  const reading = { sentAtMs: sentAt === null ? null : Date.parse(sentAt), latestMs }
  return { state: readClock(state, { ...reading, nowMs: bounds.nowMs }), bounds }
}

/** As devices write a moment, in UTC and to the millisecond: the later one is the greater text, so that only one has to be read. */
const isWrittenSo = (at: string) => at.length === 24 && at.endsWith('Z')

/** The latest moment that any of these records tells of; −∞ of none. */
function latestOf(records: readonly LearnerRecord[]): number {
  let latest = ''
  let latestMs = -Infinity
  for (const record of records)
    for (const at of timesIn(record))
      if (!isWrittenSo(at)) latestMs = Math.max(latestMs, Date.parse(at))
      else if (at > latest) latest = at
  return latest === '' ? latestMs : Math.max(latestMs, Date.parse(latest))
}

/** When something was done, by the server's clock, and whether that had to be guessed. */
export function heardAt(
  at: string,
  { state, bounds }: BatchTime,
): { at: Date; isDoubtful: boolean } {
  const { atMs, isDoubtful } = heardAtMs(Date.parse(at), state, bounds)
  return { at: new Date(atMs), isDoubtful }
}
