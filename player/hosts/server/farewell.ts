// What a page recorded in its last moment. The queue answers later than such a page lives, so it is kept in the one storage
// that takes it at once, and found there by the next visit.
import type { LearnerRecord } from '@fernbrake/core/records'
import { keepHere, readKept } from '../../session/onDevice.ts'
import type { RecordQueue } from './recordQueue.ts'

export interface Farewell {
  keep(records: readonly LearnerRecord[]): void
  read(): LearnerRecord[]
}

export function farewellOf(attemptId: string): Farewell {
  const key = `fernbrake-farewell ${attemptId}`
  return {
    keep: (records) => keepHere(key, records.length > 0 ? records : null),
    read() {
      const kept = readKept(key)
      return Array.isArray(kept) ? (kept as LearnerRecord[]) : []
    },
  }
}

/** More than this never waits on a device at one time. */
const MOST_WAITING = 100_000

/** Puts what was kept in a farewell among the waiting records, unless it got there all the same. */
export async function storeFarewell(
  records: readonly LearnerRecord[],
  queue: RecordQueue,
): Promise<void> {
  if (records.length === 0) return
  const known = new Set((await queue.oldest(MOST_WAITING)).map(({ id }) => id))
  for (const record of records) if (!known.has(record.id)) await queue.add(record)
}
