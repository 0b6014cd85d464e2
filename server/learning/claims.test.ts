// What a device claims that cannot be: clocks that are off, watching that took no time, parts that are finished by saying so.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualRules } from '@fernbrake/core/classes'
import type { LearnerResult, Pile, Standing } from '@fernbrake/core/contract'
import { edits, type Lesson } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, PART, QUIZ, withQuestion, withQuiz } from '@fernbrake/core/testing'
import { connectDatabase } from '../database/connect.ts'
import { run } from '../database/connect.ts'
import { ResponseRow } from '../database/models.ts'
import { openClassroom, type Somebody } from '../testing/classroom.ts'
import { begunBefore, putLesson, startTestServer, type TestServer } from '../testing/testServer.ts'

const HOUR = 3_600_000
let server: TestServer
let teacher: Somebody
beforeAll(async () => {
  // One connection for all: whatever asked for a second one inside a transaction would wait for ever.
  server = await startTestServer({ databaseConnections: 1 })
  teacher = await server.signedIn('designer')
})
afterAll(() => server.stop())

const iso = (ms: number) => new Date(ms).toISOString()
const asked = () =>
  withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 30_000, hold: 'answered' })

interface Sitting {
  learner: Somebody
  attemptId: string
  /** Sends as a device whose clock is off by this much, in ms. */
  send(
    records: object[],
    offMs?: number | null,
  ): Promise<{ kept: string[]; refused: { code: string }[] }>
  result(): Promise<LearnerResult>
  progress(): Promise<{ covered: Record<string, object[]>; finishedParts: string[] }>
}

async function sit(
  lesson: Lesson,
  { begunMs = 2 * HOUR, given = {} } = {},
): Promise<
  Sitting & { standing(): Promise<Standing>; assignmentId: string; pile(): Promise<Pile> }
> {
  const learner = await server.signedIn('learner')
  const room = await openClassroom(server, teacher, [learner], lesson, given)
  const reply = await learner.agent
    .post(`/api/assignments/${room.assignmentId}/attempts`)
    .send({ number: 1 })
    .expect(201)
  const { attemptId } = reply.body as { attemptId: string }
  if (begunMs > 0) await begunBefore(attemptId, begunMs)
  return {
    learner,
    attemptId,
    assignmentId: room.assignmentId,
    async send(records, offMs = null) {
      const sentAt = offMs === null ? {} : { sentAt: iso(Date.now() + offMs) }
      const { body } = await learner.agent
        .post(`/api/attempts/${attemptId}/records`)
        .send({ records, ...sentAt })
        .expect(200)
      return body as { kept: string[]; refused: { code: string }[] }
    },
    async result() {
      const { body } = await teacher.agent.get(`/api/lessons/${room.lessonId}/results`).expect(200)
      return (body.learners as LearnerResult[])[0]!
    },
    async standing() {
      const { body } = await teacher.agent
        .get(`${room.path}/${room.assignmentId}/standing`)
        .expect(200)
      return (body.learners as Standing[])[0]!
    },
    async pile() {
      const path = `/api/marking/assignment/${room.assignmentId}?which=all`
      return (await teacher.agent.get(path).expect(200)).body as Pile
    },
    async progress() {
      return (await learner.agent.get(`/api/attempts/${attemptId}`).expect(200)).body.progress
    },
  }
}

/** Film time in s; clock time in s before now, by the device's clock. */
const span = (
  from: number,
  to: number,
  began: number,
  ended: number,
  offMs = 0,
  more: object = {},
) => ({
  kind: 'span',
  id: nanoid(),
  partId: PART,
  fromMs: from * 1000,
  toMs: to * 1000,
  rate: 1,
  beganAt: iso(Date.now() + offMs - began * 1000),
  endedAt: iso(Date.now() + offMs - ended * 1000),
  muted: false,
  hidden: false,
  ...more,
})
const answer = (atMs: number) => ({
  kind: 'response',
  id: nanoid(),
  cueId: 'a',
  questionId: 'q-a',
  answeredAt: iso(atMs),
  answer: { kind: 'choice', picked: ['a-a'] },
})
const finish = (partId = PART) => ({ kind: 'finish', id: nanoid(), partId, at: iso(Date.now()) })

