// Files that go with answers wait in IndexedDB until the server has them; without IndexedDB in memory.
import { openDB, type DBSchema } from 'idb'
import { ON_DISK } from './onDisk.ts'

export interface WaitingFile {
  id: string
  attemptId: string
  questionId: string
  name: string
  content: Blob
}

export interface FileQueue {
  add(file: WaitingFile): Promise<void>
  list(): Promise<WaitingFile[]>
  drop(id: string): Promise<void>
}

interface FilesSchema extends DBSchema {
  files: { key: string; value: WaitingFile; indexes: { attempt: string } }
}

/** The queue of one attempt. */
export async function openFileQueue(attemptId: string): Promise<FileQueue> {
  try {
    const database = await openDB<FilesSchema>('fernbrake-files', 1, {
      upgrade(made) {
        made.createObjectStore('files', { keyPath: 'id' }).createIndex('attempt', 'attemptId')
      },
    })
    return {
      async add(file) {
        const transaction = database.transaction('files', 'readwrite', ON_DISK)
        await Promise.all([transaction.store.put(file), transaction.done])
      },
      list: () => database.getAllFromIndex('files', 'attempt', attemptId),
      drop: (id) => database.delete('files', id),
    }
  } catch {
    return memoryQueue()
  }
}

function memoryQueue(): FileQueue {
  const waiting = new Map<string, WaitingFile>()
  return {
    add: (file) => Promise.resolve(void waiting.set(file.id, file)),
    list: () => Promise.resolve([...waiting.values()]),
    drop: (id) => Promise.resolve(void waiting.delete(id)),
  }
}
