// SQL about what is to be done once a transaction is stored.
import type { Ask } from '../../database/connect.ts'

export interface OutboxRow {
  /** Grows with each that is written. */
  id: string
  kind: string
  key: string
  payload: object
  tries: number
}

/** Writes one down. Whoever writes for the same key waits for whoever did before, so that ids follow what is stored. */
export async function writeOutbox(
  ask: Ask,
  { kind, key, payload }: Pick<OutboxRow, 'kind' | 'key' | 'payload'>,
): Promise<void> {
  await ask('SELECT pg_advisory_xact_lock(hashtextextended($1, 27))', [`${kind} ${key}`])
  await ask('INSERT INTO outbox (kind, key, payload) VALUES ($1, $2, $3)', [
    kind,
    key,
    JSON.stringify(payload),
  ])
}

/**
 * The next one that is due and that nobody else is at, held until the transaction ends; null where there is none. Of one key
 * only the first is ever due.
 */
export async function holdNext(ask: Ask, kinds: readonly string[]): Promise<OutboxRow | null> {
  const [row] = await ask<OutboxRow>(
    `SELECT id, kind, key, payload, tries FROM outbox AS o
      WHERE kind = ANY($1::text[]) AND not_before <= now()
        AND NOT EXISTS (SELECT FROM outbox e WHERE e.kind = o.kind AND e.key = o.key AND e.id < o.id)
      ORDER BY id LIMIT 1 FOR UPDATE SKIP LOCKED`,
    [kinds],
  )
  return row ?? null
}

export const dropOutbox = (ask: Ask, id: string) => ask('DELETE FROM outbox WHERE id = $1', [id])

/** Puts one off that failed. */
export const putOff = (
  ask: Ask,
  id: string,
  { seconds, fault }: { seconds: number; fault: string },
) =>
  ask(
    `UPDATE outbox SET tries = tries + 1, fault = $3, not_before = now() + $2 * interval '1 second' WHERE id = $1`,
    [id, seconds, fault],
  )
