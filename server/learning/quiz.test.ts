// A lesson of a film and a quiz: its answers, its end and its results.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import {
  edited,
  lessonWithFilm,
  PART,
  QUIZ,
  withFork,
  withQuestion,
  withQuiz,
} from '@fernbrake/core/testing'
import { edits, runEdit, type Lesson } from '@fernbrake/core/lesson'
import {
  hoursAgo,
  goInAsGuest,
  putLesson,
  putMedia,
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
beforeEach(() => begin(withQuiz(withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 }))))

const AT = hoursAgo(10)
const opened = (partId: string) => ({ kind: 'seen', id: nanoid(), partId, thingId: partId, at: AT })
const answered = (cueId: string, picked: string, change: object = {}) => ({
  kind: 'response',
  id: nanoid(),
  cueId,
  questionId: `q-${cueId}`,
  answeredAt: AT,
  answer: { kind: 'choice', picked: [picked] },
  ...change,
})
const finished = (partId: string, at = AT) => ({ kind: 'finish', id: nanoid(), partId, at })
const chose = (choiceId: string) => ({ kind: 'choice', id: nanoid(), cueId: 'f', choiceId, at: AT })
const placed = (change: object = {}) => ({
  kind: 'place',
  id: nanoid(),
  partId: QUIZ,
  atMs: 0,
  released: ['i1', 'nobody'],
  at: AT,
  ...change,
})

async function send(...records: object[]) {
  const { body } = await agent
    .post(`/api/attempts/${attemptId}/records`)
    .send({ records })
    .expect(200)
  return body
}
const codes = async (...records: object[]) =>
  (await send(...records)).refused.map(({ code }: { code: string }) => code)
const progress = async () => (await agent.get(`/api/attempts/${attemptId}`)).body.progress
const result = async () =>
  (await designer.agent.get(`/api/lessons/${lessonId}/results`).expect(200)).body

describe('answers in a quiz', () => {
  it('are marked, kept and counted with those of the film', async () => {
    const answers = [answered('i1', 'i1-a'), answered('i3', 'i3-b'), answered('a', 'a-a')]
    expect((await send(...answers, answers[0]!)).kept).toHaveLength(4)
    expect((await progress()).responses).toMatchObject([
      { cueId: 'i1', verdict: 'right', points: 1, tryNumber: 1 },
      { cueId: 'i3', verdict: 'wrong', points: 0 },
      { cueId: 'a', verdict: 'right' },
    ])
    const { learners, questions } = await result()
    expect(learners[0]).toMatchObject({ answered: 3, questions: 4, points: 2, max: 4 })
    expect(questions.map(({ questionId }: { questionId: string }) => questionId)).toEqual([
      'q-a',
      'q-i1',
      'q-i2',
      'q-i3',
    ])
  })

  it('are refused where the item does not ask the question, or is not there', async () => {
    expect(await codes(answered('i1', 'i2-a', { questionId: 'q-i2' }))).toEqual(['unknownQuestion'])
    expect(await codes(answered('nobody', 'x'))).toEqual(['unknownQuestion'])
    expect(await codes(answered('i1', 'i2-a'))).toEqual(['wrongAnswerKind'])
    expect((await progress()).responses).toEqual([])
  })

  it('are refused once the tries are used up', async () => {
    await send(answered('i1', 'i1-b'), answered('i1', 'i1-b'))
    expect(await codes(answered('i1', 'i1-a'))).toEqual(['noTriesLeft'])
  })

  it('a quiz is not watched, and has no moments', async () => {
    const span = { kind: 'span', id: nanoid(), partId: QUIZ, fromMs: 0, toMs: 500, rate: 1 }
    const seen = { beganAt: AT, endedAt: AT, muted: false, hidden: false }
    expect(await codes({ ...span, ...seen })).toEqual(['beyondEnd'])
    expect(await codes(placed({ atMs: 9000 }))).toEqual(['beyondEnd'])
    await send(placed())
    expect(await progress()).toMatchObject({ partId: QUIZ, atMs: 0, released: ['i1'] })
  })
})

