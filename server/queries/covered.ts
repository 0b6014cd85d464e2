// SQL about what attempts have covered: one multirange an attempt and part, kept by range_agg.
import type { Span } from '@fernbrake/core/watching'
import { run, select, type Ask, type Database } from '../database/connect.ts'

export interface Covered {
  /** By part: the disjoint, sorted stretches that were watched. */
  spans: Record<string, Span[]>
  /** Of these: what was watched more than once. */
  again: Record<string, Span[]>
  /** Spans that could not be true. */
  leftOut: number
}

interface Row {
  attempt_id: string
  part_id: string
  left_out: number
  starts: number[]
  ends: number[]
  again_starts: number[]
  again_ends: number[]
}

const boundsOf = (column: string, bound: 'lower' | 'upper') =>
  `ARRAY(SELECT ${bound}(r) FROM unnest(c.${column}) AS r ORDER BY lower(r))`

const spansOf = (starts: readonly number[], ends: readonly number[]): Span[] =>
  starts.map((fromMs, index) => ({ fromMs, toMs: ends[index]! }))

/** What each of these attempts has covered; attempts without spans are missing from the map. */
export async function readCovered(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, Covered>> {
  const result = new Map<string, Covered>()
  if (attemptIds.length === 0) return result
  const rows = await ask<Row>(
    `SELECT c.attempt_id, c.part_id, c.left_out,
            ${boundsOf('covered', 'lower')} AS starts, ${boundsOf('covered', 'upper')} AS ends,
            ${boundsOf('again', 'lower')} AS again_starts, ${boundsOf('again', 'upper')} AS again_ends
       FROM attempt_coverage c WHERE c.attempt_id = ANY($1::text[])`,
    [attemptIds],
  )
  for (const row of rows) {
    const covered = result.get(row.attempt_id) ?? { spans: {}, again: {}, leftOut: 0 }
    covered.leftOut += row.left_out
    covered.spans[row.part_id] = spansOf(row.starts, row.ends)
    covered.again[row.part_id] = spansOf(row.again_starts, row.again_ends)
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

/** What a batch of a learner's records says, answers aside. */
export interface Taken {
  spans: SpanRow[]
  place: { partId: string; atMs: number; at: Date } | null
  /** Cues that lie behind the learner. */
  released: string[]
  finishedAt: Date | null
  seenAt: Date
}

/**
 * Stores spans that are not stored yet and adds them to the coverage, and what was covered already to what was watched again; what was released on any device stays released;
 * where the learner is, the newest word decides. One statement: it happens whole or not at all, and the lock on the
 * attempt, taken first, keeps two batches of one learner from waiting for each other in a circle. Answers false, and
 * stores nothing, where the attempt is gone.
 */
export async function storeTaken(
  ask: Ask,
  attemptId: string,
  { spans, place, released, finishedAt, seenAt }: Taken,
): Promise<boolean> {
  const found = await ask<{ id: string }>(
    `WITH owner AS (SELECT id FROM attempts WHERE id = $1 FOR UPDATE),
     fresh AS (
       INSERT INTO spans (attempt_id, id, part_id, from_ms, to_ms, rate, began_at, ended_at, muted, hidden, counts)
       SELECT owner.id, sent.id, sent.part_id, sent.from_ms, sent.to_ms, sent.rate,
              sent.began_at, sent.ended_at, sent.muted, sent.hidden, sent.counts
         FROM owner, unnest($2::spans[]) AS sent
       ON CONFLICT DO NOTHING
       RETURNING part_id, from_ms, to_ms, counts),
     numbered AS (
       SELECT part_id, int4range(from_ms, to_ms) AS span, counts, row_number() OVER () AS place FROM fresh),
     twice AS (
       SELECT a.part_id, range_agg(a.span * b.span) AS again
         FROM numbered a JOIN numbered b
           ON b.part_id = a.part_id AND b.place > a.place AND a.span && b.span AND a.counts AND b.counts
        GROUP BY a.part_id),
     coverage AS (
       INSERT INTO attempt_coverage AS c (attempt_id, part_id, covered, again, left_out)
       SELECT $1, part_id,
              coalesce(range_agg(span) FILTER (WHERE counts), '{}'),
              coalesce((SELECT again FROM twice WHERE twice.part_id = numbered.part_id), '{}'),
              count(*) FILTER (WHERE NOT counts)
         FROM numbered GROUP BY part_id
       ON CONFLICT (attempt_id, part_id)
       DO UPDATE SET covered = c.covered + excluded.covered,
                     again = c.again + excluded.again + c.covered * excluded.covered,
                     left_out = c.left_out + excluded.left_out)
     UPDATE attempts AS a
        SET last_seen_at = $3, finished_at = coalesce(a.finished_at, $4),
            released = ARRAY(SELECT DISTINCT unnest(a.released || $5::text[])),
            place_part = CASE WHEN a.place_at > $8 OR $8 IS NULL THEN a.place_part ELSE $6 END,
            place_ms = CASE WHEN a.place_at > $8 OR $8 IS NULL THEN a.place_ms ELSE $7 END,
            place_at = greatest(a.place_at, $8)
       FROM owner WHERE a.id = owner.id
  RETURNING a.id`,
    [
      attemptId,
      rowsOf(spans),
      seenAt,
      finishedAt,
      released,
      place?.partId ?? null,
      place?.atMs ?? 0,
      place?.at ?? null,
    ],
  )
  return found.length > 0
}

/**
 * The spans as rows of their table without an attempt, in PostgreSQL's notation for an array of rows: of all ways to
 * hand over many rows the one read fastest. Nothing is quoted, because nothing needs it: ids have only letters,
 * digits, _ and -, clock times are ISO 8601.
 */
function rowsOf(spans: readonly SpanRow[]): string {
  const rows = spans.map(
    (s) =>
      `"(,${s.id},${s.partId},${s.fromMs},${s.toMs},${s.rate},${s.beganAt},${s.endedAt},${s.muted},${s.hidden},${s.counts})"`,
  )
  return `{${rows.join(',')}}`
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