describe('a device whose clock is off', () => {
  it.each([
    ['three hours ahead', 3 * HOUR],
    ['thirty hours ahead', 30 * HOUR],
    ['three hours behind', -3 * HOUR],
    ['in another century', -25 * 365 * 24 * HOUR],
  ])('%s loses nothing, and its times are read right', async (_name, offMs) => {
    const one = await sit(asked(), { given: { closesAt: iso(Date.now() + HOUR) } })
    const given = Date.now() - 60_000
    const place = {
      kind: 'place',
      id: nanoid(),
      partId: PART,
      atMs: 9000,
      released: [],
      at: iso(given + offMs),
    }
    const { refused } = await one.send(
      [span(0, 20, 90, 70, offMs), answer(given + offMs), place],
      offMs,
    )
    expect(refused).toEqual([])
    const { leftOut, tooFast, answers } = await one.result()
    expect([leftOut, tooFast]).toEqual([0, 0])
    expect(Math.abs(Date.parse(answers[0]!.answeredAt) - given)).toBeLessThan(10_000)
    expect(answers[0]!.isDoubtful).toBe(false)
    expect((await one.progress()).covered).toEqual({ [PART]: [{ fromMs: 0, toMs: 20_000 }] })
  })

  it('cannot bring an answer in after closing by being set back', async () => {
    const one = await sit(asked(), { given: { closesAt: iso(Date.now() + HOUR) } })
    await run(
      ...([
        server.context.database,
        `UPDATE assignments SET closes_at = now() - interval '10 minutes' WHERE id = $1`,
      ] as const),
      [one.assignmentId],
    )
    const late = await one.send([answer(Date.now() - 3 * HOUR)], -3 * HOUR)
    expect(late.refused).toMatchObject([{ code: 'closed' }])
    // One that was given before and waited for a connection is taken.
    expect((await one.send([answer(Date.now() - HOUR)], 0)).refused).toEqual([])
  })

  it.each(['2001-01-01T00:00:00.000Z', '2099-01-01T00:00:00.000Z'])(
    'that says %s of an answer is not believed: it is kept for when it came, marked, and told',
    async (at) => {
      const one = await sit(asked())
      await one.send([{ ...answer(0), answeredAt: at }], 0)
      const [shown] = (await one.result()).answers
      expect(shown!.isDoubtful).toBe(true)
      expect(Math.abs(Date.parse(shown!.answeredAt) - Date.now())).toBeLessThan(10_000)
      expect((await one.standing()).attempts[0]).toMatchObject({ doubtful: 1, answered: 1 })
      expect((await one.pile()).answers).toMatchObject([{ isDoubtful: true }])
      expect(await ResponseRow.count({ where: { attemptId: one.attemptId } })).toBe(1)
    },
  )

  it.each(['0000-01-01T00:00:00.000Z', '2026-02-30T00:00:00.000Z', '10000-01-01T00:00:00Z'])(
    'that says %s is refused, and breaks nothing',
    async (at) => {
      const one = await sit(asked())
      const reply = await one.learner.agent
        .post(`/api/attempts/${one.attemptId}/records`)
        .send({ records: [{ ...answer(0), answeredAt: at }] })
      expect(reply.status).toBe(422)
    },
  )
})

describe('watching cannot be claimed', () => {
  it('in no time: 262 spans of a second at one moment', async () => {
    const one = await sit(lessonWithFilm(262_000), {
      given: {
        rules: {
          ...usualRules(),
          seek: 'none',
          topRate: 1,
          completion: { by: 'watched', share: 0.8 },
        },
      },
    })
    const spans = Array.from({ length: 262 }, (_, at) => span(at, at + 1, 60, 60))
    expect((await one.send(spans, 0)).kept).toHaveLength(262)
    const { attempts } = await one.standing()
    expect(attempts[0]!.watched).toBeLessThan(0.01)
    expect(attempts[0]).toMatchObject({ isComplete: false, leftOut: 261, tooFast: 261 })
  })

  it('four times over in one minute, in one batch or in several', async () => {
    for (const batches of [1, 4]) {
      const one = await sit(lessonWithFilm(240_000))
      const spans = [0, 60, 120, 180].map((from) => span(from, from + 60, 70, 10))
      for (let at = 0; at < 4; at += 4 / batches)
        await one.send(spans.slice(at, at + 4 / batches), 0)
      expect((await one.progress()).covered).toEqual({ [PART]: [{ fromMs: 0, toMs: 60_000 }] })
      expect(await one.result()).toMatchObject({ leftOut: 3, tooFast: 3 })
    }
  })

  it('from before the attempt, nor beyond the server’s clock', async () => {
    const one = await sit(lessonWithFilm(60_000), { begunMs: 0 })
    await one.send([span(0, 60, 61, 1)], 0)
    await one.send([span(0, 60, -1, -61)], 0)
    expect(await one.progress()).toMatchObject({ covered: { [PART]: [] } })
    expect(await one.result()).toMatchObject({ leftOut: 2, tooFast: 2, watched: 0 })
  })

  it('and what is true counts, once, however often and in whatever pieces it is sent', async () => {
    const one = await sit(lessonWithFilm(60_000))
    const spans = Array.from({ length: 12 }, (_, at) =>
      span(at * 5, at * 5 + 5, 70 - at * 5, 65 - at * 5),
    )
    await Promise.all(Array.from({ length: 5 }, () => one.send(spans, 0)))
    for (const each of spans) await one.send([each], 0)
    await one.send(spans.slice(3, 9), 0)
    expect((await one.progress()).covered).toEqual({ [PART]: [{ fromMs: 0, toMs: 60_000 }] })
    expect(await one.result()).toMatchObject({ leftOut: 0, tooFast: 0, watched: 1 })
  })

  it('nor is one slow to be told so: 500 spans over one another', async () => {
    const one = await sit(lessonWithFilm(60_000))
    const spans = Array.from({ length: 500 }, (_, at) => span(0, 60, 5000 - at, 4940 - at))
    expect((await one.send(spans, 0)).kept).toHaveLength(500)
  })
})

