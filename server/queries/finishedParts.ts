// SQL about the parts that learners have finished.
import type { Ask } from '../database/connect.ts'

/** Notes parts as finished; the first time counts. */
export async function storeFinished(
  ask: Ask,
  attemptId: string,
  finished: ReadonlyMap<string, Date>,
): Promise<void> {
  await ask(
    `INSERT INTO finished_parts (attempt_id, part_id, finished_at)
     SELECT $1, unnest($2::text[]), unnest($3::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [attemptId, [...finished.keys()], [...finished.values()].map((at) => at.toISOString())],
  )
}

/** The parts that were finished, in the order in which they were. */
export async function readFinished(ask: Ask, attemptId: string): Promise<string[]> {
  const rows = await ask<{ part_id: string }>(
    'SELECT part_id FROM finished_parts WHERE attempt_id = $1 ORDER BY finished_at, part_id',
    [attemptId],
  )
  return rows.map((row) => row.part_id)
}
