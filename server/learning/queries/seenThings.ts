// SQL about what learners have seen of the parts of a lesson.
import type { SeenReported } from '@fernbrake/core/records'
import type { Ask } from '../../database/connect.ts'

/** Notes what was seen; the first time counts. */
export async function storeSeen(
  ask: Ask,
  attemptId: string,
  seen: readonly SeenReported[],
): Promise<void> {
  if (seen.length === 0) return
  await ask(
    `INSERT INTO seen_things (attempt_id, part_id, thing_id, seen_at)
     SELECT $1, unnest($2::text[]), unnest($3::text[]), unnest($4::timestamptz[])
     ON CONFLICT DO NOTHING`,
    [
      attemptId,
      seen.map(({ partId }) => partId),
      seen.map(({ thingId }) => thingId),
      seen.map(({ at }) => at.toISOString()),
    ],
  )
}

/** What each attempt has seen, by part. */
export async function readSeen(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<ReadonlyMap<string, Record<string, string[]>>> {
  const rows = await ask<{ attempt_id: string; part_id: string; things: string[] }>(
    `SELECT attempt_id, part_id, array_agg(thing_id ORDER BY seen_at, thing_id) AS things
       FROM seen_things WHERE attempt_id = ANY($1::text[]) GROUP BY attempt_id, part_id`,
    [attemptIds],
  )
  const seen = new Map<string, Record<string, string[]>>()
  for (const row of rows) {
    const own = seen.get(row.attempt_id) ?? {}
    own[row.part_id] = row.things
    seen.set(row.attempt_id, own)
  }
  return seen
}
