// What services work with. Handed in once, so that tests and several servers can each have their own.
import type { Readable } from 'node:stream'
import type pg from 'pg'
import type { Logger } from 'pino'
import type { LoggedEdit } from '@fernbrake/core/lesson'
import type { Media } from '@fernbrake/core/contract'
import type { Database } from './database/connect.ts'

/** Tells those who are watching that something is new; losing a message is harmless. */
export interface Announcer {
  draftEdited(lessonId: string, entries: LoggedEdit[]): void
  mediaChanged(ownerId: string, media: Media): void
  resultsNew(lessonId: string): void
}

/** Whose access may have changed: a person's, or that of everybody to a lesson, or that of one session. */
export interface AccessChange {
  personId?: string
  lessonId?: string
  sessionId?: string
}

/** Bytes in the store. */
export interface Stored {
  bytes: number
  changedAt: Date
  /** All of it, or from one byte to another, both included. */
  read(part?: { from: number; to: number }): Readable
}

/** Where media bytes lie. A folder now; an object store can take its place without anyone else noticing. */
export interface MediaStore {
  /** Moves a finished local file in under `key`, replacing what was there; answers with its size in bytes. */
  take(key: string, localPath: string): Promise<number>
  /** Puts a local file in under `key` as `take` does, and leaves it where it is as well; answers with its size in bytes. */
  hold(key: string, localPath: string): Promise<number>
  /** Puts a copy of what lies under one key under another as well. */
  copy(from: string, to: string): Promise<void>
  /** What lies under a key, to be read in whole or in part; null where nothing does. */
  open(key: string): Promise<Stored | null>
  /** Gives `work` a local file with what lies under a key, which it only reads; not to be used once `work` is over. */
  withFile<T>(key: string, work: (localPath: string) => Promise<T>): Promise<T>
  remove(key: string): Promise<void>
  freeBytes(): Promise<number>
}

/** Seals what has to be read again, but not by whoever gets hold of the database alone. */
export interface Sealing {
  seal(text: string): Buffer
  /** The text, or null where it was sealed with another secret or was tampered with. */
  open(sealed: Buffer): string | null
}

/** Whether anything new may be stored; see `media/roomWatch.ts`. */
export interface Room {
  isReadOnly(): boolean
  /** Resolves as soon as something may be stored; at once where it may. */
  untilWritable(): Promise<void>
}

export interface Context {
  database: Database
  /** For what every request or every batch asks: sessions, and statements worth preparing. */
  pool: pg.Pool
  store: MediaStore
  sealing: Sealing
  log: Logger
  announce: Announcer
  /** Puts a job of preparing in the queue. */
  enqueue: (job: { mediaId: string; kind: string }) => Promise<void>
  /** So much the media of one person may take, in bytes. */
  mostOwnBytes: number
  room: Room
  /** Forgets what somebody has sent and not finished. */
  dropUploadsOf: (personId: string) => Promise<void>
  /** Says that somebody may do less than before, so that whoever listens is looked at again. */
  accessChanged: (whose: AccessChange) => void
  version: string
  /** The program that draws presentations; null where it is not installed. */
  office: string | null
  /** What is asked for material: templates of addresses; see `searchAddress`. */
  archives: readonly string[]
  /**
   * Whether what stands at this IP address and origin is looked at and fetched for designers: what is public, and the
   * stand-ins; all, if the settings say so.
   */
  mayAskAddress: (ip: string, origin: string) => boolean
}
