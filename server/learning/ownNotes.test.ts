// What learners write for themselves: kept once, the latest word holds, and nobody else is told.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import type { Attempt } from '@fernbrake/core/contract'
import { MOST_NOTES } from '@fernbrake/core/notes'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { run } from '../database/connect.ts'
import {
  hoursAgo,
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
  const put = await putLesson(designer.person, lessonWithFilm(60_000))
  lessonId = put.lessonId
  ;({ agent, attemptId } = await goInAsGuest(server, put.code))
})

const note = (noteId: string, words: string, second: number, change: object = {}) => ({
  kind: 'ownNote',
  id: nanoid(),
  noteId,
  partId: PART,
  place: { on: 'moment', atMs: 9000 },
  words,
  isGone: false,
  at: hoursAgo(5, second),
  ...change,
})
const send = async (...records: object[]) => {
  const path = `/api/attempts/${attemptId}/records`
  return (await agent.post(path).send({ records }).expect(200)).body as {
    kept: string[]
    refused: { code: string }[]
  }
}
async function kept() {
  const { body } = await agent.get(`/api/attempts/${attemptId}`).expect(200)
  return (body as Attempt).progress.ownNotes.map(({ id, words }) => [id, words])
}

it('a note is kept, and its latest word holds, in whatever order the words come', async () => {
  const first = note('a', 'Where from?', 1)
  expect(await send(first)).toMatchObject({ kept: [first.id], refused: [] })
  await send(first)
  await send(note('a', 'From Oxwith', 9), note('b', '', 2))
  await send(note('a', 'late', 5), note('a', 'later', 7), note('a', 'early', 3))
  expect(await kept()).toEqual([
    ['b', ''],
    ['a', 'From Oxwith'],
  ])
  await send(note('a', '', 10, { isGone: true }))
  await send(note('a', 'back?', 9))
  expect(await kept()).toEqual([['b', '']])
  await send(note('a', 'put back', 11))
  expect((await kept()).at(-1)).toEqual(['a', 'put back'])
})

it('what cannot be kept is refused with a reason, and the rest is kept', async () => {
  const place = { on: 'words', blockId: 'x', from: 2, to: 9, quote: 'the sill' }
  const fine = note('fine', '<b>kept as it is</b>', 1, { place })
  const { refused } = await send(note('nowhere', 'x', 1, { partId: 'nowhere' }), fine)
  expect(refused.map(({ code }) => code)).toEqual(['unknownPart'])
  expect(await kept()).toEqual([['fine', '<b>kept as it is</b>']])
  const path = `/api/attempts/${attemptId}/records`
  for (const change of [
    { words: 'x'.repeat(4001) },
    { words: 'half \ud83d' },
    { place: { on: 'moment', atMs: -1 } },
    { place: { ...place, quote: 'x'.repeat(501) } },
    { place: { on: 'moment', atMs: 1, blockId: 'x' } },
  ])
    await agent
      .post(path)
      .send({ records: [note('bad', 'x', 1, change)] })
      .expect(422)
})

it('there are so many and no more; one that is there can still be written', async () => {
  await run(
    server.context.database,
    `INSERT INTO own_notes SELECT $1, 'n' || i, $2, '{"on":"part"}', '', false, now() - interval '1 year'
       FROM generate_series(1, ${MOST_NOTES}) AS i`,
    [attemptId, PART],
  )
  const { kept: taken, refused } = await send(note('n1', 'changed', 1), note('more', 'x', 1))
  expect(taken).toHaveLength(1)
  expect(refused.map(({ code }) => code)).toEqual(['tooManyNotes'])
})

it('nobody else is told: not the teacher, not another learner', async () => {
  await send(note('secret', 'only for me', 1))
  const pages = [
    `/api/lessons/${lessonId}/results`,
    `/api/lessons/${lessonId}/results/${attemptId}`,
    `/api/attempts/${attemptId}`,
  ]
  for (const page of pages)
    expect((await designer.agent.get(page)).text, page).not.toContain('only for me')
})
