// What a learner's player sends: kept once, marked by the server, refused with a reason, and equal to core's figures.
import { addUp } from '@fernbrake/core/records'
import fc from 'fast-check'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { lessonWithFilm, PART, withFork, withQuestion } from '@fernbrake/core/testing'
import { counts, normalise, watchedAgain } from '@fernbrake/core/watching'
import { prepared, select, within } from '../database/connect.ts'
import { FILL_RUNS } from '../database/schema028.ts'
import { readCovered, storeBatch } from './queries/covered.ts'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let designer: Awaited<ReturnType<TestServer['signedIn']>>
let agent: Agent
let attemptId: string
let lessonId: string

beforeAll(async () => {
  server = await startTestServer()
  designer = await server.signedIn('designer')
})
afterAll(() => server.stop())
beforeEach(async () => {
  const lesson = withFork(withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 }), {
    id: 'f',
    atMs: 9000,
    ways: [
      { id: 'up', target: { to: 'on' } },
      { id: 'down', target: { to: 'time', atMs: 30_000 } },
    ],
  })
  const put = await putLesson(designer.person, lesson)
  lessonId = put.lessonId
  ;({ agent, attemptId } = await goInAsGuest(server, put.code))
})

const BEGAN = Date.now() - 3_600_000
const iso = (ms: number) => new Date(ms).toISOString()

function span(fromMs: number, toMs: number, change: object = {}) {
  return {
    kind: 'span',
    id: nanoid(),
    partId: PART,
    fromMs,
    toMs,
    rate: 1,
    muted: false,
    hidden: false,
    beganAt: iso(BEGAN + fromMs),
    endedAt: iso(BEGAN + toMs),
    ...change,
  }
}
const response = (picked: string[], change: object = {}) => ({
  kind: 'response',
  id: nanoid(),
  cueId: 'a',
  questionId: 'q-a',
  answer: { kind: 'choice', picked },
  answeredAt: iso(BEGAN),
  ...change,
})
const place = (atMs: number, at: number, released: string[] = []) => ({
  kind: 'place',
  id: nanoid(),
  partId: PART,
  atMs,
  released,
  at: iso(at),
})

const send = async (...records: object[]) =>
  (await agent.post(`/api/attempts/${attemptId}/records`).send({ records }).expect(200)).body
const progress = async () =>
  (await agent.get(`/api/attempts/${attemptId}`).expect(200)).body.progress
const results = async () =>
  (await designer.agent.get(`/api/lessons/${lessonId}/results`).expect(200)).body

describe('a batch', () => {
  it('is acknowledged record by record', async () => {
    const records = [span(0, 5000), response(['a-a']), place(5000, BEGAN, ['a'])]
    const reply = await send(...records)
    expect(reply).toEqual({ kept: expect.any(Array), refused: [] })
    expect(reply.kept.sort()).toEqual(records.map((r) => r.id).sort())
    expect(await progress()).toMatchObject({
      partId: PART,
      atMs: 5000,
      released: ['a'],
      covered: { [PART]: [{ fromMs: 0, toMs: 5000 }] },
      responses: [{ tryNumber: 1, verdict: 'right', points: 1 }],
    })
  })

  it('sent again, or ten times at once, changes nothing', async () => {
    const records = [span(0, 5000), response(['a-b']), place(5000, BEGAN)]
    await Promise.all(Array.from({ length: 10 }, () => send(...records)))
    const after = await progress()
    expect((await send(...records)).kept).toHaveLength(records.length)
    expect(await progress()).toEqual(after)
    expect(after.responses).toHaveLength(1)
    const rows = await select(
      server.context.database,
      'SELECT id FROM spans WHERE attempt_id = $1',
      [attemptId],
    )
    expect(rows).toHaveLength(1)
  })

  it('takes every id a device may make as it is', async () => {
    const ids = ['NULL', 'null', '-', '_', 't', '0', '-1', 'a'.repeat(40)]
    const records = ids.map((id, index) => ({ ...span(index * 1000, index * 1000 + 500), id }))
    expect((await send(...records)).kept).toEqual(ids)
    const rows = await select<{ id: string }>(
      server.context.database,
      'SELECT id FROM spans WHERE attempt_id = $1 ORDER BY from_ms',
      [attemptId],
    )
    expect(rows.map(({ id }) => id)).toEqual(ids)
  })

  it('with one bad record keeps the others', async () => {
    const good = span(0, 1000)
    const bad = response(['a-a'], { questionId: 'q-nobody' })
    expect(await send(good, bad)).toMatchObject({
      kept: [good.id],
      refused: [{ id: bad.id, code: 'unknownQuestion' }],
    })
  })

  it.each<[string, () => object, string]>([
    ['a span beyond the film’s end', () => span(59_000, 70_000), 'beyondEnd'],
    ['a span of another part', () => span(0, 5, { partId: 'elsewhere' }), 'unknownPart'],
    [
      'an answer to a question that is not there',
      () => response([], { cueId: 'nobody' }),
      'unknownQuestion',
    ],
    ['an answer that picks what is not offered', () => response(['z']), 'wrongAnswerKind'],
    ['a place beyond the end', () => place(99_000, BEGAN), 'beyondEnd'],
    [
      'an end of another part',
      () => ({ kind: 'finish', id: nanoid(), partId: 'elsewhere', at: iso(BEGAN) }),
      'unknownPart',
    ],
  ])('refuses %s, for good and with a sentence', async (_name, make, code) => {
    const before = await progress()
    const { kept, refused } = await send(make())
    expect(kept).toEqual([])
    expect(refused[0].code).toBe(code)
    expect(refused[0].message).toMatch(/\.$/)
    expect(await progress()).toEqual(before)
  })

  it.each<[string, object]>([
    ['an unknown key', { ...span(0, 5), surprise: 1 }],
    ['a span that ends before it begins', span(9, 5)],
    ['times that are not whole', span(0.5, 5)],
    ['an answer of an unknown kind', response([], { answer: { kind: 'telepathy' } })],
  ])('with %s is refused whole', async (_name, record) => {
    const { body } = await agent
      .post(`/api/attempts/${attemptId}/records`)
      .send({ records: [span(0, 9), record] })
      .expect(422)
    expect(body.issues[0].path.slice(0, 3)).toEqual(['body', 'records', 1])
    expect((await progress()).covered).toEqual({})
  })
})

