// What is known of the clocks of a learner's devices, kept in memory between two batches.
import { createKept } from '@fernbrake/core/fields'
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
