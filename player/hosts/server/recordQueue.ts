// Records that wait to be acknowledged, in IndexedDB, so that they survive a closed tab and a dead battery.
// Where IndexedDB is refused (private windows), memory has to do.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { LearnerRecord } from '@fernbrake/core/contract'
import { ON_DISK } from './onDisk.ts'

export interface WaitingRecord {
  /** Position in the queue; grows. */
  position: number
  attemptId: string
  record: LearnerRecord
}

export interface RecordQueue {
  add(record: LearnerRecord): Promise<void>
  /** The oldest records, at most `most`. */
  oldest(most: number): Promise<LearnerRecord[]>
  drop(ids: ReadonlySet<string>): Promise<void>
  count(): Promise<number>
  close(): void
}

interface QueueSchema extends DBSchema {
  records: { key: number; value: Omit<WaitingRecord, 'position'>; indexes: { attempt: string } }
}

const DATABASE_NAME = 'fernbrake-records'

/** The queue of one attempt. */
export async function openRecordQueue(attemptId: string): Promise<RecordQueue> {
  try {
    return storedQueue(await openDatabase(), attemptId)
  } catch {
    return memoryQueue()
  }
}

function openDatabase(): Promise<IDBPDatabase<QueueSchema>> {
  return openDB<QueueSchema>(DATABASE_NAME, 1, {
    upgrade(database) {
      const store = database.createObjectStore('records', { autoIncrement: true })
      store.createIndex('attempt', 'attemptId')
    },
  })
}

function storedQueue(database: IDBPDatabase<QueueSchema>, attemptId: string): RecordQueue {
  return {
    async add(record) {
      const transaction = database.transaction('records', 'readwrite', ON_DISK)
      await Promise.all([transaction.store.add({ attemptId, record }), transaction.done])
    },
    async oldest(most) {
      const waiting = await database.getAllFromIndex('records', 'attempt', attemptId, most)
      return waiting.map((entry) => entry.record)
    },
    async drop(ids) {
      const transaction = database.transaction('records', 'readwrite')
      let cursor = await transaction.store.index('attempt').openCursor(attemptId)
      while (cursor) {
        if (ids.has(cursor.value.record.id)) await cursor.delete()
        cursor = await cursor.continue()
      }
      await transaction.done
    },
    count: () => database.countFromIndex('records', 'attempt', attemptId),
    close: () => database.close(),
  }
}

function memoryQueue(): RecordQueue {
  let waiting: LearnerRecord[] = []
  return {
    add: (record) => Promise.resolve(void waiting.push(record)),
    oldest: (most) => Promise.resolve(waiting.slice(0, most)),
    drop: (ids) =>
      Promise.resolve(void (waiting = waiting.filter((record) => !ids.has(record.id)))),
    count: () => Promise.resolve(waiting.length),
    close: () => undefined,
  }
}
