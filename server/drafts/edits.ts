// Taking edits of a document in, and telling its log. The log and the document move in one transaction.
import type { Transaction } from 'sequelize'
import { MOST_LOGGED, type EditsReply, type Person } from '@fernbrake/core/contract'
import { applyPatches, type LoggedEdit, type PendingEdit } from '@fernbrake/core/drafts'
import type { Issue } from '@fernbrake/core/fields'
import { within, type Database } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import { recordSnapshot } from './history.ts'
import type { DraftKind, Stored } from './kind.ts'
import { entriesAfter, knownEdits, storeEntries } from './queries/log.ts'

/** The log of a document after a revision, in order, as far as it is told at once. */
export async function readEdits<D extends object>(
  kind: DraftKind<D>,
  database: Database,
  id: string,
  since: number,
): Promise<EditsReply> {
  const revision = await kind.revision(id)
  if (revision === null) throw new HttpError('not-found')
  const entries = await entriesAfter(within(database), kind.tables, id, since, MOST_LOGGED)
  return { revision, entries, known: [] }
}

/** A batch as a person sent it: what they knew, and what they did since. */
export interface Batch {
  person: Pick<Person, 'id'>
  revision: number
  edits: readonly PendingEdit[]
}

/**
 * Takes edits in, all or none, on top of whatever the document is by now. An edit that is in the log already is passed
 * over, so a repeat is harmless. Answers with the log after the sender's revision, as far as it is told at once; `tell`
 * hears of what is new, once it is stored.
 */
export async function acceptEdits<D extends object>(
  kind: DraftKind<D>,
  database: Database,
  id: string,
  batch: Batch,
  tell: (entries: LoggedEdit[]) => void,
): Promise<EditsReply> {
  const accepted = await database.transaction(async (transaction) => {
    const stored = await kind.read(id, transaction)
    if (!stored) throw new HttpError('not-found')
    const ask = within(database, transaction)
    const known = await knownEdits(ask, kind.tables, id, batch.edits)
    const seen = new Set(known)
    // An id twice in one batch is one edit too.
    const edits = batch.edits.filter((edit) => !seen.has(edit.id) && seen.add(edit.id))
    const entries = await storeEdits(kind, database, id, stored, { ...batch, edits }, transaction)
    return { entries, known, revision: stored.revision + entries.length }
  })
  if (accepted.entries.length > 0) tell(accepted.entries)
  const { known, revision } = accepted
  // Read once nobody waits for it: whoever was away for long has much to catch up with.
  const { tables } = kind
  const entries = await entriesAfter(within(database), tables, id, batch.revision, MOST_LOGGED)
  return { revision, entries, known }
}

async function storeEdits<D extends object>(
  kind: DraftKind<D>,
  database: Database,
  id: string,
  stored: Stored<D>,
  { person, edits }: Batch,
  transaction: Transaction,
): Promise<LoggedEdit[]> {
  if (edits.length === 0) return []
  await recordSnapshot(kind, database, id, stored, transaction)
  const { document: before, revision } = stored
  let after = before
  for (const edit of edits) after = applyOrRefuse(kind, after, edit)
  await kind.allow(database, { id, person, before, after, editId: edits[0]!.id }, transaction)
  const entries = edits.map((edit, index) => ({ ...edit, revision: revision + index + 1 }))
  await storeEntries(within(database, transaction), kind.tables, id, person.id, entries)
  await kind.write(id, { document: after, revision: revision + edits.length }, transaction)
  return entries
}

function applyOrRefuse<D extends object>(kind: DraftKind<D>, document: D, edit: PendingEdit): D {
  const applied = applyPatches(document, edit.patches)
  if (!applied.ok) throw refused(edit.id, applied.issues)
  const checked = kind.check(applied.value)
  if (!checked.ok) throw refused(edit.id, checked.issues)
  return checked.value
}

/** What is thrown of an edit that is not taken in. */
export const refused = (editId: string, issues: Issue[]) =>
  new HttpError('edit-refused', { editId, issues })
