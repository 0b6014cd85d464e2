// A lesson of pages, stills, decks and chronicles: what was seen of them, what was answered, and when it is finished.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import { edits, type Lesson } from '@fernbrake/core/lesson'
import {
  CHRONICLE,
  DECK,
  edited,
  lessonWithFilm,
  PAGE,
  PART,
  STILL,
  withRoutes,
  withThings,
} from '@fernbrake/core/testing'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from './testServer.ts'

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
async function begin(lesson: Lesson): Promise<void> {
  const put = await putLesson(designer.person, lesson)
  lessonId = put.lessonId
  ;({ agent, attemptId } = await goInAsGuest(server, put.code))
}
beforeEach(() => begin(withThings(lessonWithFilm())))

const AT = '2026-03-02T10:00:00.000Z'
const saw = (partId: string, thingId: string, at = AT) => ({
  ...{ kind: 'seen', id: nanoid(), partId, thingId, at },
})
const finished = (partId: string) => ({ kind: 'finish', id: nanoid(), partId, at: AT })
const answered = (cueId: string, questionId: string, picked: string) => ({
  ...{ kind: 'response', id: nanoid(), cueId, questionId, answeredAt: AT },
  answer: { kind: 'choice', picked: [picked] },
})
async function send(...records: object[]) {
  const url = `/api/attempts/${attemptId}/records`
  return (await agent.post(url).send({ records }).expect(200)).body
}
const progress = async () => (await agent.get(`/api/attempts/${attemptId}`)).body.progress
const learner = async () =>
  (await designer.agent.get(`/api/lessons/${lessonId}/results`).expect(200)).body.learners[0]

it('what was seen is kept once, in the order in which it was, and told to the teacher', async () => {
  const records = [
    saw(STILL, STILL),
    saw(STILL, 'pin-ask', '2026-03-02T10:01:00.000Z'),
    saw(STILL, 'pin', '2026-03-02T10:02:00.000Z'),
    saw(DECK, 'slide-2'),
  ]
  expect((await send(...records)).kept).toHaveLength(4)
  // A repeat, and a second seeing, change nothing.
  expect((await send(records[0]!, saw(STILL, 'pin', AT))).refused).toEqual([])
  const seen = { [STILL]: [STILL, 'pin-ask', 'pin'], [DECK]: ['slide-2'] }
  expect((await progress()).seen).toEqual(seen)
  expect((await learner()).seen).toEqual(seen)
})

it('what is not in a part cannot have been seen there', async () => {
  const { refused } = await send(
    saw(STILL, 'slide-1'),
    saw('nowhere', 'pin'),
    saw(PAGE, 'words'),
    saw(PART, PART),
  )
  expect(refused.map(({ code }: { code: string }) => code)).toEqual([
    ...['unknownThing', 'unknownPart', 'unknownThing'],
  ])
})

it('answers on pages and under pins are marked like any others', async () => {
  const answers = [answered('ask', 'q-ask', 'ask-a'), answered('pin-ask', 'q-pin', 'pin-b')]
  expect((await send(...answers)).kept).toHaveLength(2)
  expect((await send(answered('pin', 'q-pin', 'pin-a'))).refused).toMatchObject([
    { code: 'unknownQuestion' },
  ])
  expect(await learner()).toMatchObject({ answered: 2, questions: 2, points: 1, max: 2 })
})

it('the lesson is finished once every part is', async () => {
  await send(finished(PAGE), finished(STILL), finished(DECK), finished(CHRONICLE))
  expect((await learner()).finishedAt).toBeNull()
  await send(finished(PART))
  expect((await learner()).finishedAt).not.toBeNull()
})

const took = (partId: string, routeId: string) => ({
  ...{ kind: 'choice', id: nanoid(), cueId: partId, choiceId: routeId, at: AT },
})
const isFinished = async () => (await learner()).finishedAt !== null

it('a route that was taken is kept, and one that does not leave that part is refused', async () => {
  await begin(withRoutes(withThings(lessonWithFilm())))
  const { refused } = await send(took(PAGE, 'route'), took(STILL, 'out'), took(PAGE, 'gone'))
  expect(refused.map(({ code }: { code: string }) => code)).toEqual([
    ...['unknownChoice', 'unknownChoice'],
  ])
  expect((await progress()).chosen).toEqual({ [PAGE]: 'route' })
  expect((await learner()).ways).toMatchObject([{ cueId: PAGE, choiceId: 'route' }])
})

it('a route out of the lesson ends it', async () => {
  await begin(withRoutes(withThings(lessonWithFilm())))
  await send(finished(PAGE), took(PAGE, 'out'))
  expect(await isFinished()).toBe(true)
})

it('nobody has to wait before a gate that is shut, and whoever opened it is asked for what is behind', async () => {
  const gate = { condition: { if: 'visited', partId: STILL }, message: '' } as const
  const gated = edited(withThings(lessonWithFilm()), edits.setGate, { partId: CHRONICLE, gate })
  await begin(gated)
  const others = [PART, PAGE, DECK].map(finished)
  await send(...others, saw(STILL, STILL), finished(STILL))
  expect(await isFinished()).toBe(false)
  await begin(gated)
  // The still was never opened, and is finished all the same, as a repeat from another device may be.
  await send(...[PART, PAGE, DECK, STILL].map(finished))
  expect(await isFinished()).toBe(true)
})
