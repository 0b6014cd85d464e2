// Lessons given to classes: who gets them, when, how often, and under which rules; what is counted and what is not.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { usualRules, type AssignmentRules } from '@fernbrake/core/classes'
import type {
  Assignment,
  MyClass,
  Now,
  Person,
  RecordsReply,
  Standing,
} from '@fernbrake/core/contract'
import { lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import { run } from '../database/connect.ts'
import {
  begunBefore,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let teacher: { agent: Agent; person: Person }
let lessonId: string
let [classId, path] = ['', '']
let ada: { agent: Agent; person: Person }
let bram: { agent: Agent; person: Person }

const PART = 'part-1'
const minutes = (count: number) => new Date(Date.now() + count * 60_000).toISOString()

beforeAll(async () => {
  server = await startTestServer()
  teacher = await server.signedIn('designer')
  const lesson = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 10_000 })
  lessonId = (await putLesson(teacher.person, lesson)).lessonId
  ada = await server.signedIn('learner')
  bram = await server.signedIn('learner')
})
afterAll(() => server.stop())

/** A class of its own for each test, with the two in it. */
beforeEach(async () => {
  classId = nanoid()
  path = `/api/classes/${classId}/assignments`
  const body = { id: classId, title: 'Spring intake', timeZone: 'Europe/London' }
  await teacher.agent.post('/api/classes').send(body).expect(201)
  const opening = { joinUntil: minutes(5) }
  const opened = await teacher.agent.patch(`/api/classes/${classId}`).send(opening)
  for (const { agent } of [ada, bram])
    await agent.post(`/api/join/${opened.body.joinCode}`).send({}).expect(201)
})

type Given = Partial<Omit<Assignment, 'rules'>> & { rules?: Partial<AssignmentRules> }
function save({ rules, ...given }: Given = {}) {
  const times = { opensAt: null, dueAt: null, closesAt: null }
  const body = { id: 'x', lessonId, ...times, mostAttempts: null, groups: [], people: [], ...given }
  return teacher.agent.post(path).send({ ...body, rules: { ...usualRules(), ...rules } })
}
async function assign(given: Given = {}): Promise<string> {
  const id = nanoid()
  await save({ ...given, id }).expect(200)
  return id
}
async function workOf({ agent }: { agent: Agent }): Promise<MyClass['assignments']> {
  const { classes } = (await agent.get('/api/my-work').expect(200)).body as { classes: MyClass[] }
  return classes.find(({ id }) => id === classId)?.assignments ?? []
}
const begin = ({ agent }: { agent: Agent }, id: string, number = 1) =>
  agent.post(`/api/assignments/${id}/attempts`).send({ number })
async function begun(who: { agent: Agent }, id: string, number = 1): Promise<string> {
  const { attemptId } = (await begin(who, id, number).expect(201)).body as { attemptId: string }
  await begunBefore(attemptId)
  return attemptId
}
async function send(who: { agent: Agent }, attemptId: string, ...records: object[]) {
  const reply = await who.agent.post(`/api/attempts/${attemptId}/records`).send({ records })
  expect(reply.status).toBe(200)
  return reply.body as RecordsReply
}
const answer = (answeredAt: string, picked = 'a-a') => ({
  kind: 'response',
  id: nanoid(),
  cueId: 'a',
  questionId: 'q-a',
  answeredAt,
  answer: { kind: 'choice', picked: [picked] },
})
function span(fromMs: number, toMs: number, more: object = {}) {
  // Long enough before now for all of the film, in its order.
  const at = (ms: number) => new Date(Date.now() - 120_000 + ms).toISOString()
  const [beganAt, endedAt] = [at(fromMs), at(toMs)]
  const how = { rate: 1, beganAt, endedAt, muted: false, hidden: false }
  return { kind: 'span', id: nanoid(), partId: PART, fromMs, toMs, ...how, ...more }
}
async function standing(id: string, { person }: { person: Person }): Promise<Standing> {
  const reply = await teacher.agent.get(`${path}/${id}/standing`).expect(200)
  return (reply.body.learners as Standing[]).find(({ personId }) => personId === person.id)!
}

