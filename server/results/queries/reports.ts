// SQL that counts for the results: how often stretches were played, which ways were taken, how far parts got.
import type { Ask } from '../../database/connect.ts'
import { markableBy } from './marks.ts'

/** A film, and the bins in which its playing is counted. */
export interface Binned {
  partId: string
  durationMs: number
  binMs: number
}

/**
 * How often the middle of each bin was played, by part; the same as `counts` in core/watching says of these attempts'
 * spans that count. By difference array, in one pass.
 */
export async function countPlays(
  ask: Ask,
  attemptIds: readonly string[],
  films: readonly Binned[],
): Promise<Map<string, number[]>> {
  const binsOf = ({ durationMs, binMs }: Binned) => Math.ceil(durationMs / binMs)
  // Many spans begin and end in the same bins, so pairs of bins are counted, and spread out here.
  const bin = (ms: string) =>
    `CASE WHEN ceil(${ms} / f.bin_ms - 0.5) < f.bins - 1 THEN greatest(0, ceil(${ms} / f.bin_ms - 0.5))::int
          WHEN ${ms} <= f.last_middle THEN f.bins - 1 ELSE f.bins END`
  const rows = await ask<{ part_id: string; begins: number; ends: number; count: number }>(
    `WITH films AS (
       SELECT * FROM unnest($2::text[], $3::float8[], $4::int[], $5::float8[])
              AS f (part_id, bin_ms, bins, last_middle))
     SELECT s.part_id, ${bin('s.from_ms')} AS begins, ${bin('s.to_ms')} AS ends, count(*)::int AS count
       FROM spans s JOIN unnest($1::text[]) AS a (id) ON a.id = s.attempt_id JOIN films f USING (part_id)
      WHERE s.counts GROUP BY 1, 2, 3`,
    [
      [...attemptIds],
      films.map(({ partId }) => partId),
      films.map(({ binMs }) => binMs),
      films.map(binsOf),
      films.map((film) => ((binsOf(film) - 1) * film.binMs + film.durationMs) / 2),
    ],
  )
  const steps = new Map(films.map((film) => [film.partId, Array<number>(binsOf(film) + 1).fill(0)]))
  for (const { part_id: partId, begins, ends, count } of rows) {
    const bins = steps.get(partId)!
    bins[begins]! += count
    bins[ends]! -= count
  }
  return new Map([...steps].map(([partId, bins]) => [partId, runningSums(bins).slice(0, -1)]))
}

function runningSums(steps: readonly number[]): number[] {
  let sum = 0
  return steps.map((step) => (sum += step))
}

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
