// Five hundred learners who play at once against one server process, with the database and the server each killed and started
// again on the way: how soon each batch is acknowledged, and whether anything is lost.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { DEMO_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import { beginEarlier, needBelieved } from './earlier.ts'
import type { Figure } from './figure.ts'

const LEARNERS = 500
const SEND_EVERY_MS = 5000
const BATCHES_EACH = 18
/** What is sent this soon after a kill waits for what was killed, in ms, and is told apart. */
const AFTER_KILL_MS = 10_000
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
    await new Promise((done) => setTimeout(done, SEND_EVERY_MS / 5))
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

/** The figure below which a share of the sendings lies. */
function shareOf(sent: readonly { ms: number }[]): (share: number) => number {
  const sorted = sent.map(({ ms }) => ms).sort((a, b) => a - b)
  return (share) => sorted[Math.floor((sorted.length - 1) * share)] ?? 0
}

export async function measurePlaying(server: RealServer): Promise<Figure[]> {
  const learners = await welcome(server.url)
  const attemptIds = learners.map(({ attemptId }) => attemptId)
  await beginEarlier(server.settings, attemptIds, 1)
  const sent: { ms: number; atMs: number }[] = []
  const kills: number[] = []
  let again = 0
  const [began, beganClockMs] = [performance.now(), Date.now()]
  const playOn = async (learner: Learner, at: number) => {
    for (let index = 0; index < BATCHES_EACH; index += 1) {
      // Each at their own moment of the five seconds, and on time however long the last one took.
      const dueMs = began + index * SEND_EVERY_MS + (at / LEARNERS) * SEND_EVERY_MS
      await new Promise((done) => setTimeout(done, Math.max(0, dueMs - performance.now())))
      const atMs = performance.now()
      const { ms, tries } = await sendBatch(
        server.url,
        learner,
        index,
        beganClockMs + dueMs - began,
      )
      sent.push({ ms, atMs })
      if (tries > 1) again += 1
    }
  }
  const killing = (async () => {
    const third = () => new Promise((done) => setTimeout(done, (BATCHES_EACH / 3) * SEND_EVERY_MS))
    await third()
    kills.push(performance.now())
    await killDatabase(server.settings)
    await third()
    kills.push(performance.now())
    await server.kill()
    await server.start()
  })()
  await Promise.all([...learners.map(playOn), killing])
  const client = new pg.Client({ connectionString: server.settings.databaseUrl })
  await client.connect()
  const { rows } = await client.query<{ kept: number }>(
    `SELECT count(*)::int AS kept FROM spans WHERE attempt_id = ANY($1) AND id LIKE 'p-%'`,
    [attemptIds],
  )
  await client.end()
  await needBelieved(server.settings, attemptIds)
  const isAfterKill = ({ atMs }: { atMs: number }) =>
    kills.some((kill) => atMs >= kill && atMs < kill + AFTER_KILL_MS)
  const quiet = shareOf(sent.filter((one) => !isAfterKill(one)))
  const shaken = shareOf(sent.filter(isAfterKill))
  const all = LEARNERS * BATCHES_EACH
  return [
    {
      what: `${LEARNERS} learners playing at once, a batch each every 5 s: until it is acknowledged, 95th percentile, outside the 10 s after a kill`,
      value: `${quiet(0.95).toFixed(0)} ms (median ${quiet(0.5).toFixed(0)} ms)`,
      reference: `${again} of ${all} batches were sent again while something was away`,
      aim: 'at most 250 ms',
    },
    {
      what: 'The same for what is sent in the 10 s after the database or the server is killed',
      value: `${shaken(0.95).toFixed(0)} ms (median ${shaken(0.5).toFixed(0)} ms)`,
      reference: 'the server is started again at once, as npm start does',
      aim: 'at most 5,000 ms',
    },
    {
      what: 'Of these, lost with the database and the server each killed once',
      value: `${all - rows[0]!.kept}`,
      reference: `${all} acknowledged`,
      aim: 'none',
    },
  ]
}
