// SQL about what was done to documents of any type, and the states that are kept of them.
import type { LoggedEdit, Patch, PendingEdit } from '@fernbrake/core/drafts'
import type { Ask } from '../../database/connect.ts'
import type { DraftTables } from '../../database/draftTables.ts'

export interface HistoryRow {
  revision: number
  name: string
  person_name: string | null
  made_at: Date
}

/** The newest entries before a revision, newest first. */
export const readEntries = (
  ask: Ask,
  { patches, key }: DraftTables,
  id: string,
  before: number,
  most: number,
) =>
  ask<HistoryRow>(
    `SELECT d.revision, d.name, p.name AS person_name, d.made_at
       FROM ${patches} d LEFT JOIN people p ON p.id = d.person_id
      WHERE d.${key} = $1 AND d.revision < $2 ORDER BY d.revision DESC LIMIT $3`,
    [id, before, most],
  )

/** The edits after a revision, in order. */
export const entriesAfter = (
  ask: Ask,
  { patches, key }: DraftTables,
  id: string,
  since: number,
  most: number,
) =>
  ask<LoggedEdit>(
    `SELECT revision, edit_id AS id, name, patches FROM ${patches}
      WHERE ${key} = $1 AND revision > $2 ORDER BY revision LIMIT $3`,
    [id, since, most],
  )

/** The patches that lead from one revision to a later one, in order. */
export const patchesBetween = (
  ask: Ask,
  { patches, key }: DraftTables,
  id: string,
  after: number,
  upTo: number,
) =>
  ask<{ patches: Patch[] }>(
    `SELECT patches FROM ${patches}
      WHERE ${key} = $1 AND revision > $2 AND revision <= $3 ORDER BY revision`,
    [id, after, upTo],
  )

/** Which of these edits are in the log already. */
export async function knownEdits(
  ask: Ask,
  { patches, key }: DraftTables,
  id: string,
  edits: readonly PendingEdit[],
): Promise<string[]> {
  const rows = await ask<{ edit_id: string }>(
    `SELECT edit_id FROM ${patches} WHERE ${key} = $1 AND edit_id = ANY($2)`,
    [id, edits.map((edit) => edit.id)],
  )
  return rows.map(({ edit_id }) => edit_id)
}

/** Writes edits into the log, by the person who made them. */
export const storeEntries = (
  ask: Ask,
  { patches, key }: DraftTables,
  id: string,
  personId: string,
  entries: readonly LoggedEdit[],
) =>
  ask(
    `INSERT INTO ${patches} (${key}, revision, edit_id, name, patches, person_id)
     SELECT $1, e.revision, e.id, e.name, e.patches, $2
       FROM jsonb_to_recordset($3) AS e(revision int, id text, name text, patches jsonb)`,
    [id, personId, JSON.stringify(entries)],
  )

/** The oldest revision whose state is kept; null for none. */
export async function oldestSnapshot(
  ask: Ask,
  { snapshots, key }: DraftTables,
  id: string,
): Promise<number | null> {
  const [row] = await ask<{ revision: number | null }>(
    `SELECT min(revision) AS revision FROM ${snapshots} WHERE ${key} = $1`,
    [id],
  )
  return row?.revision ?? null
}

/** The newest state that is kept up to a revision; null for none. */
export async function snapshotUpTo(
  ask: Ask,
  { snapshots, key }: DraftTables,
  id: string,
  revision: number,
): Promise<{ revision: number; document: unknown } | null> {
  const [row] = await ask<{ revision: number; document: unknown }>(
    `SELECT revision, document FROM ${snapshots}
      WHERE ${key} = $1 AND revision <= $2 ORDER BY revision DESC LIMIT 1`,
    [id, revision],
  )
  return row ?? null
}

/** Whether a state after this revision is kept. */
export async function hasSnapshotAfter(
  ask: Ask,
  { snapshots, key }: DraftTables,
  id: string,
  revision: number,
): Promise<boolean> {
  const [row] = await ask<{ kept: boolean }>(
    `SELECT EXISTS (SELECT 1 FROM ${snapshots} WHERE ${key} = $1 AND revision > $2) AS kept`,
    [id, revision],
  )
  return row!.kept
}

export const storeSnapshot = (
  ask: Ask,
  { snapshots, key }: DraftTables,
  id: string,
  revision: number,
  document: object,
) =>
  ask(`INSERT INTO ${snapshots} (${key}, revision, document) VALUES ($1, $2, $3)`, [
    id,
    revision,
    JSON.stringify(document),
  ])
