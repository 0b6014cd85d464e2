// A type of document that several people edit at once (core/drafts): what it is held to, where it stands, and what comes with
// a change of it. Lessons are one: lessons/lessonDraft.ts.
import type { Transaction } from 'sequelize'
import type { Person } from '@fernbrake/core/contract'
import type { Checked } from '@fernbrake/core/drafts'
import type { DraftTables } from '../database/draftTables.ts'
import type { Database } from '../database/connect.ts'

/** A document as it is now, and how many edits it has come through. */
export interface Stored<D> {
  document: D
  revision: number
}

/** A batch of edits that was applied and is not stored yet. */
export interface DraftChange<D> {
  id: string
  person: Pick<Person, 'id'>
  before: D
  after: D
  /** The first edit of the batch: what is refused is refused by its name. */
  editId: string
}

export interface DraftKind<D extends object> {
  tables: DraftTables
  /** Whether any value is such a document. */
  check(value: unknown): Checked<D>
  /** Brings a state that was kept by an earlier version to the shape of now. */
  upgrade(value: unknown): unknown
  /** The document of an id, or null; as part of a transaction it stays as it is until that ends. */
  read(id: string, transaction?: Transaction): Promise<Stored<D> | null>
  /** The revision alone, for whoever asks what they missed; null where there is no such document. */
  revision(id: string): Promise<number | null>
  write(id: string, stored: Stored<D>, transaction: Transaction): Promise<void>
  /** Notes what hangs on the document by now. Throws `edit-refused` where this person may not make that change. */
  allow(database: Database, change: DraftChange<D>, transaction: Transaction): Promise<void>
}