describe('a lesson given to a class', () => {
  it('is on the page of everybody in it, and of nobody else', async () => {
    const id = await assign({ dueAt: minutes(60) })
    expect(await workOf(ada)).toMatchObject([{ id, title: 'A lesson', attempts: [] }])
    const stranger = await server.signedIn('learner')
    expect(await workOf(stranger)).toEqual([])
    await begin(stranger, id).expect(404)
    // Who leaves has no more to do; what was done stays.
    const attemptId = await begun(ada, id)
    await teacher.agent
      .patch(`/api/classes/${classId}/members/${ada.person.id}`)
      .send({ hasLeft: true })
      .expect(200)
    expect(await workOf(ada)).toEqual([])
    await begin(ada, id, 2).expect(404)
    await ada.agent.get(`/api/attempts/${attemptId}`).expect(200)
    expect(await standing(id, ada)).toMatchObject({ hasLeft: true, attempts: [{ number: 1 }] })
    expect(await standing(id, bram)).toMatchObject({ hasLeft: false, attempts: [] })
  })

  it('is not begun any more once the class is over', async () => {
    const id = await assign()
    const over = (isOver: boolean) =>
      teacher.agent.patch(`/api/classes/${classId}`).send({ isOver }).expect(200)
    await over(true)
    expect(await workOf(ada)).toEqual([])
    await begin(ada, id).expect(404)
    await over(false)
    await begin(ada, id).expect(201)
  })

  it('may be for a group or for people alone', async () => {
    const groups = `/api/classes/${classId}/groups`
    await teacher.agent.post(groups).send({ id: 'north', title: 'North' }).expect(200)
    const member = `/api/classes/${classId}/members/${bram.person.id}`
    await teacher.agent
      .patch(member)
      .send({ groups: ['north'] })
      .expect(200)
    const forGroup = await assign({ groups: ['north'] })
    const forAda = await assign({ people: [ada.person.id] })
    expect((await workOf(ada)).map(({ id }) => id)).toEqual([forAda])
    expect((await workOf(bram)).map(({ id }) => id)).toEqual([forGroup])
    await begin(ada, forGroup).expect(404)
    const { assignments } = (await teacher.agent.get(path)).body as { assignments: Assignment[] }
    expect(assignments.map(({ learners }) => learners)).toEqual([1, 1])
    await save({ id: nanoid(), groups: ['elsewhere'] }).expect(404)
    // The group cannot be removed while something is assigned to it.
    const refused = await teacher.agent.delete(`${groups}/north`).expect(409)
    expect(refused.body.type).toBe('urn:fernbrake:problem:group-in-use')
    await teacher.agent.delete(`${path}/${forGroup}`).expect(200)
    await teacher.agent.delete(`${groups}/north`).expect(200)
  })

  it('must be a lesson that the teacher may see, and that is published', async () => {
    const other = await server.signedIn('designer')
    const theirs = await putLesson(other.person, lessonWithFilm())
    await save({ id: nanoid(), lessonId: theirs.lessonId }).expect(404)
    const draft = await putLesson(teacher.person, lessonWithFilm(), { published: false })
    await save({ id: nanoid(), lessonId: draft.lessonId }).expect(409)
  })

  it('stands where it was put, and is taken back without loss', async () => {
    const [one, two, three] = [await assign(), await assign(), await assign()]
    const place = (id: string, beforeId: string | null) =>
      teacher.agent.patch(`${path}/${id}`).send({ beforeId }).expect(200)
    await place(three, one)
    await place(one, null)
    expect((await workOf(ada)).map(({ id }) => id)).toEqual([three, two, one])
    await begun(ada, two)
    for (const id of [one, two]) await teacher.agent.delete(`${path}/${id}`).expect(200)
    expect((await workOf(ada)).map(({ id }) => id)).toEqual([three])
    const { assignments } = (await teacher.agent.get(path)).body as { assignments: Assignment[] }
    expect(assignments.map(({ id, isWithdrawn }) => [id, isWithdrawn])).toEqual([
      [three, false],
      [two, true],
    ])
    // Given again, it is there with what was done.
    await save({ id: two }).expect(200)
    expect((await workOf(ada)).find(({ id }) => id === two)!.attempts).toHaveLength(1)
  })
})