describe('a lesson is finished by what was done', () => {
  const strict = { rules: { ...usualRules(), seek: 'none' as const } }

  it('not by saying so', async () => {
    const one = await sit(withQuiz(asked()), { given: strict })
    await one.send([finish(), finish(QUIZ), finish(), finish(QUIZ), finish()])
    expect((await one.standing()).attempts[0]).toMatchObject({
      finishedAt: null,
      isComplete: false,
    })
    expect((await one.progress()).finishedParts).toEqual([])
  })

  it('once what was said before is borne out, in whatever batches it comes', async () => {
    const one = await sit(asked(), { given: strict })
    await one.send([finish()], 0)
    await one.send([span(0, 30, 100, 70)], 0)
    await one.send([answer(Date.now() - 65_000)], 0)
    expect((await one.standing()).attempts[0]!.finishedAt).toBeNull()
    // Watching alone, as the last thing that was missing.
    await one.send([span(30, 60, 60, 30)], 0)
    expect((await one.standing()).attempts[0]!.finishedAt).not.toBeNull()
    expect((await one.progress()).finishedParts).toEqual([PART])
  })

  it('all in one batch, in any order', async () => {
    const one = await sit(asked(), { given: strict })
    await one.send(
      [finish(), span(30, 60, 60, 30), answer(Date.now() - 65_000), span(0, 30, 100, 70)],
      0,
    )
    expect((await one.standing()).attempts[0]).toMatchObject({ isComplete: true })
  })

  it('not by a jump that the rule forbids, which is told', async () => {
    const one = await sit(lessonWithFilm(60_000), { given: strict })
    await one.send([span(0, 5, 100, 95), span(50, 60, 90, 80), finish()], 0)
    expect((await one.standing()).attempts[0]).toMatchObject({ finishedAt: null, jumpedMs: 45_000 })
  })

  it('by a jump that is allowed', async () => {
    const one = await sit(lessonWithFilm(60_000))
    await one.send([span(55, 60, 90, 85), finish()], 0)
    expect((await one.standing()).attempts[0]!.finishedAt).not.toBeNull()
  })

  it('stays finished for whoever had finished before this was asked', async () => {
    const one = await sit(edited(withQuiz(asked()), edits.removePart, { partId: PART }))
    await run(
      server.context.database,
      `INSERT INTO finished_parts (attempt_id, part_id, finished_at, proven) VALUES ($1, $2, now(), true)`,
      [one.attemptId, QUIZ],
    )
    await one.send([finish(QUIZ)])
    expect((await one.progress()).finishedParts).toEqual([QUIZ])
    expect((await one.standing()).attempts[0]!.finishedAt).not.toBeNull()
  })
})

it('thirty learners who finish a gated lesson at once do so, on one connection', async () => {
  const gate = { condition: { if: 'watched', partId: PART, atLeast: 0.5 }, message: '' } as const
  const lesson = edited(withQuiz(lessonWithFilm(60_000)), edits.setGate, { partId: QUIZ, gate })
  const { code } = await putLesson(teacher.person, lesson)
  const agents = await Promise.all(
    Array.from({ length: 30 }, async (_, at) => {
      const agent = server.anonymous()
      const name = `Learner ${String.fromCharCode(65 + (at % 26))}`
      const opened = await agent.post(`/api/links/${code}/attempts`).send({ name }).expect(201)
      await begunBefore(opened.body.attemptId as string)
      return { agent, attemptId: opened.body.attemptId as string }
    }),
  )
  const opened = { kind: 'seen', partId: QUIZ, thingId: QUIZ, at: iso(Date.now()) }
  const statuses = await Promise.all(
    agents.map(async ({ agent, attemptId }) => {
      const records = [span(0, 60, 90, 30), finish(), { ...opened, id: nanoid() }, finish(QUIZ)]
      const reply = await agent.post(`/api/attempts/${attemptId}/records`).send({ records })
      return reply.status
    }),
  )
  expect(statuses).toEqual(Array(30).fill(200))
})

it('a query inside a transaction is part of it, however it is asked', async () => {
  const database = connectDatabase(server.settings.databaseUrl, 1)
  try {
    const inside = await database.transaction(async (transaction) => {
      await run(database, 'CREATE TEMP TABLE only_here (n int) ON COMMIT DROP', [], transaction)
      await run(database, 'INSERT INTO only_here VALUES (1)')
      const [[row]] = (await database.query('SELECT count(*)::int AS n FROM only_here')) as [
        [{ n: number }],
        unknown,
      ]
      return row.n
    })
    expect(inside).toBe(1)
  } finally {
    await database.close()
  }
})
