// The clock of an attempt: how far the clock of the device stands from ours.
import { freshClock, type ClockState } from '@fernbrake/core/watching'
import type { Ask } from '../../database/connect.ts'

export interface KnownClock {
  state: ClockState
  /** That of the row it was read from; see `storeBatch`. */
  revision: number
}

/** The clock of an attempt as the database has it, by a transaction that holds its row. */
export async function readClockRow(ask: Ask, attemptId: string): Promise<KnownClock | null> {
  const [row] = await ask<{ clock: ClockState | null; revision: number }>(
    'SELECT clock, clock_rev AS revision FROM attempts WHERE id = $1',
    [attemptId],
  )
  return row ? { state: row.clock ?? freshClock(), revision: row.revision } : null
}
