// SQL about the parts that learners have finished: what their devices say, and what is borne out.
import type { Ask } from '../../database/connect.ts'

/** Notes parts as said to be finished; the first time counts. */
export async function storeFinished(
  ask: Ask,
  attemptId: string,
  finished: ReadonlyMap<string, Date>,
): Promise<void> {
  if (finished.size === 0) return
  await ask(
    `INSERT INTO finished_parts (attempt_id, part_id, finished_at)
     SELECT $1, unnest($2::text[]), unnest($3::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [attemptId, [...finished.keys()], [...finished.values()].map((at) => at.toISOString())],
  )
}

export interface FinishClaim {
  partId: string
  at: Date
  proven: boolean
}

/** The parts that are said to be finished, in the order in which they were. */
export const readClaims = (ask: Ask, attemptId: string) =>
  ask<FinishClaim>(
    `SELECT part_id AS "partId", finished_at AS at, proven FROM finished_parts
      WHERE attempt_id = $1 ORDER BY finished_at, part_id`,
    [attemptId],
  )

/** The parts that are finished, in the order in which they were. */
export async function readFinished(ask: Ask, attemptId: string): Promise<string[]> {
  const claims = await readClaims(ask, attemptId)
  return claims.filter(({ proven }) => proven).map(({ partId }) => partId)
}

/** The same for many attempts at once; attempts without any are missing. */
export async function finishedByAttempt(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, string[]>> {
  const rows = await ask<{ id: string; partIds: string[] }>(
    `SELECT attempt_id AS id, array_agg(part_id) AS "partIds" FROM finished_parts
      WHERE attempt_id = ANY($1::text[]) AND proven GROUP BY attempt_id`,
    [[...attemptIds]],
  )
  return new Map(rows.map(({ id, partIds }) => [id, partIds]))
}

export async function proveParts(
  ask: Ask,
  attemptId: string,
  partIds: readonly string[],
): Promise<void> {
  if (partIds.length === 0) return
  await ask(
    'UPDATE finished_parts SET proven = true WHERE attempt_id = $1 AND part_id = ANY($2::text[])',
    [attemptId, [...partIds]],
  )
}

/** What lies behind a learner, answered or not. */
export async function readReleased(ask: Ask, attemptId: string): Promise<string[]> {
  const [row] = await ask<{ released: string[] }>('SELECT released FROM attempts WHERE id = $1', [
    attemptId,
  ])
  return row?.released ?? []
}

/** Notes when a lesson was finished, the first time it was; null where it is not. */
export async function storeFinishedAt(ask: Ask, attemptId: string, at: Date | null): Promise<void> {
  await ask(
    `UPDATE attempts SET finished_at = CASE WHEN $2::timestamptz IS NULL THEN NULL ELSE coalesce(finished_at, $2) END
      WHERE id = $1 AND (finished_at IS NULL) <> ($2::timestamptz IS NULL)`,
    [attemptId, at?.toISOString() ?? null],
  )
}