describe('times and attempts', () => {
  it('must follow one another', async () => {
    const reply = await save({ opensAt: minutes(9), dueAt: minutes(5) }).expect(422)
    expect(reply.body.detail).toMatch(/due before it opens/)
  })

  it('nobody begins early or late', async () => {
    await begin(ada, await assign({ opensAt: minutes(5) })).expect(409)
    await begin(ada, await assign({ opensAt: minutes(-9), closesAt: minutes(-1) })).expect(409)
    await begin(ada, await assign({ opensAt: minutes(-9), dueAt: minutes(-1) })).expect(201)
  })

  it('are as many as were given, each with its own work; a repeat begins none', async () => {
    const id = await assign({ mostAttempts: 2 })
    const first = await begun(ada, id)
    expect(await begun(ada, id)).toBe(first)
    await send(ada, first, answer(minutes(0)))
    await begin(ada, id, 3).expect(409)
    const both = await Promise.all([begun(ada, id, 2), begun(ada, id, 2)])
    expect(both[0]).toBe(both[1])
    await begin(ada, id, 3).expect(409)
    const [work] = await workOf(ada)
    expect(work!.attempts.map(({ answered }) => answered)).toEqual([1, 0])
    // A lesson opened by its link is another matter.
    const { attempts } = (await ada.agent.get('/api/attempts')).body as { attempts: unknown[] }
    expect(attempts).toEqual([])
  })

  it('an answer after closing is refused, one that was under way is not', async () => {
    const id = await assign({ closesAt: minutes(10) })
    const attemptId = await begun(ada, id)
    await run(
      server.context.database,
      `UPDATE assignments SET closes_at = now() - interval '5 minutes' WHERE id = $1`,
      [id],
    )
    const late = await send(ada, attemptId, answer(minutes(-1)), span(0, 20_000))
    expect(late.refused).toMatchObject([{ code: 'closed' }])
    expect(late.kept).toHaveLength(1)
    expect((await send(ada, attemptId, answer(minutes(-6)))).refused).toEqual([])
    const { attempts } = await standing(id, ada)
    // What was watched after closing is kept and marked.
    expect(attempts).toMatchObject([{ answered: 1, watched: 0, leftOut: 1 }])
  })
})

describe('after closing', () => {
  it('nothing becomes complete, and what is done is kept all the same', async () => {
    const close = (id: string) =>
      run(
        server.context.database,
        `UPDATE assignments SET closes_at = now() - interval '5 minutes' WHERE id = $1`,
        [id],
      )
    const toFinish = await assign({ closesAt: minutes(10) })
    const attemptId = await begun(ada, toFinish)
    await send(ada, attemptId, answer(minutes(0)))
    await close(toFinish)
    await send(ada, attemptId, { kind: 'finish', id: nanoid(), partId: PART, at: minutes(0) })
    expect((await standing(toFinish, ada)).attempts[0]).toMatchObject({ isComplete: false })
    expect((await standing(toFinish, ada)).attempts[0]!.finishedAt).not.toBeNull()
    const byHand = await assign({
      closesAt: minutes(10),
      rules: { completion: { by: 'hand', share: 1 } },
    })
    const confirmed = await begun(ada, byHand)
    await close(byHand)
    await ada.agent.post(`/api/attempts/${confirmed}/confirm`).send({}).expect(409)
  })
})

