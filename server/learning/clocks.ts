// What is known of the clocks of a learner's devices, kept in memory between two batches.
import { createKept } from '@fernbrake/core/fields'
import { heardAtMs, readClock, type ClockBounds, type ClockState } from '@fernbrake/core/watching'
import type { LearnerRecord } from '@fernbrake/core/contract'
import type { Ask } from '../database/connect.ts'
import { readClockRow, type KnownClock } from './queries/clocks.ts'

const kept = createKept<KnownClock>(5000)

/** The clock of an attempt as far as it is remembered here, else as the database has it; null where the attempt is gone. */
export async function clockOf(ask: Ask, attemptId: string): Promise<KnownClock | null> {
  return kept.get(attemptId) ?? readClockRow(ask, attemptId)
}

export const rememberClock = (attemptId: string, clock: KnownClock): void =>
  void kept.set(attemptId, clock)

export const forgetClock = (attemptId: string): void => void kept.delete(attemptId)

/** How one batch tells the time, and between which moments what it tells can have been. */
export interface BatchTime {
  state: ClockState
  bounds: ClockBounds
}

const timesIn = (record: LearnerRecord): string[] => {
  if (record.kind === 'span') return [record.beganAt, record.endedAt]
  return [record.kind === 'response' ? record.answeredAt : record.at]
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
