// SQL about what attempts have covered: one multirange an attempt and part, kept by range_agg.
import type { JudgedSpan, PartWatched } from '@fernbrake/core/records'
import type { ClockState, Span } from '@fernbrake/core/watching'
import { run, select, type Ask, type AskColumns, type Database } from '../../database/connect.ts'
import { MOST_ENDS } from '../../database/schema028.ts'

export interface Covered {
  /** By part: the disjoint, sorted stretches that were watched. */
  spans: Record<string, Span[]>
  /** Of these: what was watched more than once. */
  again: Record<string, Span[]>
  /** What was played at all, as far as it is believed. */
  played: Record<string, Span[]>
  /** What counts, as it was played on from one place to the next, however often; null where it was more often than is kept. */
  runs: Record<string, Span[] | null>
  /** Spans that do not count. */
  leftOut: number
  /** Of these, those that were reported faster than time, or outside of it. */
  tooFast: number
}

interface Row {
  attempt_id: string
  part_id: string
  left_out: number
  too_fast: number
  played: string
  covered: string
  again: string
  runs: string | null
}

export const nothingCovered = (): Covered => ({
  spans: {},
  again: {},
  played: {},
  runs: {},
  leftOut: 0,
  tooFast: 0,
})

/** What each of these attempts has covered; attempts without spans are missing from the map. */
export async function readCovered(
  ask: Ask,
  attemptIds: readonly string[],
): Promise<Map<string, Covered>> {
  const result = new Map<string, Covered>()
  if (attemptIds.length === 0) return result
  const rows = await ask<Row>(
    `SELECT attempt_id, part_id, left_out, too_fast, played::text, covered::text, again::text, runs::text
       FROM attempt_coverage WHERE attempt_id = ANY($1::text[])`,
    [attemptIds],
  )
  for (const row of rows) {
    const covered = result.get(row.attempt_id) ?? nothingCovered()
    covered.leftOut += row.left_out
    covered.tooFast += row.too_fast
    covered.played[row.part_id] = readStretches(row.played)
    covered.spans[row.part_id] = readStretches(row.covered)
    covered.again[row.part_id] = readStretches(row.again)
    covered.runs[row.part_id] = row.runs === null ? null : readStretches(row.runs)
    result.set(row.attempt_id, covered)
  }
  return result
}

/** What a batch of a learner's records says, answers aside. */
export interface BatchToStore {
  /** None of them stored before. */
  spans: JudgedSpan[]
  /** What comes of them, by part; see core/records. */
  parts: PartWatched[]
  place: { partId: string; atMs: number; at: Date } | null
  /** Cues that lie behind the learner. */
  released: string[]
  seenAt: Date
  /** The clock after these spans, and the revision that it follows on; null where none were judged. */
  clock: { after: ClockState; revision: number } | null
}

/** As PostgreSQL calls it. */
const UNIQUE_VIOLATION = '23505'

/** `stale`: another batch was stored since the clock was read, or one of these spans is stored already. */
export type Stored = 'stored' | 'storedWithClaims' | 'stale' | 'gone'

/**
 * Stores spans and adds them to the coverage, and what was covered already to what was watched again; what was released on
 * any device stays released; where the learner is, the newest word decides. One statement: it happens whole or not at all,
 * and the lock on the attempt, taken first, keeps two batches of one learner from waiting for each other in a circle.
 * Answers `storedWithClaims` where parts are said to be finished that nothing bears out yet.
 */