describe('the end of a lesson', () => {
  const finishedAt = async () => (await result()).learners[0].finishedAt

  it('comes when every part is finished, in whatever order, and comes once', async () => {
    await send(opened(QUIZ), finished(QUIZ, hoursAgo(9)), answered('a', 'a-a'))
    expect(await finishedAt()).toBeNull()
    expect((await progress()).finishedParts).toEqual([QUIZ])
    await send(finished(PART, hoursAgo(8)))
    const end = await finishedAt()
    expect(end).toBe(hoursAgo(8))
    await send(finished(QUIZ, hoursAgo(7)))
    expect(await finishedAt()).toBe(end)
    expect((await progress()).finishedParts).toEqual([QUIZ, PART])
  })

  it('is one for both parts in one batch, and for batches that come twice at once', async () => {
    const batch = [finished(PART), finished(QUIZ), opened(QUIZ), answered('a', 'a-a')]
    await Promise.all(Array.from({ length: 6 }, () => send(...batch)))
    expect(await finishedAt()).toBe(AT)
  })

  it('is where a fork led: to an ending, or past a part', async () => {
    const film = lessonWithFilm(60_000)
    const ways = [
      { id: 'end', target: { to: 'ending', message: '' } as const },
      { id: 'quiz', target: { to: 'part', partId: QUIZ } as const },
    ]
    await begin(withFork(withQuiz(film), { id: 'f', atMs: 9000, ways }))
    await send(chose('end'), finished(PART))
    expect(await finishedAt()).toBe(AT)
    await begin(withFork(withQuiz(film), { id: 'f', atMs: 9000, ways }))
    await send(chose('quiz'))
    expect(await finishedAt()).toBeNull()
    await send(opened(QUIZ), finished(QUIZ))
    expect(await finishedAt()).toBe(AT)
  })
})

describe('what the designer finds elsewhere', () => {
  const cards = async () => (await designer.agent.get('/api/lessons').expect(200)).body.lessons
  const cardOf = async (id: string) =>
    (await cards()).find((card: { id: string }) => card.id === id)

  it('a card counts the questions of every part and draws the film’s frond', async () => {
    const card = await cardOf(lessonId)
    expect(card).toMatchObject({ questions: 4, quizzes: 1, durationMs: 60_000, stemMs: 60_000 })
    expect(card.cues.map((cue: { id: string }) => cue.id)).toEqual(['a'])
  })

  const alone = edited(withQuiz(lessonWithFilm()), edits.removePart, { partId: PART })

  it('a card of a quiz alone draws the quiz', async () => {
    const put = await putLesson(designer.person, alone)
    const card = await cardOf(put.lessonId)
    expect(card).toMatchObject({ questions: 3, quizzes: 1, durationMs: 0, stemMs: 3000 })
    expect(card.cues).toHaveLength(3)
    expect(card.posterMediaId).toBeNull()
  })

  it('a picture that a section shows is in use where it is shown', async () => {
    const mediaId = nanoid()
    await putMedia(designer.person, mediaId)
    const picture = { block: 'picture', mediaId, alternative: 'A gate' } as const
    const outcome = runEdit(alone, edits.setQuizSection, {
      partId: QUIZ,
      sectionId: 'first',
      change: { instructions: { blocks: [picture] } },
    })
    if (!outcome.ok) throw new Error('The edit was refused')
    const put = await putLesson(designer.person, alone)
    const { name, patches } = outcome.made
    const change = { revision: 0, edits: [{ id: 'e1', name, patches }] }
    await designer.agent.patch(`/api/lessons/${put.lessonId}/draft`).send(change).expect(200)
    const { body } = await designer.agent.get(`/api/media/${mediaId}/uses`).expect(200)
    expect(body.lessons).toMatchObject([{ id: put.lessonId, draft: true, editions: 0 }])
  })
})
