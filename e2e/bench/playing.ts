// Five hundred learners who play at once against one server process, with the database and the server killed in turn and started
// again on the way, five times: how soon each batch is acknowledged, and whether anything is lost.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { DEMO_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import { beginEarlier, needBelieved } from './earlier.ts'
import { ROUNDS, type Figure } from './stating/figure.ts'
import { middle, quantile } from './stating/judge.ts'

const LEARNERS = 500
const SEND_EVERY_MS = 5000
/** In each round everybody sends so many batches; the kill comes after the first three. */
const BATCHES_A_ROUND = 5
const BATCHES_EACH = ROUNDS * BATCHES_A_ROUND
const ROUND_MS = BATCHES_A_ROUND * SEND_EVERY_MS
/** What is sent in the ten seconds after a kill, the rest of its round, waits for what was killed and is told apart. */
const KILL_AFTER_MS = 3 * SEND_EVERY_MS
const PART = 'the-film'
const PIECE_MS = 5000

interface Learner {
  attemptId: string
  cookie: string
  at: number
}

/** Guests come in a few at a time, as a class does; this is not measured. */
async function welcome(url: string): Promise<Learner[]> {
  const learners: Learner[] = []
  for (let from = 0; from < LEARNERS; from += 20) {
    const some = Array.from({ length: 20 }, async (_, index) => {
      const name = `Bench Player${letters(from + index)}`
      const opened = await fetch(`${url}/api/links/${DEMO_LINK}/attempts`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ name }),
      })
      const { attemptId } = (await opened.json()) as { attemptId: string }
      return { attemptId, cookie: opened.headers.get('set-cookie')!.split(';')[0]!, at: 0 }
    })
    learners.push(...(await Promise.all(some)))
  }
  return learners
}

const letters = (number: number) =>
  String.fromCharCode(97 + (number % 26), 97 + (Math.floor(number / 26) % 26))

/** One batch as a player sends it: what was played, and the place. Sent again until it is acknowledged; all of that counts. */
async function sendBatch(
  url: string,
  learner: Learner,
  index: number,
  endedMs: number,
): Promise<{ ms: number; tries: number }> {
  const times = {
    beganAt: new Date(endedMs - PIECE_MS).toISOString(),
    endedAt: new Date(endedMs).toISOString(),
  }
  const fromMs = (index * PIECE_MS) % 240_000
  const how = { rate: 1, muted: false, hidden: false }
  const id = `p-${index}`
  const toMs = fromMs + PIECE_MS
  const body = JSON.stringify({
    sentAt: new Date().toISOString(),
    records: [
      { kind: 'span', id, partId: PART, fromMs, toMs, ...how, ...times },
      { kind: 'place', id: `at-${id}`, partId: PART, atMs: toMs, released: [], at: times.endedAt },
    ],
  })
  const began = performance.now()
  for (let tries = 1; ; tries += 1) {
    const reply = await fetch(`${url}/api/attempts/${learner.attemptId}/records`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Cookie: learner.cookie },
      body,
    }).catch(() => null)
    if (reply?.ok) {
      const { kept } = (await reply.json()) as { kept: string[] }
      if (kept.length !== 2) throw new Error('Not every record was kept')
      return { ms: performance.now() - began, tries }
    }
    await reply?.arrayBuffer()
    await new Promise((done) => setTimeout(done, AGAIN_MS))
  }
}

/** Kills the database as a power cut would; whoever started it starts it again on the same data. */
async function killDatabase({ databaseUrl }: RealServer['settings']): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows } = await client.query<{ folder: string }>(
    `SELECT current_setting('data_directory') AS folder`,
  )
  await client.end()
  const pid = readFileSync(join(rows[0]!.folder, 'postmaster.pid'), 'utf8').split('\n')[0]
  process.kill(Number(pid), 'SIGKILL')
}

/** What a player waits before it sends the same again, in ms: see `player/session`. */
const AGAIN_MS = SEND_EVERY_MS / 5

interface Sent {
  ms: number
  atMs: number
}

/** Everybody plays on, each at their own moment of the five seconds, and on time however long the last one took. */
async function playAll(
  send: (at: number, index: number, dueMs: number) => Promise<{ ms: number }>,
  rounds: number,
): Promise<Sent[]> {
  const sent: Sent[] = []
  const began = performance.now()
  const playOn = async (_: unknown, at: number) => {
    for (let index = 0; index < rounds * BATCHES_A_ROUND; index += 1) {
      const dueMs = began + index * SEND_EVERY_MS + (at / LEARNERS) * SEND_EVERY_MS
      await new Promise((done) => setTimeout(done, Math.max(0, dueMs - performance.now())))
      const atMs = performance.now()
      sent.push({ ms: (await send(at, index, dueMs)).ms, atMs: atMs - began })
    }
  }
  await Promise.all(Array.from({ length: LEARNERS }, playOn))
  return sent
}

