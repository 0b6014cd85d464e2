// Edits that the server has not acknowledged, in IndexedDB, so that they survive a closed tab.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { PendingEdit } from '@fernbrake/core/drafts'

interface EditsSchema extends DBSchema {
  edits: {
    key: string
    /** `lessonId`: the document, whatever its type; devices hold edits under that name already. */
    value: { id: string; lessonId: string; position: number; edit: PendingEdit }
    indexes: { lesson: string }
  }
}

export interface EditStorage {
  /** The waiting edits of a document, in the order in which they were made. */
  read(): Promise<PendingEdit[]>
  /** Keeps an edit; one with the same id takes its place. */
  put(edit: PendingEdit, position: number): Promise<void>
  drop(ids: readonly string[]): Promise<void>
}

export async function openEditStorage(documentId: string): Promise<EditStorage> {
  try {
    return stored(await open(), documentId)
  } catch {
    // Without IndexedDB edits wait in memory alone.
    return {
      read: () => Promise.resolve([]),
      put: () => Promise.resolve(),
      drop: () => Promise.resolve(),
    }
  }
}

function open(): Promise<IDBPDatabase<EditsSchema>> {
  return openDB<EditsSchema>('fernbrake-edits', 1, {
    upgrade(database) {
      database.createObjectStore('edits', { keyPath: 'id' }).createIndex('lesson', 'lessonId')
    },
  })
}

function stored(database: IDBPDatabase<EditsSchema>, lessonId: string): EditStorage {
  return {
    async read() {
      const entries = await database.getAllFromIndex('edits', 'lesson', lessonId)
      return entries.sort((a, b) => a.position - b.position).map((entry) => entry.edit)
    },
    async put(edit, position) {
      await database.put('edits', { id: edit.id, lessonId, position, edit })
    },
    async drop(ids) {
      const transaction = database.transaction('edits', 'readwrite')
      await Promise.all([...ids.map((id) => transaction.store.delete(id)), transaction.done])
    },
  }
}
