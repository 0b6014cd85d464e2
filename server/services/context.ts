// What services work with. Handed in once, so that tests and several servers can each have their own.
import type pg from 'pg'
import type { Logger } from 'pino'
import type { LoggedEdit } from '@fernbrake/core/lesson'
import type { Media } from '@fernbrake/core/contract'
import type { Database } from '../database/connect.ts'
import type { MediaStore } from '../media/MediaStore.ts'
import type { RoomWatch } from '../media/roomWatch.ts'
import type { Sealing } from './sealing.ts'

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
  /** Whether the server stores anything new; see `media/roomWatch.ts`. */
  room: Pick<RoomWatch, 'isReadOnly' | 'untilWritable'>
  /** Forgets what somebody has sent and not finished. */
  dropUploadsOf: (personId: string) => Promise<void>
  /** Says that somebody may do less than before, so that whoever listens is looked at again. */
  accessChanged: (whose: AccessChange) => void
  version: string
  /** Where the stand-in film host is, such as `http://127.0.0.1:4315`; null where it does not run. */
  filmHost: string | null
  /**
   * Whether what stands at this IP address and origin is looked at and fetched for designers: what is public, and the
   * stand-in film host; all, if the settings say so.
   */
  mayAskAddress: (ip: string, origin: string) => boolean
}
