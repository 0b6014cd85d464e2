// What every kind of record that a player sends knows of itself.
import type { Lesson } from '../lesson/index.ts'
import type { LearnerProgress } from './progress.ts'
import type { Refusal } from './refusals.ts'
import type { Report } from './report.ts'

/** The moment of the server's clock that a moment of the device's clock was. */
export type Heard = (deviceTime: string) => Date

export interface RecordKind<Sent> {
  /** The moments of the device's clock that it names, as ISO 8601. */
  timesIn(record: Sent): string[]
  /** Why it can never be accepted, as far as the lesson alone tells; null where nothing stands against it. */
  faultIn(lesson: Lesson, record: Sent): Refusal | null
  /** Adds it to what its batch reports. Not for what is judged together with others, or with what is stored. */
  report?(report: Report, record: Sent, heard: Heard, lesson: Lesson): void
}

/** Brings the progress of a learner to what it is with a record. Changes it in place. Alone, since no more of it travels to phones. */
export type Advance<Sent> = (progress: LearnerProgress, record: Sent, lesson: Lesson) => void
