// SQL about what was done to a draft, and the states that are kept of it.
import type { Ask } from '../../database/connect.ts'

export interface HistoryRow {
  revision: number
  name: string
  person_name: string | null
  made_at: Date
}

/** The newest entries before a revision, newest first. */
export const readEntries = (ask: Ask, lessonId: string, before: number, most: number) =>
  ask<HistoryRow>(
    `SELECT d.revision, d.name, p.name AS person_name, d.made_at
       FROM draft_patches d LEFT JOIN people p ON p.id = d.person_id
      WHERE d.lesson_id = $1 AND d.revision < $2 ORDER BY d.revision DESC LIMIT $3`,
    [lessonId, before, most],
  )

/** The oldest revision whose state is kept; null for none. */
export async function oldestSnapshot(ask: Ask, lessonId: string): Promise<number | null> {
  const [row] = await ask<{ revision: number | null }>(
    'SELECT min(revision) AS revision FROM draft_snapshots WHERE lesson_id = $1',
    [lessonId],
  )
  return row?.revision ?? null
}

/** The newest state that is kept up to a revision; null for none. */
export async function snapshotUpTo(
  ask: Ask,
  lessonId: string,
  revision: number,
): Promise<{ revision: number; document: unknown } | null> {
  const [row] = await ask<{ revision: number; document: unknown }>(
    `SELECT revision, document FROM draft_snapshots
      WHERE lesson_id = $1 AND revision <= $2 ORDER BY revision DESC LIMIT 1`,
    [lessonId, revision],
  )
  return row ?? null
}

/** Whether a state after this revision is kept. */
export async function hasSnapshotAfter(
  ask: Ask,
  lessonId: string,
  revision: number,
): Promise<boolean> {
  const [row] = await ask<{ kept: boolean }>(
    'SELECT EXISTS (SELECT 1 FROM draft_snapshots WHERE lesson_id = $1 AND revision > $2) AS kept',
    [lessonId, revision],
  )
  return row!.kept
}

export const storeSnapshot = (ask: Ask, lessonId: string, revision: number, document: object) =>
  ask('INSERT INTO draft_snapshots (lesson_id, revision, document) VALUES ($1, $2, $3)', [
    lessonId,
    revision,
    JSON.stringify(document),
  ])