describe('who is where', () => {
  it('is told with what was watched and answered', async () => {
    const id = await assign()
    const now = async () => (await teacher.agent.get(`${path}/${id}/now`).expect(200)).body as Now
    expect((await now()).learners.map(({ attempt }) => attempt)).toEqual([null, null])
    const attemptId = await begun(ada, id)
    const place = { kind: 'place', id: nanoid(), partId: PART, atMs: 12_000, released: [] }
    const at = minutes(0)
    await send(ada, attemptId, span(0, 12_000), answer(at), { ...place, at })
    const { parts, learners, title } = await now()
    const mine = learners.find(({ personId }) => personId === ada.person.id)!.attempt!
    expect(title).toBe('A lesson')
    expect(mine).toMatchObject({ atMs: 12_000, answered: { a: true }, finished: false })
    expect(mine.covered).toEqual([{ fromMs: 0, toMs: 12_000 }])
    expect(parts[mine.part!]).toMatchObject({ number: 1, stemMs: 60_000, cues: [{ id: 'a' }] })
    await ada.agent.get(`${path}/${id}/now`).expect(404)
  })
})

describe('rules', () => {
  it('of jumping and speed reach the player, and are checked here', async () => {
    const id = await assign({ rules: { seek: 'none', topRate: 1.25 } })
    const attemptId = await begun(ada, id)
    const { lesson, assignment } = (await ada.agent.get(`/api/attempts/${attemptId}`)).body
    expect([lesson.parts[PART].seekRule, assignment.topRate]).toEqual(['none', 1.25])
    const slow = span(0, 20_000, { rate: 1.25 })
    await send(ada, attemptId, slow, span(20_000, 50_000, { rate: 2 }))
    const { attempts } = await standing(id, ada)
    expect(attempts[0]).toMatchObject({ leftOut: 1 })
    expect(attempts[0]!.watched).toBeCloseTo(1 / 3, 5)
  })

  it('say when it is complete', async () => {
    const watched = await assign({ rules: { completion: { by: 'watched', share: 0.8 } } })
    const score = await assign({ rules: { completion: { by: 'score', share: 1 } } })
    const byHand = await assign({ rules: { completion: { by: 'hand', share: 0 } } })
    const isComplete = async (id: string) =>
      (await workOf(ada)).find((one) => one.id === id)!.attempts[0]!.isComplete
    const one = await begun(ada, watched)
    await send(ada, one, span(0, 40_000))
    expect(await isComplete(watched)).toBe(false)
    await send(ada, one, span(40_000, 50_000))
    expect(await isComplete(watched)).toBe(true)
    const two = await begun(ada, score)
    expect(await isComplete(score)).toBe(false)
    await send(ada, two, answer(minutes(0)))
    expect(await isComplete(score)).toBe(true)
    const three = await begun(ada, byHand)
    const confirm = ({ agent }: { agent: Agent }) => agent.post(`/api/attempts/${three}/confirm`)
    await confirm(bram).send({}).expect(404)
    const first = await confirm(ada).send({}).expect(200)
    expect((await confirm(ada).send({}).expect(200)).body).toEqual(first.body)
    expect(await isComplete(byHand)).toBe(true)
  })
})

describe('jumping ahead against the rule', () => {
  it('is told to the teacher, in whatever order devices sent what was watched', async () => {
    const id = await assign({ rules: { seek: 'none' } })
    const attemptId = await begun(ada, id)
    await send(ada, attemptId, span(40_000, 45_000))
    await send(ada, attemptId, span(0, 10_000))
    expect((await standing(id, ada)).attempts[0]).toMatchObject({ jumpedMs: 30_000 })
    await send(ada, attemptId, span(10_000, 40_000))
    expect((await standing(id, ada)).attempts[0]).toMatchObject({ jumpedMs: 0 })
  })
})
