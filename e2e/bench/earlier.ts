// Attempts that were begun some time ago: what is sent for them can have been played since, and so is believed.
import pg from 'pg'
import type { RealServer } from '../support/server.ts'

async function query<Row extends object>(
  { databaseUrl }: RealServer['settings'],
  text: string,
  values: unknown[],
): Promise<Row[]> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows } = await client.query<Row>(text, values)
  await client.end()
  return rows
}

/** To be called before anything is sent for these attempts: when they began is remembered by the server. */
export async function beginEarlier(
  settings: RealServer['settings'],
  attemptIds: readonly string[],
  hours: number,
): Promise<void> {
  await query(
    ...([
      settings,
      `UPDATE attempts SET opened_at = now() - make_interval(hours => $2) WHERE id = ANY($1)`,
    ] as const),
    [attemptIds, hours],
  )
}

/** Throws where something of what these attempts watched does not count: then less was measured than it says. */
export async function needBelieved(
  settings: RealServer['settings'],
  attemptIds: readonly string[],
): Promise<void> {
  const [row] = await query<{ out: number | null; known: number }>(
    ...([
      settings,
      'SELECT sum(left_out)::int AS out, count(*)::int AS known FROM attempt_coverage WHERE attempt_id = ANY($1)',
    ] as const),
    [attemptIds],
  )
  if (row!.out !== 0 || row!.known < attemptIds.length)
    throw new Error(`Not all that was sent counts: ${JSON.stringify(row)}`)
}
