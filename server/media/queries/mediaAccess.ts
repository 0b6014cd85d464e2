// SQL about which media a person may see and which lessons use them.
import { LessonRow } from '../../database/models.ts'
import { run, select, type Database } from '../../database/connect.ts'
import type { Transaction } from 'sequelize'

/** Whether a person learns a lesson that uses this medium. */
export const mayLearnFrom = (personId: string, mediaId: string): Promise<boolean> =>
  isUsedWhere('attempts', personId, mediaId)

/** Whether a person works on a lesson that uses this medium, in whatever role. */
export const mayWorkWith = (personId: string, mediaId: string): Promise<boolean> =>
  isUsedWhere('lesson_roles', personId, mediaId)

async function isUsedWhere(
  table: 'attempts' | 'lesson_roles',
  personId: string,
  mediaId: string,
): Promise<boolean> {
  const rows = await select(
    LessonRow.sequelize!,
    `SELECT 1 AS found FROM media_uses u
      WHERE u.media_id = $2
        AND EXISTS (SELECT 1 FROM ${table} a WHERE a.lesson_id = u.lesson_id AND a.person_id = $1)
      LIMIT 1`,
    [personId, mediaId],
  )
  return rows.length > 0
}

/**
 * Notes that a lesson uses media, and tells which of them may not be used in it: those that are neither the
 * person's own nor in the lesson already. Otherwise naming somebody's medium would be a way to see it.
 */
export async function recordMediaUses(
  database: Database,
  use: { lessonId: string; personId: string; mediaIds: readonly string[] },
  transaction: Transaction,
): Promise<string[]> {
  if (use.mediaIds.length === 0) return []
  await run(
    database,
    `INSERT INTO media_uses (lesson_id, media_id)
     SELECT $1, id FROM media WHERE id = ANY($2::text[]) AND owner_id = $3 ON CONFLICT DO NOTHING`,
    [use.lessonId, use.mediaIds, use.personId],
    transaction,
  )
  const allowed = await select<{ media_id: string }>(
    database,
    'SELECT media_id FROM media_uses WHERE lesson_id = $1 AND media_id = ANY($2::text[])',
    [use.lessonId, use.mediaIds],
    transaction,
  )
  const known = new Set(allowed.map((row) => row.media_id))
  return use.mediaIds.filter((id) => !known.has(id))
}

/** Lets a copy of a lesson show what the lesson may show, as far as it is in the copy. */
export async function shareMediaUses(
  database: Database,
  { from, to, mediaIds }: { from: string; to: string; mediaIds: readonly string[] },
  transaction: Transaction,
): Promise<void> {
  await run(
    database,
    `INSERT INTO media_uses (lesson_id, media_id)
     SELECT $2, media_id FROM media_uses WHERE lesson_id = $1 AND media_id = ANY($3::text[])
     ON CONFLICT DO NOTHING`,
    [from, to, mediaIds],
    transaction,
  )
}
