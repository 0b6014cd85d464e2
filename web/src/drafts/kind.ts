// A document that several edit, as the interface holds it: what it may be (core/drafts), and how its server is asked. A lesson is
// one: bench/lessonDraft.ts.
import type { EditsReply } from '@fernbrake/core/contract'
import type { Check, LoggedEdit, PendingEdit } from '@fernbrake/core/drafts'

export interface DraftKind<D extends object> {
  check: Check<D>
  /** The document as the server has it; throws ApiError, as all that asks. */
  open(id: string): Promise<{ document: D; revision: number }>
  /** The log after a revision, as far as it is told at once. */
  editsSince(id: string, revision: number): Promise<EditsReply>
  send(id: string, batch: { revision: number; edits: PendingEdit[] }): Promise<EditsReply>
  /** Follows what the server tells by itself, until what it answers with is called. */
  follow(id: string, ears: Ears): () => void
}

export interface Ears {
  /** Edits were taken in, here or from others. */
  onEdited(entries: readonly LoggedEdit[]): void
  /** The connection is there, at first or again. */
  onConnected(): void
  /** The server has understood that this document is followed. */
  onWatched(): void
}
