// Records that wait to be acknowledged, in IndexedDB, so that they survive a closed tab and a dead battery.
// Where IndexedDB is refused (private windows), or has no room any more, memory has to do.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { LearnerRecord } from '@fernbrake/core/records'
import { ON_DISK } from './onDisk.ts'

export interface WaitingRecord {
  /** Position in the queue; grows. */
  position: number
  attemptId: string
  record: LearnerRecord
}

/** Nothing of it ever rejects: what cannot be stored is held in memory, and counted as such. */
export interface RecordQueue {
  add(record: LearnerRecord): Promise<void>
  /** The oldest records, at most `most`. */
  oldest(most: number): Promise<LearnerRecord[]>
  drop(ids: ReadonlySet<string>): Promise<void>
  count(): Promise<number>
  /** How many of these are in memory alone, and gone with the page. */
  unkept(): number
  close(): void
}

interface QueueSchema extends DBSchema {
  records: { key: number; value: Omit<WaitingRecord, 'position'>; indexes: { attempt: string } }
}

const DATABASE_NAME = 'fernbrake-records'

/** The queue of one attempt. */
export async function openRecordQueue(attemptId: string): Promise<RecordQueue> {
  try {
    return withMemory(storedQueue(await openDatabase(), attemptId))
  } catch {
    return withMemory(null)
  }
}

type Store = Omit<RecordQueue, 'unkept'>

/** Holds in memory what the store does not take, and leaves out what it would not let go of. */
export function withMemory(store: Store | null): RecordQueue {
  let held: LearnerRecord[] = []
  const dropped = new Set<string>()
  const ask = <T>(work: ((from: Store) => Promise<T>) | null, otherwise: T): Promise<T> =>
    store && work ? work(store).catch(() => otherwise) : Promise.resolve(otherwise)
  return {
    async add(record) {
      const isStored = await ask((to) => to.add(record).then(() => true), false)
      if (!isStored) held.push(record)
    },
    async oldest(most) {
      const stored = await ask((from) => from.oldest(most + dropped.size), [])
      return [...stored.filter(({ id }) => !dropped.has(id)), ...held].slice(0, most)
    },
    async drop(ids) {
      held = held.filter(({ id }) => !ids.has(id))
      const isGone = await ask((from) => from.drop(ids).then(() => true), store === null)
      if (!isGone) for (const id of ids) dropped.add(id)
    },
    async count() {
      const stored = await ask((from) => from.count(), 0)
      return Math.max(0, stored - dropped.size) + held.length
    },
    unkept: () => held.length,
    close: () => store?.close(),
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

function storedQueue(database: IDBPDatabase<QueueSchema>, attemptId: string): Store {
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
