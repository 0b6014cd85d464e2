// A lesson of pages, stills, decks and chronicles: what was seen of them, what was answered, and when it is finished.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import { edits, partOfKind, type Lesson } from '@fernbrake/core/lesson'
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
async function begin(lesson: Lesson): Promise<void> {
  const put = await putLesson(designer.person, lesson)
  lessonId = put.lessonId
  ;({ agent, attemptId } = await goInAsGuest(server, put.code))
}
beforeEach(() => begin(withThings(lessonWithFilm())))

const AT = hoursAgo(10)
const saw = (partId: string, thingId: string, at = AT) => ({
  kind: 'seen',
  id: nanoid(),
  partId,
  thingId,
  at,
})
const finished = (partId: string) => ({ kind: 'finish', id: nanoid(), partId, at: AT })
const answered = (cueId: string, questionId: string, picked: string) => ({
  kind: 'response',
  id: nanoid(),
  cueId,
  questionId,
  answeredAt: AT,
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
    saw(STILL, 'pin-ask', hoursAgo(10, 60)),
    saw(STILL, 'pin', hoursAgo(10, 120)),
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
    'unknownThing',
    'unknownPart',
    'unknownThing',
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

const SLIDES = Object.keys(partOfKind(withThings(lessonWithFilm()), DECK, 'deck')!.slides)
const everySlide = () => SLIDES.map((id) => saw(DECK, id))

it('the lesson is finished once every part is', async () => {
  const parts = [PAGE, STILL, DECK, CHRONICLE]
  await send(...parts.map((id) => saw(id, id)), ...parts.map(finished))
  expect((await learner()).finishedAt).toBeNull()
  await send(finished(PART))
  // A deck whose pictures nobody has seen is not finished, whatever was said of it.
  expect((await learner()).finishedAt).toBeNull()
  await send(...everySlide())
  expect((await learner()).finishedAt).not.toBeNull()
})

const took = (partId: string, routeId: string) => ({
  kind: 'choice',
  id: nanoid(),
  cueId: partId,
  choiceId: routeId,
  at: AT,
})
const isFinished = async () => (await learner()).finishedAt !== null

it('a route that was taken is kept, and one that does not leave that part is refused', async () => {
  await begin(withRoutes(withThings(lessonWithFilm())))
  const { refused } = await send(took(PAGE, 'route'), took(STILL, 'out'), took(PAGE, 'gone'))
  expect(refused.map(({ code }: { code: string }) => code)).toEqual([
    'unknownChoice',
    'unknownChoice',
  ])
  expect((await progress()).chosen).toEqual({ [PAGE]: 'route' })
  expect((await learner()).ways).toMatchObject([{ cueId: PAGE, choiceId: 'route' }])
})

it('a route out of the lesson ends it', async () => {
  await begin(withRoutes(withThings(lessonWithFilm())))
  await send(took(PAGE, 'out'))
  expect(await isFinished()).toBe(false)
  await send(saw(PAGE, PAGE), finished(PAGE))
  expect(await isFinished()).toBe(true)
})

it('nobody has to wait before a gate that is shut, and whoever opened it is asked for what is behind', async () => {
  const gate = { condition: { if: 'watched', partId: PART, atLeast: 0.9 }, message: '' } as const
  const gated = edited(withThings(lessonWithFilm()), edits.setGate, { partId: CHRONICLE, gate })
  await begin(gated)
  const others = [PAGE, DECK, STILL]
  const all = [
    ...others.map((id) => saw(id, id)),
    ...everySlide(),
    ...[PART, ...others].map(finished),
  ]
  await send(...all, finished(CHRONICLE), saw(CHRONICLE, CHRONICLE))
  // What lies behind the gate is not asked for, nor finished by saying so.
  expect(await isFinished()).toBe(true)
  expect((await progress()).finishedParts).not.toContain(CHRONICLE)
  await begin(gated)
  // What opens the gate comes in one batch with the end, after it.
  const watched = { kind: 'span', id: nanoid(), partId: PART, fromMs: 0, toMs: 60_000, rate: 1 }
  const times = { beganAt: hoursAgo(9), endedAt: hoursAgo(9, 60), muted: false, hidden: false }
  await send(...all, { ...watched, ...times })
  expect(await isFinished()).toBe(false)
  await send(saw(CHRONICLE, CHRONICLE), finished(CHRONICLE))
  expect(await isFinished()).toBe(true)
})
