// The history of a document: what was done, by whom and when; and the document as it was after any of it.
import type { Transaction } from 'sequelize'
import { GREATEST_REVISION, type HistoryReply } from '@fernbrake/core/contract'
import { applyPatches } from '@fernbrake/core/drafts'
import { within, type Database } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import type { DraftKind, Stored } from './kind.ts'
import {
  hasSnapshotAfter,
  oldestSnapshot,
  patchesBetween,
  readEntries,
  snapshotUpTo,
  storeSnapshot,
} from './queries/log.ts'

/** As many entries are told at once. */
const PAGE = 200
/** Between two snapshots at most this many revisions have to be gone through. */
const SNAPSHOT_EVERY = 200

/** The newest entries before a revision, newest first, and the oldest state that can be gone back to. */
export async function readHistory<D extends object>(
  { tables }: DraftKind<D>,
  database: Database,
  id: string,
  before = GREATEST_REVISION,
): Promise<HistoryReply> {
  const ask = within(database)
  const [entries, oldest] = await Promise.all([
    readEntries(ask, tables, id, before, PAGE + 1),
    oldestSnapshot(ask, tables, id),
  ])
  return {
    entries: entries
      .slice(0, PAGE)
      .map(({ revision, name, person_name, made_at }) => ({
        revision,
        name,
        personName: person_name,
        madeAt: made_at.toISOString(),
      })),
    more: entries.length > PAGE,
    oldest,
  }
}

/** The document as it was at a revision. Throws `not-found` where it cannot be built any more, or never was. */
export async function readStateAt<D extends object>(
  kind: DraftKind<D>,
  database: Database,
  id: string,
  revision: number,
): Promise<D> {
  const now = await kind.read(id)
  if (now?.revision === revision) return now.document
  const ask = within(database)
  const snapshot = await snapshotUpTo(ask, kind.tables, id, revision)
  if (!snapshot || !now || revision > now.revision) throw new HttpError('not-found')
  let document = kind.upgrade(snapshot.document) as D
  for (const { patches } of await patchesBetween(
    ask,
    kind.tables,
    id,
    snapshot.revision,
    revision,
  )) {
    const applied = applyPatches(document, patches)
    if (!applied.ok) throw new HttpError('not-found')
    document = applied.value
  }
  const checked = kind.check(document)
  if (!checked.ok) throw new HttpError('not-found')
  return checked.value
}

/** Keeps the document as it is at this revision, where the last one kept lies far enough back. */
export async function recordSnapshot<D extends object>(
  { tables }: Pick<DraftKind<D>, 'tables'>,
  database: Database,
  id: string,
  { revision, document }: Stored<D>,
  transaction: Transaction,
): Promise<void> {
  const ask = within(database, transaction)
  // Asked first, so that a long document is not sent along with every edit.
  if (await hasSnapshotAfter(ask, tables, id, revision - SNAPSHOT_EVERY)) return
  await storeSnapshot(ask, tables, id, revision, document)
}