/** The same load on a bare table: one INSERT a batch. Its 95th percentile, in ms. */
async function bareInserts({ databaseUrl }: RealServer['settings']): Promise<number> {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 })
  await pool.query('DROP TABLE IF EXISTS bare_batches')
  await pool.query(
    'CREATE TABLE bare_batches (attempt_id text, id text, from_ms int, to_ms int, at timestamptz, PRIMARY KEY (attempt_id, id))',
  )
  const insert = async (at: number, index: number) => {
    const began = performance.now()
    const row = [`attempt-${at}`, `p-${index}`, index * PIECE_MS, (index + 1) * PIECE_MS]
    await pool.query('INSERT INTO bare_batches VALUES ($1, $2, $3, $4, now())', row)
    return { ms: performance.now() - began }
  }
  const sent = await playAll(insert, 1)
  await pool.end()
  return quantile(
    sent.map(({ ms }) => ms),
    0.95,
  )
}

/** Kills database and server in turn, one in each round. */
async function killInTurn(server: RealServer, beganMs: number): Promise<void> {
  for (let round = 0; round < ROUNDS; round += 1) {
    const dueMs = beganMs + round * ROUND_MS + KILL_AFTER_MS
    await new Promise((done) => setTimeout(done, Math.max(0, dueMs - performance.now())))
    if (round % 2 === 0) await killDatabase(server.settings)
    else {
      await server.kill()
      await server.start()
    }
  }
}

async function keptOf(
  { databaseUrl }: RealServer['settings'],
  attemptIds: string[],
): Promise<number> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows } = await client.query<{ kept: number }>(
    `SELECT count(*)::int AS kept FROM spans WHERE attempt_id = ANY($1) AND id LIKE 'p-%'`,
    [attemptIds],
  )
  await client.end()
  return rows[0]!.kept
}

export async function measurePlaying(server: RealServer): Promise<Figure[]> {
  const learners = await welcome(server.url)
  const attemptIds = learners.map(({ attemptId }) => attemptId)
  await beginEarlier(server.settings, attemptIds, 1)
  const bareMs = await bareInserts(server.settings)
  let again = 0
  const [began, clockMs] = [performance.now(), Date.now()]
  const send = async (at: number, index: number, dueMs: number) => {
    const learner = learners[at]!
    const sent = await sendBatch(server.url, learner, index, clockMs + dueMs - began)
    if (sent.tries > 1) again += 1
    return sent
  }
  const [sent] = await Promise.all([playAll(send, ROUNDS), killInTurn(server, began)])
  const all = LEARNERS * BATCHES_EACH
  const lost = all - (await keptOf(server.settings, attemptIds))
  await needBelieved(server.settings, attemptIds)
  return figuresOf(sent, { lost, again, bareMs })
}

function figuresOf(
  sent: readonly Sent[],
  { lost, again, bareMs }: { lost: number; again: number; bareMs: number },
): Figure[] {
  const isAfterKill = ({ atMs }: Sent) => atMs % ROUND_MS >= KILL_AFTER_MS
  const inEach = (of: (one: Sent) => boolean) =>
    Array.from({ length: ROUNDS }, (_, round) =>
      sent
        .filter((one) => of(one) && Math.floor(one.atMs / ROUND_MS) === round)
        .map(({ ms }) => ms),
    )
  const [quiet, shaken] = [inEach((one) => !isAfterKill(one)), inEach(isAfterKill)]
  const who = `${LEARNERS} learners playing at once, a batch each every 5 s`
  const half = (rounds: number[][]) => `half of them within ${middle(rounds.flat()).toFixed(0)} ms`
  return [
    {
      id: 'playing.quiet',
      what: `${who}: until 95 % are acknowledged, outside the 10 s after a kill`,
      unit: 'ms',
      rounds: quiet.map((ms) => quantile(ms, 0.95)),
      aim: { most: 60 },
      limit: 'one bare INSERT',
      isWork: true,
      reference: `one bare INSERT a batch ${bareMs.toFixed(0)} ms; ${half(quiet)}`,
    },
    {
      id: 'playing.killed',
      what: 'The same for what is sent in the 10 s after the database or the server is killed',
      unit: 'ms',
      rounds: shaken.map((ms) => quantile(ms, 0.95)),
      aim: { most: 2000 },
      limit: 'the time that the server takes to start',
      reference: `the server is started again at once, as npm start does; ${half(shaken)}; ${again} batches were sent again`,
    },
    {
      id: 'playing.lost',
      what: 'Of these, lost with the database killed three times and the server twice',
      unit: 'count',
      rounds: [lost],
      aim: { most: 0 },
      limit: '0',
      reference: `${LEARNERS * BATCHES_EACH} acknowledged`,
    },
  ]
}
