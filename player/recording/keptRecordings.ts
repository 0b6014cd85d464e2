// Recordings piece by piece in IndexedDB while they are made, so that a closed tab or an empty battery loses a second.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

export interface KeptRecording {
  id: string
  /** Whose it is: devices are shared. */
  personId: string
  takes: 'film' | 'sound'
  type: string
  beganAt: number
  lengthMs: number
}

interface RecordingsSchema extends DBSchema {
  recordings: { key: string; value: KeptRecording }
  pieces: { key: [string, number]; value: { recordingId: string; index: number; piece: Blob } }
}

export interface RecordingStorage {
  /** What was recorded and not yet put on the shelf, newest first. */
  list(personId: string, takes: KeptRecording['takes']): Promise<KeptRecording[]>
  begin(recording: KeptRecording): Promise<void>
  add(id: string, index: number, piece: Blob, lengthMs: number): Promise<void>
  whole(id: string): Promise<Blob | null>
  drop(id: string): Promise<void>
}

const piecesOf = (id: string) => IDBKeyRange.bound([id, 0], [id, Infinity])

export async function openRecordingStorage(): Promise<RecordingStorage> {
  try {
    const database = await openDB<RecordingsSchema>('fernbrake-recordings', 1, {
      upgrade(made) {
        made.createObjectStore('recordings', { keyPath: 'id' })
        made.createObjectStore('pieces', { keyPath: ['recordingId', 'index'] })
      },
    })
    return stored(database)
  } catch {
    // Without IndexedDB a recording is in memory alone, as long as its panel is open.
    return {
      list: () => Promise.resolve([]),
      begin: () => Promise.resolve(),
      add: () => Promise.resolve(),
      whole: () => Promise.resolve(null),
      drop: () => Promise.resolve(),
    }
  }
}

function stored(database: IDBPDatabase<RecordingsSchema>): RecordingStorage {
  return {
    async list(personId, takes) {
      const all = await database.getAll('recordings')
      return all
        .filter((one) => one.personId === personId && one.takes === takes && one.lengthMs > 0)
        .sort((a, b) => b.beganAt - a.beganAt)
    },
    async begin(recording) {
      await database.put('recordings', recording)
    },
    async add(recordingId, index, piece, lengthMs) {
      const change = database.transaction(['recordings', 'pieces'], 'readwrite')
      const recordings = change.objectStore('recordings')
      const known = await recordings.get(recordingId)
      if (known) await recordings.put({ ...known, lengthMs })
      await change.objectStore('pieces').put({ recordingId, index, piece })
      await change.done
    },
    async whole(id) {
      const recording = await database.get('recordings', id)
      const pieces = await database.getAll('pieces', piecesOf(id))
      if (!recording || pieces.length === 0) return null
      return new Blob(
        pieces.map(({ piece }) => piece),
        { type: recording.type },
      )
    },
    async drop(id) {
      const change = database.transaction(['recordings', 'pieces'], 'readwrite')
      await Promise.all([
        change.objectStore('recordings').delete(id),
        change.objectStore('pieces').delete(piecesOf(id)),
        change.done,
      ])
    },
  }
}