describe('tries', () => {
  it('are counted by the server and end', async () => {
    await send(response(['a-b']), response(['a-b']))
    expect((await send(response(['a-a']))).refused).toMatchObject([{ code: 'noTriesLeft' }])
    expect((await progress()).responses.map((r: { tryNumber: number }) => r.tryNumber)).toEqual([
      1, 2,
    ])
  })
})

describe('places', () => {
  it('of a device whose clock runs ahead do not outrank later ones for long', async () => {
    await send(place(9000, Date.now() + 20 * 3_600_000))
    await send(place(2000, Date.now() + 1000))
    expect(await progress()).toMatchObject({ atMs: 2000 })
  })

  it('the newest by the learner’s clock wins, whatever arrives last; what is released stays so', async () => {
    await send(place(9000, BEGAN + 9000, ['a']))
    await send(place(2000, BEGAN, []))
    expect(await progress()).toMatchObject({ atMs: 9000, released: ['a'] })
  })
})

describe('what counts as watched', () => {
  it('is not what is longer than the time that passed, nor what ran unseen', async () => {
    await send(
      span(0, 30_000, { endedAt: iso(BEGAN + 1000) }),
      span(30_000, 40_000, { hidden: true }),
      span(50_000, 55_000),
    )
    const { learners } = await results()
    expect(learners[0]).toMatchObject({
      leftOut: 2,
      stretches: { [PART]: [{ fromMs: 50_000, toMs: 55_000 }] },
    })
  })

  it('equals core’s union for any spans, in any batches', async () => {
    // Some of them go on from where others end.
    const bound = fc.oneof(
      fc.integer({ min: 0, max: 60_000 }),
      fc.integer({ min: 0, max: 12 }).map((at) => at * 5000),
    )
    const batches = fc.array(fc.array(fc.tuple(bound, bound), { maxLength: 8 }), { maxLength: 4 })
    await fc.assert(
      fc.asyncProperty(batches, async (list) => {
        const id = `property-${nanoid()}`
        const { database, pool } = server.context
        await database.query(
          `INSERT INTO attempts (id, lesson_id, edition, person_id) SELECT '${id}', lesson_id, edition, '${designer.person.id}' FROM attempts WHERE id = '${attemptId}'`,
        )
        const proper = list.map((batch) =>
          batch.filter(([a, b]) => a < b).map(([fromMs, toMs]) => ({ fromMs, toMs })),
        )
        for (const batch of proper) {
          const spans = batch.map((s) => ({
            ...s,
            id: nanoid(),
            partId: PART,
            rate: 1,
            muted: false,
            hidden: false,
            beganAt: iso(BEGAN),
            endedAt: iso(BEGAN),
            counts: true,
          }))
          const more = { place: null, released: [], seenAt: new Date(), clock: null }
          await storeBatch(prepared(pool, 'store'), id, {
            ...more,
            spans,
            parts: addUp(spans, new Set()),
          })
        }
        const read = async () => (await readCovered(within(database), [id])).get(id)
        const kept = await read()
        await database.query(`UPDATE attempt_coverage SET runs = '{}'; ${FILL_RUNS}`)
        const filled = await read()
        await database.query(`DELETE FROM attempts WHERE id = '${id}'`)
        expect(kept?.spans[PART] ?? []).toEqual(normalise(proper.flat()))
        expect(kept?.again[PART] ?? []).toEqual(watchedAgain(proper.flat()))
        for (const { runs } of [kept, filled].filter((one) => one !== undefined))
          expect(counts(runs[PART]!, 60_000, 700)).toEqual(counts(proper.flat(), 60_000, 700))
      }),
      { seed: 31, numRuns: 25 },
    )
  })
})

