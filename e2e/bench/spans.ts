// Spans taken in a second through the API of one server process, against a bare multi-row INSERT of the same rows
// with the same batch size into a table without anything else. Database and server share the machine in both.
import pg from 'pg'
import { RECORDS_AT_ONCE } from '@fernbrake/core/contract'
import { DEMO_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import { beginEarlier, needBelieved } from './earlier.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'
import { amount } from './stating/telling.ts'

/** As many as a player sends at once after a stretch without a connection. */
const BATCH = RECORDS_AT_ONCE
const BATCHES = 400
/** Sent by each learner before the clock starts, so that neither side is measured while it warms up. */
const WARM_UP = 4
const CONNECTIONS = 16
const PART = 'the-film'
/** Long enough ago that all of it can have been played since, one batch after the other. */
const BEGAN_HOURS = 3
const BEGAN_MS = Date.now() - BEGAN_HOURS * 3_600_000

interface Row {
  id: string
  fromMs: number
  toMs: number
  beganAt: string
  endedAt: string
}

function batch(worker: number, index: number): Row[] {
  return Array.from({ length: BATCH }, (_, row) => {
    const fromMs = (row * 1200 + index * 37) % 240_000
    const beganMs = BEGAN_MS + (index * BATCH + row) * 1000
    return {
      id: `s-${worker}-${index}-${row}`,
      fromMs,
      toMs: fromMs + 1000,
      beganAt: new Date(beganMs).toISOString(),
      endedAt: new Date(beganMs + 1000).toISOString(),
    }
  })
}

/** Runs prepared batches over a few connections; answers with rows a second. */
async function rate<Prepared>(
  prepare: (worker: number, index: number) => Prepared,
  send: (prepared: Prepared, worker: number) => Promise<void>,
): Promise<number> {
  const each = BATCHES / CONNECTIONS
  // Made before the clock starts: what the learners' devices do is not the server's doing.
  const prepared = Array.from({ length: CONNECTIONS }, (_, worker) =>
    Array.from({ length: WARM_UP + each }, (__, index) => prepare(worker, index)),
  )
  const sendFrom = (from: number, to: number) =>
    Promise.all(
      Array.from({ length: CONNECTIONS }, async (_, worker) => {
        for (let index = from; index < to; index += 1) await send(prepared[worker]![index]!, worker)
      }),
    )
  await sendFrom(0, WARM_UP)
  const began = performance.now()
  await sendFrom(WARM_UP, WARM_UP + each)
  return (BATCH * each * CONNECTIONS) / ((performance.now() - began) / 1000)
}

export async function measureSpans(server: RealServer): Promise<Figure[]> {
  const bare: number[] = []
  const own: number[] = []
  // Both ways take turns.
  const rounds = await inRounds(async (round) => {
    own.push(await throughApi(server, round))
    bare.push(await throughInsert(server))
    return own.at(-1)! / bare.at(-1)!
  })
  return [
    {
      id: 'spans.rate',
      what: `Spans kept in a second, batches of ${BATCH}, ${CONNECTIONS} learners at once, beside a bare multi-row INSERT`,
      unit: 'x',
      rounds,
      aim: { least: 0.6 },
      limit: '1 ×, the bare INSERT',
      reference: `${amount(middle(own), '/s')}, bare ${amount(middle(bare), '/s')}`,
    },
  ]
}

async function throughApi({ url, settings }: RealServer, round: number): Promise<number> {
  const learners = await Promise.all(
    Array.from({ length: CONNECTIONS }, async (_, worker) => {
      const opened = await fetch(`${url}/api/links/${DEMO_LINK}/attempts`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          name: `Bench Learner${String.fromCharCode(97 + round, 97 + worker)}`,
        }),
      })
      const { attemptId } = (await opened.json()) as { attemptId: string }
      return { attemptId, cookie: opened.headers.get('set-cookie')!.split(';')[0]! }
    }),
  )
  const attemptIds = learners.map(({ attemptId }) => attemptId)
  await beginEarlier(settings, attemptIds, BEGAN_HOURS + 1)
  const prepare = (worker: number, index: number) => {
    const fixed = { kind: 'span', partId: PART, rate: 1, muted: false, hidden: false }
    return JSON.stringify({ records: batch(worker, index).map((row) => ({ ...fixed, ...row })) })
  }
  const perSecond = await rate(prepare, async (body, worker) => {
    const { attemptId, cookie } = learners[worker]!
    const response = await fetch(`${url}/api/attempts/${attemptId}/records`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Cookie: cookie },
      body,
    })
    const { kept } = (await response.json()) as { kept: string[] }
    if (kept.length !== BATCH) throw new Error('Not every span was kept')
  })
  await needBelieved(settings, attemptIds)
  return perSecond
}

async function throughInsert({ settings }: RealServer): Promise<number> {
  const pool = new pg.Pool({ connectionString: settings.databaseUrl, max: CONNECTIONS })
  await pool.query('DROP TABLE IF EXISTS bare_spans')
  await pool.query(`CREATE TABLE bare_spans (
    attempt_id text, id text, part_id text, from_ms int, to_ms int, rate real,
    began_at timestamptz, ended_at timestamptz, muted boolean, hidden boolean, counts boolean,
    PRIMARY KEY (attempt_id, id, began_at))`)
  const prepare = (worker: number, index: number) => {
    const values: unknown[] = []
    const rows = batch(worker, index).map((row) => {
      const at = values.length
      const { id, fromMs, toMs, beganAt, endedAt } = row
      values.push(`bench-attempt-id-${worker}`, id, PART, fromMs, toMs, 1, beganAt, endedAt)
      values.push(false, false, true)
      return `(${Array.from({ length: 11 }, (_, column) => `$${at + column + 1}`).join(',')})`
    })
    return { text: `INSERT INTO bare_spans VALUES ${rows.join(',')}`, values }
  }
  const result = await rate(prepare, async (statement) => void (await pool.query(statement)))
  await pool.end()
  return result
}
