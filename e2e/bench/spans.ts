// Spans taken in a second through the API of one server process, against a bare multi-row INSERT of the same rows
// with the same batch size into a table without anything else. Database and server share the machine in both.
import pg from 'pg'
import { DEMO_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import type { Figure } from './main.ts'

const BATCH = 200
const BATCHES = 150
const CONNECTIONS = 4
const PART = 'the-film'
const BEGAN_MS = Date.now() - 3_600_000

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
    const beganMs = BEGAN_MS + row * 1000
    return {
      id: `s-${worker}-${index}-${row}`,
      fromMs,
      toMs: fromMs + 1000,
      beganAt: new Date(beganMs).toISOString(),
      endedAt: new Date(beganMs + 1000).toISOString(),
    }
  })
}

/** Runs the batches over a few connections; answers with rows a second. */
async function rate(send: (worker: number, index: number) => Promise<void>): Promise<number> {
  const began = performance.now()
  const each = BATCHES / CONNECTIONS
  await Promise.all(
    Array.from({ length: CONNECTIONS }, async (_, worker) => {
      for (let index = 0; index < each; index += 1) await send(worker, index)
    }),
  )
  return (BATCH * Math.floor(each) * CONNECTIONS) / ((performance.now() - began) / 1000)
}

export async function measureSpans(server: RealServer): Promise<Figure> {
  const [api, bare] = [await throughApi(server), await throughInsert(server)]
  return {
    what: `Spans taken in a second, batches of ${BATCH}, ${CONNECTIONS} learners at once`,
    value: `${api.toFixed(0)} = ${(api / bare).toFixed(2)} × the bare INSERT`,
    reference: `bare multi-row INSERT ${bare.toFixed(0)}`,
    aim: 'at least 0.5 ×',
  }
}

async function throughApi({ url }: RealServer): Promise<number> {
  const learners = await Promise.all(
    Array.from({ length: CONNECTIONS }, async (_, worker) => {
      const opened = await fetch(`${url}/api/links/${DEMO_LINK}/attempts`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ name: `Bench Learner${'abcd'[worker]}` }),
      })
      const { attemptId } = (await opened.json()) as { attemptId: string }
      return { attemptId, cookie: opened.headers.get('set-cookie')!.split(';')[0]! }
    }),
  )
  return rate(async (worker, index) => {
    const { attemptId, cookie } = learners[worker]!
    const records = batch(worker, index).map((row) => ({
      ...{ kind: 'span', partId: PART, rate: 1, muted: false, hidden: false },
      ...row,
    }))
    const response = await fetch(`${url}/api/attempts/${attemptId}/records`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Cookie: cookie },
      body: JSON.stringify({ records }),
    })
    const { kept } = (await response.json()) as { kept: string[] }
    if (kept.length !== BATCH) throw new Error('Not every span was kept')
  })
}

async function throughInsert({ settings }: RealServer): Promise<number> {
  const pool = new pg.Pool({ connectionString: settings.databaseUrl, max: CONNECTIONS })
  await pool.query(`CREATE TABLE bare_spans (
    attempt_id text, id text, part_id text, from_ms int, to_ms int, rate real,
    began_at timestamptz, ended_at timestamptz, muted boolean, hidden boolean, counts boolean,
    PRIMARY KEY (attempt_id, id, began_at))`)
  const result = await rate(async (worker, index) => {
    const values: unknown[] = []
    const rows = batch(worker, index).map((row) => {
      const at = values.length
      values.push(
        `bench-attempt-id-0${worker}`,
        row.id,
        PART,
        row.fromMs,
        row.toMs,
        1,
        row.beganAt,
        row.endedAt,
        false,
        false,
        true,
      )
      return `(${Array.from({ length: 11 }, (_, column) => `$${at + column + 1}`).join(',')})`
    })
    await pool.query(`INSERT INTO bare_spans VALUES ${rows.join(',')}`, values)
  })
  await pool.end()
  return result
}
