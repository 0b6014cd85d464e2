// The question shelf: what is kept is the question alone; it is found, asked again, seen where it is asked, let go.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { edits, runEdit } from '@fernbrake/core/lesson'
import type { Question } from '@fernbrake/core/questions'
import { edited, filmOf, lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { putLesson, putMedia, startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let designer: Awaited<ReturnType<TestServer['signedIn']>>
const asked = edited(
  withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000, evidence: { fromMs: 0, toMs: 4000 } }),
  edits.addMaterial,
  { materialId: 'm', questionId: 'q-a', title: 'Passage' },
)
const question = asked.questions['q-a']!

beforeAll(async () => {
  server = await startTestServer()
  designer = await server.signedIn('designer')
})
afterAll(() => server.stop())

const list = async (agent = designer.agent) =>
  (await agent.get('/api/questions').expect(200)).body.questions as {
    id: string
    question: Question
    lessons: { id: string }[]
  }[]
const keep = (id: string, kept: unknown = question) =>
  designer.agent.post('/api/questions').send({ id, question: kept })

describe('a kept question', () => {
  it('says what the question says, and nothing of its lesson', async () => {
    await keep('one').expect(200)
    const [first] = await list()
    expect(first).toMatchObject({ id: 'one', question: { stem: question.stem, evidence: null } })
    expect(first!.question).not.toHaveProperty('materialId')
  })

  it('is replaced by what has become of it', async () => {
    await keep('two').expect(200)
    await keep('two', { ...question, stem: 'Asked better' }).expect(200)
    const two = (await list()).filter(({ id }) => id === 'two')
    expect(two.map((kept) => kept.question.stem)).toEqual(['Asked better'])
  })

  it('is seen where it is asked', async () => {
    await keep('three').expect(200)
    const lesson = lessonWithFilm()
    await putMedia(designer.person, filmOf(lesson).mediaId!)
    const { lessonId } = await putLesson(designer.person, lesson, { published: false })
    const ids = { cueId: 'c', questionId: 'q', shelfId: 'three' }
    const outcome = runEdit(lesson, edits.addKeptQuestion, {
      ...ids,
      question,
      partId: PART,
      atMs: 1000,
    })
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
    const { name, patches } = outcome.made
    await designer.agent
      .patch(`/api/lessons/${lessonId}/draft`)
      .send({ revision: 0, edits: [{ id: nanoid(), name, patches }] })
      .expect(200)
    const three = (await list()).find(({ id }) => id === 'three')
    expect(three!.lessons.map(({ id }) => id)).toEqual([lessonId])
  })

  it('is nobody else’s', async () => {
    await keep('mine').expect(200)
    const other = (await server.signedIn('designer')).agent
    expect(await list(other)).toEqual([])
    await other.post('/api/questions').send({ id: 'mine', question }).expect(409)
    await other.delete('/api/questions/mine').expect(404)
    expect((await list()).some(({ id }) => id === 'mine')).toBe(true)
  })

  it('can be let go', async () => {
    await keep('gone').expect(200)
    await designer.agent.delete('/api/questions/gone').expect(200)
    await designer.agent.delete('/api/questions/gone').expect(404)
    expect((await list()).some(({ id }) => id === 'gone')).toBe(false)
  })

  it('must be a question', async () => {
    const { body } = await keep('bad', { ...question, points: -1 }).expect(422)
    expect(body.issues[0].path).toEqual(['body', 'question', 'points'])
  })
})
