// SQL about what attempts have covered: one multirange an attempt and part, kept by range_agg.
import type { Transaction } from 'sequelize'
import type { Span } from '@fernbrake/core/watching'
import { run, select, type Database } from '../database/connect.ts'

export interface Covered {
  /** By part: the disjoint, sorted stretches that were watched. */
  spans: Record<string, Span[]>
  /** Spans that could not be true. */
  leftOut: number
}

interface Row {
  attempt_id: string
  part_id: string
  left_out: number
  starts: number[] | null
  ends: number[] | null
}

/** What each of these attempts has covered; attempts without spans are missing from the map. */
export async function readCovered(
  database: Database,
  attemptIds: readonly string[],
): Promise<Map<string, Covered>> {
  const result = new Map<string, Covered>()
  if (attemptIds.length === 0) return result
  const rows = await select<Row>(
    database,
    `SELECT c.attempt_id, c.part_id, c.left_out,
            array_agg(lower(r) ORDER BY lower(r)) FILTER (WHERE r IS NOT NULL) AS starts,
            array_agg(upper(r) ORDER BY lower(r)) FILTER (WHERE r IS NOT NULL) AS ends
       FROM attempt_coverage c LEFT JOIN LATERAL unnest(c.covered) AS r ON true
      WHERE c.attempt_id = ANY($1::text[])
      GROUP BY c.attempt_id, c.part_id, c.left_out`,
    [attemptIds],
  )
  for (const row of rows) {
    const covered = result.get(row.attempt_id) ?? { spans: {}, leftOut: 0 }
    covered.leftOut += row.left_out
    covered.spans[row.part_id] = (row.starts ?? []).map((fromMs, index) => ({
      fromMs,
      toMs: row.ends![index]!,
    }))
    result.set(row.attempt_id, covered)
  }
  return result
}

export interface SpanRow {
  id: string
  partId: string
  fromMs: number
  toMs: number
  rate: number
  beganAt: string
  endedAt: string
  muted: boolean
  hidden: boolean
  counts: boolean
}

/** Stores spans that are not stored yet, and adds them to the coverage, in two statements. */
export async function storeSpans(
  database: Database,
  attemptId: string,
  spans: readonly SpanRow[],
  transaction: Transaction,
): Promise<void> {
  if (spans.length === 0) return
  const column = <K extends keyof SpanRow>(key: K) => spans.map((span) => span[key])
  await run(
    database,
    `WITH fresh AS (
       INSERT INTO spans (attempt_id, id, part_id, from_ms, to_ms, rate, began_at, ended_at, muted, hidden, counts)
       SELECT $1, * FROM unnest($2::text[], $3::text[], $4::int[], $5::int[], $6::real[],
                                $7::timestamptz[], $8::timestamptz[], $9::boolean[], $10::boolean[], $11::boolean[])
       ON CONFLICT DO NOTHING
       RETURNING part_id, from_ms, to_ms, counts)
     INSERT INTO attempt_coverage AS c (attempt_id, part_id, covered, left_out)
     SELECT $1, part_id,
            coalesce(range_agg(int4range(from_ms, to_ms)) FILTER (WHERE counts), '{}'),
            count(*) FILTER (WHERE NOT counts)
       FROM fresh GROUP BY part_id
     ON CONFLICT (attempt_id, part_id)
     DO UPDATE SET covered = c.covered + excluded.covered, left_out = c.left_out + excluded.left_out`,
    [
      attemptId,
      column('id'),
      column('partId'),
      column('fromMs'),
      column('toMs'),
      column('rate'),
      column('beganAt'),
      column('endedAt'),
      column('muted'),
      column('hidden'),
      column('counts'),
    ],
    transaction,
  )
}

/**
 * Makes the partitions of this month and the next two. Called at start and once a day. Where spans of such a month
 * already lie in the default partition the month stays there, which is slower but loses nothing.
 */
export async function makeSpanPartitions(database: Database, today: Date): Promise<void> {
  for (let ahead = 0; ahead < 3; ahead += 1) {
    const from = new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth() + ahead, 1))
    const to = new Date(Date.UTC(today.getUTCFullYear(), today.getUTCMonth() + ahead + 1, 1))
    const name = `spans_${from.toISOString().slice(0, 7).replace('-', '_')}`
    const [{ held }] = (await select<{ held: boolean }>(
      database,
      'SELECT EXISTS (SELECT 1 FROM spans_other WHERE began_at >= $1 AND began_at < $2) AS held',
      [from.toISOString(), to.toISOString()],
    )) as [{ held: boolean }]
    if (held) continue
    await run(
      database,
      `CREATE TABLE IF NOT EXISTS ${name} PARTITION OF spans
         FOR VALUES FROM ('${from.toISOString()}') TO ('${to.toISOString()}')`,
    )
  }
}
