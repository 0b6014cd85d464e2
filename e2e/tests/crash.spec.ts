// Acknowledged is kept: the server is killed again and again while edits, spans and answers come in. No browser here.
import { expect, test } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import type { Attempt, RecordsReply } from '@fernbrake/core/contract'
import type { LearnerRecord } from '@fernbrake/core/records'
import { drawAnswer } from '@fernbrake/core/questions'
import { edits, runEdit, type Lesson } from '@fernbrake/core/lesson'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { inDatabase } from '../support/lessons.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

const KILLS = 3
/** The server is killed when it has answered this many requests since it came up. */
const ANSWERS_BEFORE_KILL = 40
const LEARNERS = 4
const DRAFT = '/api/lessons/water-that-climbs'
const PART = 'the-film'
/** Long enough ago for all that is said to have been watched since. */
const BEGAN_MS = Date.now() - 3_600_000

let server: RealServer
test.beforeAll(async () => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
})
test.afterAll(() => server?.stop())

/** Calls the API; null where the connection broke, so that nobody knows whether the request arrived. */
function createClient() {
  let cookie = ''
  return async <T>(method: string, path: string, body?: unknown): Promise<T | null> => {
    const headers = { 'Content-Type': 'application/json', ...(cookie ? { cookie } : {}) }
    const text = body === undefined ? undefined : JSON.stringify(body)
    try {
      const response = await fetch(server.url + path, { method, headers, body: text })
      cookie = response.headers.get('set-cookie')?.split(';')[0] ?? cookie
      return response.ok ? ((await response.json()) as T) : null
    } catch {
      return null
    }
  }
}
type Client = ReturnType<typeof createClient>

let answersToGo = Infinity
const onDeath: (() => void)[] = []
/** Counts an answer, and kills the server when it has given enough of them. */
async function countAnswer(): Promise<void> {
  answersToGo -= 1
  if (answersToGo !== 0) return
  await server.kill()
  await server.start()
  for (const wake of onDeath.splice(0)) wake()
}

/** Sends until it is answered, as the bench and the player do; whoever finds the server dead waits for its return. */
async function sendUntilAnswered<T>(send: () => Promise<T | null>): Promise<T> {
  for (;;) {
    const reply = await send()
    if (reply) {
      await countAnswer()
      return reply
    }
    if (answersToGo <= 0) await new Promise<void>((resolve) => onDeath.push(resolve))
  }
}

async function edit(designer: Client, lesson: Lesson, revision: number, until: () => boolean) {
  const acknowledged: string[] = []
  for (let count = 0; !until(); count += 1) {
    const args = {
      cueId: `crash-${count}`,
      partId: PART,
      atMs: 1000 + count,
      title: `Mark ${count}`,
    }
    const outcome = runEdit(lesson, edits.addBookmark, args)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
    const { name, patches } = outcome.made
    const body = { revision, edits: [{ id: `crash-edit-${count}`, name, patches }] }
    await sendUntilAnswered(() => designer('PATCH', `${DRAFT}/draft`, body))
    acknowledged.push(args.cueId)
  }
  return acknowledged
}

function recordsOf(lesson: Lesson, learner: number, count: number): LearnerRecord[] {
  const beganAt = new Date(BEGAN_MS + count * 1000).toISOString()
  const endedAt = new Date(BEGAN_MS + count * 1000 + 500).toISOString()
  const flags = { rate: 1, muted: false, hidden: false }
  const times = { fromMs: count * 1000, toMs: count * 1000 + 500, beganAt, endedAt }
  const span = {
    kind: 'span',
    id: `s-${learner}-${count}`,
    partId: PART,
    ...times,
    ...flags,
  } as const
  const cue = Object.values(lesson.cues).filter(({ kind }) => kind === 'question')[count]
  if (cue?.kind !== 'question') return [span]
  const { id: cueId, questionId } = cue
  const answer = drawAnswer(lesson.questions[questionId]!, false, { next: () => 0 })
  return [
    span,
    {
      kind: 'response',
      id: `r-${learner}-${count}`,
      cueId,
      questionId,
      answer,
      answeredAt: beganAt,
    },
  ]
}

async function watch(client: Client, attempt: Attempt, learner: number, until: () => boolean) {
  const sent: LearnerRecord[] = []
  for (let count = 0; !until() && count < 240; count += 1) {
    const records = recordsOf(attempt.lesson, learner, count)
    const path = `/api/attempts/${attempt.id}/records`
    const reply = await sendUntilAnswered(() => client<RecordsReply>('POST', path, { records }))
    expect(reply.refused).toEqual([])
    sent.push(...records)
  }
  return sent
}

test('no acknowledged edit, span or answer is lost with a killed server, and repeats change nothing', async () => {
  const designer = createClient()
  const signIn = { email: 'designer@harrowmere.example', password: DEMO_PASSWORD }
  expect(await designer('POST', '/api/session', signIn)).not.toBeNull()
  const draft = (await designer<{ lesson: Lesson; revision: number }>('GET', DRAFT))!
  const learners = await Promise.all(
    Array.from({ length: LEARNERS }, async (_, index) => {
      const client = createClient()
      const body = { name: `Crash Learner${'abcd'[index]}` }
      const opened = await client<{ attemptId: string }>(
        'POST',
        `/api/links/${DEMO_LINK}/attempts`,
        body,
      )
      const sql = `UPDATE attempts SET opened_at = now() - interval '1 day' WHERE id = $1`
      await inDatabase(server.settings, (db) => db.query(sql, [opened!.attemptId]))
      return {
        client,
        attempt: (await client<Attempt>('GET', `/api/attempts/${opened!.attemptId}`))!,
      }
    }),
  )

  let kills = 0
  const isOver = () => kills === KILLS
  const killing = (async () => {
    while (kills < KILLS) {
      answersToGo = ANSWERS_BEFORE_KILL
      await new Promise<void>((resolve) => onDeath.push(resolve))
      kills += 1
    }
  })()
  const [marks, ...records] = await Promise.all([
    edit(designer, draft.lesson, draft.revision, isOver),
    ...learners.map(({ client, attempt }, index) => watch(client, attempt, index, isOver)),
  ])
  await killing

  const after = (await designer<{ lesson: Lesson; revision: number }>('GET', DRAFT))!
  expect(Object.keys(after.lesson.cues)).toEqual(expect.arrayContaining(marks))
  expect(after.revision).toBe(draft.revision + marks.length)
  for (const [index, { client, attempt }] of learners.entries()) {
    const path = `/api/attempts/${attempt.id}`
    const read = async () => (await client<Attempt>('GET', path))!.progress
    const sent = records[index]!
    const kept = await read()
    const spans = sent.filter(({ kind }) => kind === 'span')
    expect(kept.covered[PART]).toHaveLength(spans.length)
    expect(kept.responses).toHaveLength(sent.length - spans.length)
    await client('POST', `${path}/records`, { records: sent })
    expect(await read()).toEqual(kept)
  }
})
