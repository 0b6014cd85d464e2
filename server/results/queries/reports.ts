// SQL that counts for the results: which ways were taken, how far parts got.
import type { Ask } from '../../database/connect.ts'
import { markableBy } from './marks.ts'

/** How many learners took each way at least once, by what parts and which way. */
export async function countWays(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, number>> {
  const rows = await ask<{ cue_id: string; choice_id: string; learners: number }>(
    `SELECT cue_id, choice_id, count(DISTINCT attempt_id)::int AS learners FROM choices
      WHERE attempt_id = ANY($1::text[]) GROUP BY cue_id, choice_id`,
    [[...attemptIds]],
  )
  return new Map(rows.map((row) => [`${row.cue_id} ${row.choice_id}`, row.learners]))
}

/** How many learners have opened and finished each part. */
export async function countParts(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, { opened: number; finished: number }>> {
  const rows = await ask<{ part_id: string; opened: number; finished: number }>(
    `SELECT part_id, sum(opened)::int AS opened, sum(finished)::int AS finished FROM (
       SELECT part_id, 1 AS opened, 0 AS finished FROM seen_things
        WHERE attempt_id = ANY($1::text[]) AND thing_id = part_id
       UNION ALL
       SELECT part_id, 0, 1 FROM finished_parts WHERE proven AND attempt_id = ANY($1::text[])) AS each
      GROUP BY part_id`,
    [[...attemptIds]],
  )
  return new Map(rows.map(({ part_id, opened, finished }) => [part_id, { opened, finished }]))
}

/** Where else a lesson was learned: its classes and editions, as far as this person may see them; newest first. */
export const readGroupsOf = (ask: Ask, lessonId: string, personId: string) =>
  ask<{ assignmentId: string | null; classTitle: string | null; edition: number; lastAt: Date }>(
    `SELECT s.id AS "assignmentId", c.title AS "classTitle", a.edition, max(a.last_seen_at) AS "lastAt"
       FROM ${markableBy('$2')} AS a LEFT JOIN assignments s ON s.id = a.assignment_id LEFT JOIN classes c ON c.id = s.class_id
      WHERE a.lesson_id = $1
      GROUP BY s.id, c.title, a.edition ORDER BY max(a.last_seen_at) DESC LIMIT 12`,
    [lessonId, personId],
  )