describe('somebody who jumps about very much', () => {
  const hops = (batch: number) =>
    Array.from({ length: 200 }, (_, at) => {
      const fromMs = ((at * 7 + batch) % 55) * 1000
      const beganMs = BEGAN + (batch * 200 + at) * 1000
      return span(fromMs, fromMs + 900, { beganAt: iso(beganMs), endedAt: iso(beganMs + 900) })
    })

  it('is counted from the spans, however much comes after', async () => {
    const { database } = server.context
    const runs = async () =>
      (await readCovered(within(database), [attemptId])).get(attemptId)?.runs[PART]
    await database.query(
      `UPDATE attempts SET opened_at = now() - interval '2 hours' WHERE id = '${attemptId}'`,
    )
    const sent = Array.from({ length: 5 }, (_, batch) => hops(batch))
    const kept: (number | null)[] = []
    for (const batch of sent) {
      await send(...batch)
      kept.push((await runs())?.length ?? null)
    }
    expect(kept).toEqual([200, 400, null, null, null])
    await database.query(`UPDATE attempt_coverage SET runs = '{}'; ${FILL_RUNS}`)
    expect(await runs()).toBeNull()
    const { body } = await designer.agent
      .get(`/api/results/lesson/${lessonId}/watching`)
      .expect(200)
    const [part] = body.parts
    expect(part.plays).toEqual(counts(sent.flat(), part.durationMs, part.binMs))
  })
})

describe('ways taken at forks', () => {
  const choice = (choiceId: string, at: number, change: object = {}) => ({
    kind: 'choice',
    id: nanoid(),
    cueId: 'f',
    choiceId,
    at: iso(at),
    ...change,
  })
  const chosen = async () =>
    (await agent.get(`/api/attempts/${attemptId}`).expect(200)).body.progress.chosen

  it('are kept, each of them, and the last counts', async () => {
    const later = choice('down', BEGAN + 1000)
    await send(later, choice('up', BEGAN))
    await send(later)
    expect(await chosen()).toEqual({ f: 'down' })
    const rows = await select(
      server.context.database,
      'SELECT 1 AS one FROM choices WHERE attempt_id = $1',
      [attemptId],
    )
    expect(rows).toHaveLength(2)
    expect(
      (await results()).learners[0].ways.map((way: { choiceId: string }) => way.choiceId),
    ).toEqual(['up', 'down'])
  })

  it('that are not in the lesson are refused, and nothing else is lost', async () => {
    const [good, ...bad] = [
      choice('up', BEGAN),
      choice('sideways', BEGAN),
      choice('up', BEGAN, { cueId: 'a' }),
    ]
    const reply = await send(good, ...bad)
    expect(reply.kept).toEqual([good!.id])
    expect(reply.refused.map(({ code }: { code: string }) => code)).toEqual([
      'unknownChoice',
      'unknownChoice',
    ])
    expect(await chosen()).toEqual({ f: 'up' })
  })
})

describe('results', () => {
  it('tell who opened, watched and answered, by edition', async () => {
    await send(span(0, 30_000), response(['a-b']), response(['a-a']))
    const body = await results()
    expect(body).toMatchObject({
      edition: 1,
      questions: [{ questionId: 'q-a', answered: 1, right: 1 }],
    })
    expect(body.learners).toMatchObject([
      {
        name: 'Odile Harcastle',
        guest: true,
        watched: 0.5,
        answered: 1,
        questions: 1,
        points: 1,
        max: 1,
      },
    ])
    expect(body.learners[0].answers.map((a: { text: string }) => a.text)).toEqual(['a-b', 'a-a'])
    expect(body.watching[PART].learners.filter((count: number) => count === 1)).toHaveLength(30)
  })

  it('of an edition that is not there are not found', async () => {
    await designer.agent.get(`/api/lessons/${lessonId}/results?edition=9`).expect(404)
  })
})