export async function storeBatch(
  ask: Ask,
  attemptId: string,
  { spans, parts, place, released, seenAt, clock }: BatchToStore,
): Promise<Stored> {
  const rows = await ask<{ exists: boolean; stored: boolean | null; claims: boolean | null }>(
    `WITH known AS (SELECT id, clock_rev FROM attempts WHERE id = $1 FOR UPDATE),
     owner AS (
       SELECT id FROM known
        WHERE $8::int IS NULL OR clock_rev = $8),
     fresh AS (
       INSERT INTO spans (attempt_id, id, part_id, from_ms, to_ms, rate, began_at, ended_at, muted, hidden, counts)
       SELECT owner.id, sent.id, sent.part_id, sent.from_ms, sent.to_ms, sent.rate,
              sent.began_at, sent.ended_at, sent.muted, sent.hidden, sent.counts
         FROM owner, unnest($2::spans[]) AS sent),
     coverage AS (
       INSERT INTO attempt_coverage AS c (attempt_id, part_id, covered, again, played, runs, left_out, too_fast)
       SELECT owner.id, part.id, covered, again, played, CASE WHEN cardinality(runs::int4[]) <= ${MOST_ENDS} THEN runs::int4[] END,
              left_out, too_fast FROM owner,
              unnest($10::text[], $11::int4multirange[], $12::int4multirange[], $13::int4multirange[], $14::text[], $15::int[], $16::int[])
                AS part (id, covered, again, played, runs, left_out, too_fast)
       ON CONFLICT (attempt_id, part_id)
       DO UPDATE SET covered = c.covered + excluded.covered,
                     again = c.again + excluded.again + c.covered * excluded.covered,
                     played = c.played + excluded.played,
                     -- What goes on from where the last one ended is one with it.
                     runs = CASE WHEN coalesce(cardinality(c.runs) + cardinality(excluded.runs), ${MOST_ENDS} + 1) > ${MOST_ENDS} THEN NULL
                                 WHEN c.runs[cardinality(c.runs)] = excluded.runs[1]
                                 THEN c.runs[:cardinality(c.runs) - 1] || excluded.runs[2:]
                                 ELSE c.runs || excluded.runs END,
                     left_out = c.left_out + excluded.left_out,
                     too_fast = c.too_fast + excluded.too_fast),
     moved AS (
       UPDATE attempts AS a
          SET last_seen_at = $3,
              released = ARRAY(SELECT DISTINCT unnest(a.released || $4::text[])),
              place_part = CASE WHEN a.place_at > $7 OR $7 IS NULL THEN a.place_part ELSE $5 END,
              place_ms = CASE WHEN a.place_at > $7 OR $7 IS NULL THEN a.place_ms ELSE $6 END,
              place_at = greatest(a.place_at, $7),
              clock = coalesce($9::jsonb, a.clock),
              clock_rev = a.clock_rev + ($9::jsonb IS NOT NULL)::int
         FROM owner WHERE a.id = owner.id
       RETURNING a.id)
     SELECT EXISTS (SELECT FROM known) AS exists, EXISTS (SELECT FROM moved) AS stored,
            EXISTS (SELECT FROM finished_parts f WHERE f.attempt_id = $1 AND NOT f.proven) AS claims`,
    [
      attemptId,
      rowsOf(spans),
      seenAt,
      released,
      place?.partId ?? null,
      place?.atMs ?? 0,
      place?.at ?? null,
      clock?.revision ?? null,
      clock ? JSON.stringify(clock.after) : null,
      parts.map(({ partId }) => partId),
      parts.map(({ covered }) => multirange(covered)),
      parts.map(({ again }) => multirange(again)),
      parts.map(({ played }) => multirange(played)),
      parts.map(({ runs }) => `{${runs.map(({ fromMs, toMs }) => `${fromMs},${toMs}`).join(',')}}`),
      parts.map(({ leftOut }) => leftOut),
      parts.map(({ tooFast }) => tooFast),
    ],
  ).catch((fault: { code?: string }) => {
    // One of them is stored already: nothing of the batch was. To look before each batch whether one is would cost every batch.
    if (fault.code === UNIQUE_VIOLATION) return null
    throw fault
  })
  if (rows === null) return 'stale'
  const [row] = rows
  if (!row!.exists) return 'gone'
  if (!row!.stored) return 'stale'
  return row!.claims ? 'storedWithClaims' : 'stored'
}

/** Every span of these attempts in a part that counts. */
export async function readSpans(
  ask: AskColumns,
  attemptIds: readonly string[],
  partId: string,
): Promise<Span[]> {
  if (attemptIds.length === 0) return []
  const rows = await ask<[fromMs: number, toMs: number]>(
    'SELECT from_ms, to_ms FROM spans WHERE attempt_id = ANY($1::text[]) AND part_id = $2 AND counts',
    [attemptIds, partId],
  )
  return rows.map(([fromMs, toMs]) => ({ fromMs, toMs }))
}

/** Stretches as PostgreSQL writes a multirange of whole numbers, `{[0,5000),[6000,9000)}`, or a list of both ends of each. */
export function readStretches(text: string): Span[] {
  const numbers = text.match(/\d+/g) ?? []
  const spans: Span[] = []
  for (let at = 0; at < numbers.length; at += 2)
    spans.push({ fromMs: Number(numbers[at]), toMs: Number(numbers[at + 1]) })
  return spans
}

const multirange = (spans: readonly Span[]) =>
  `{${spans.map(({ fromMs, toMs }) => `[${fromMs},${toMs})`).join(',')}}`

/** Which of these spans are stored already. */
export async function readKnownSpans(
  ask: Ask,
  attemptId: string,
  spans: readonly Pick<JudgedSpan, 'id' | 'beganAt'>[],
): Promise<Set<string>> {
  const rows = await ask<{ id: string }>(
    `SELECT s.id FROM unnest($2::text[], $3::timestamptz[]) AS sent(id, began_at)
       JOIN spans s ON s.attempt_id = $1 AND s.id = sent.id AND s.began_at = sent.began_at`,
    [attemptId, spans.map(({ id }) => id), spans.map(({ beganAt }) => beganAt)],
  )
  return new Set(rows.map(({ id }) => id))
}

/**
 * The spans as rows of their table without an attempt, in PostgreSQL's notation for an array of rows: of all ways to
 * hand over many rows the one read fastest. Nothing is quoted, because nothing needs it: ids have only letters,
 * digits, _ and -, clock times are ISO 8601.
 */
function rowsOf(spans: readonly JudgedSpan[]): string {
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
