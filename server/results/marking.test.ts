// Marks that people give: who may, what fits, two at once, and when learners are told.
import { wordsIn } from '../locales/words.ts'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type {
  Attempt,
  GivenMark,
  MyClass,
  Pile,
  PileCard,
  Standing,
} from '@fernbrake/core/contract'
import { usualRules } from '@fernbrake/core/classes'
import { edits } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import {
  answered,
  beginWork,
  openClassroom,
  sendRecords,
  type Classroom,
  type Somebody,
} from '../testing/classroom.ts'
import { startTestServer, type TestServer, PASSWORD } from '../testing/testServer.ts'

let server: TestServer
let teacher: Somebody
let colleague: Somebody
let [ada, bram] = [] as unknown as [Somebody, Somebody]
let room: Classroom
let pilePath = ''

const RUBRIC = 'Order of the steps (3)\nDrawing: 0 none / 1 there'
const written = (rubric = '') => {
  const choice = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 })
  const two = withQuestion(choice, { id: 'b', atMs: 10_000 })
  const long = edited(two, edits.changeQuestionKind, {
    questionId: 'q-b',
    kind: 'longText' as const,
    ids: [],
  })
  const rules = { points: 4, ...(rubric ? { rubric } : {}) }
  return edited(long, edits.setQuestionRules, { questionId: 'q-b', rules })
}

beforeAll(async () => {
  server = await startTestServer()
  teacher = await server.signedIn('designer')
  colleague = await server.signedIn('designer')
  ada = await server.signedIn('learner')
  bram = await server.signedIn('learner')
})
afterAll(() => server.stop())

async function open(rubric = ''): Promise<void> {
  room = await openClassroom(server, teacher, [ada, bram], written(rubric))
  pilePath = `/api/marking/assignment/${room.assignmentId}`
}
beforeEach(() => open())

/** Writes the long answer; answers with its attempt and its id. */
async function write(who: Somebody, text = 'First the gates.') {
  const attemptId = await beginWork(who, room.assignmentId)
  const record = answered('b', 'q-b', { kind: 'longText', text })
  const { kept } = await sendRecords(who, attemptId, record)
  expect(kept).toEqual([record.id])
  return { attemptId, responseId: record.id }
}
const pile = async (query = '', { agent } = teacher) =>
  (await agent.get(`${pilePath}${query}`).expect(200)).body as Pile
const mark = (about: object, { agent } = teacher) =>
  agent
    .post(`${pilePath}/marks`)
    .send({ revision: 0, points: 3, levels: null, comment: '', ...about })
const tell = (told = true, questionId: string | null = null) =>
  teacher.agent.post(`${pilePath}/release`).send({ told, questionId }).expect(200)
const cardOf = async ({ agent }: Somebody) =>
  ((await agent.get('/api/marking').expect(200)).body.piles as PileCard[]).find(
    ({ sourceId }) => sourceId === room.assignmentId,
  )
async function standing({ person }: Somebody) {
  const reply = await teacher.agent.get(`${room.path}/${room.assignmentId}/standing`).expect(200)
  const learners = reply.body.learners as Standing[]
  return learners.find(({ personId }) => personId === person.id)!.attempts[0]!
}
async function workOf({ agent }: Somebody) {
  const { classes } = (await agent.get('/api/my-work').expect(200)).body as { classes: MyClass[] }
  return classes.find(({ id }) => id === room.classId)!.assignments[0]!.attempts[0]!
}
const heard = async ({ agent }: Somebody, attemptId: string) =>
  ((await agent.get(`/api/attempts/${attemptId}`).expect(200)).body as Attempt).progress
    .responses[0]!

it('what everybody is told later is not told before; the desk and the mail say when', async () => {
  const dueAt = new Date(Date.now() + 86_400_000).toISOString()
  const rules = { ...usualRules(), feedback: 'afterDue' as const }
  room = await openClassroom(server, teacher, [ada, bram], written(), { dueAt, rules })
  pilePath = `/api/marking/assignment/${room.assignmentId}`
  const about = await write(ada)
  await mark({ ...about, comment: 'Well seen' }).expect(200)
  await tell()
  expect((await pile()).tellsFrom).toBe(dueAt)
  const early = await heard(ada, about.attemptId)
  expect(early).toMatchObject({ verdict: 'unmarked', points: 0 })
  expect(JSON.stringify(early)).not.toContain('Well seen')
  const { body } = await ada.agent.get('/api/mailbox').expect(200)
  expect(body.mails[0].body).toMatch(/“See your results”, from .*\d{4} at .* on\./)
  const over = { dueAt: new Date(Date.now() - 1000).toISOString(), rules }
  const times = { opensAt: null, closesAt: null, mostAttempts: null, groups: [], people: [] }
  const { assignmentId: id, lessonId, path } = room
  await teacher.agent
    .post(path)
    .send({ id, lessonId, ...times, ...over })
    .expect(200)
  expect((await pile()).tellsFrom).toBeNull()
  expect((await heard(ada, about.attemptId)).marked).toMatchObject({ comment: 'Well seen' })
})

describe('a pile', () => {
  it('holds what a person has to look at, and with all of it the rest that brings points', async () => {
    const { attemptId, responseId } = await write(ada)
    await sendRecords(
      ...([ada, attemptId] as const),
      answered('a', 'q-a', { kind: 'choice', picked: ['a-a'] }),
    )
    const { answers, questions, title, classTitle } = await pile()
    expect([title, classTitle]).toEqual(['A lesson', 'Spring intake'])
    expect(answers).toMatchObject([
      {
        attemptId,
        responseId,
        questionId: 'q-b',
        text: 'First the gates.',
        verdict: 'unmarked',
        points: 0,
        mark: null,
        learner: { name: ada.person.name },
      },
    ])
    expect(questions[answers[0]!.asked]).toMatchObject({ id: 'q-b', points: 4 })
    expect((await pile('?which=all')).answers).toHaveLength(2)
    expect(await cardOf(teacher)).toMatchObject({ waiting: 1, marked: 0, untold: 0 })
  })

  it('sends no names while they are hidden, and the same numbers each time', async () => {
    await write(ada)
    await write(bram)
    const hidden = await pile('?names=hidden')
    const text = JSON.stringify(hidden)
    for (const { person } of [ada, bram]) expect(text).not.toContain(person.name)
    expect(hidden.answers.map(({ learner }) => learner.number).sort()).toEqual([1, 2])
    expect(await pile('?names=hidden')).toEqual(hidden)
  })

  it('is there for those who teach the class, and for nobody else', async () => {
    const { attemptId, responseId } = await write(ada)
    await colleague.agent.get(pilePath).expect(404)
    await mark({ attemptId, responseId }, colleague).expect(404)
    expect(await cardOf(colleague)).toBeUndefined()
    const { email } = colleague.person
    await teacher.agent.post(`/api/classes/${room.classId}/teachers`).send({ email }).expect(200)
    await mark({ attemptId, responseId }, colleague).expect(200)
    // An attempt of another pile is not reached through this one.
    const other = { ...room }
    await open()
    const from = `/api/marking/assignment/${other.assignmentId}`
    const elsewhere = await write(bram)
    await teacher.agent
      .post(`${from}/marks`)
      .send({ ...elsewhere, revision: 0, points: 1, levels: null, comment: '' })
      .expect(404)
  })

  it('of a lesson opened by its link is there for its editors', async () => {
    const opened = await bram.agent.post(`/api/links/${room.code}/attempts`).send({})
    const { attemptId } = opened.body as { attemptId: string }
    await sendRecords(bram, attemptId, answered('b', 'q-b', { kind: 'longText', text: 'By link' }))
    pilePath = `/api/marking/lesson/${room.lessonId}`
    const { answers } = await pile()
    expect(answers).toMatchObject([{ attemptId, text: 'By link' }])
    await colleague.agent.get(pilePath).expect(404)
  })
})

describe('a mark', () => {
  it('above the maximum, below nothing or beside the rubric is refused with a sentence', async () => {
    const about = await write(ada)
    const refused = await mark({ ...about, points: 4.5 }).expect(422)
    expect(refused.body.detail).toBe('This question brings up to 4 points; nothing was changed.')
    await mark({ ...about, points: -1 }).expect(422)
    await mark({ ...about, levels: [1] }).expect(422)
    expect((await pile()).answers[0]!.mark).toBeNull()
    await open(RUBRIC)
    const ruled = await write(ada)
    await mark({ ...ruled, points: 4, levels: [2, 1] }).expect(422)
    await mark({ ...ruled, points: 2, levels: [2, null] }).expect(422)
    await mark({ ...ruled, points: 3, levels: [2, 1] }).expect(200)
  })

  it('counts for teachers at once, and for the learner once it is told', async () => {
    const about = await write(ada)
    const given = (await mark({ ...about, comment: 'Well seen.' }).expect(200)).body as GivenMark
    expect(given).toMatchObject({ points: 3, verdict: 'partly', revision: 1, releasedAt: null })
    expect((await standing(ada)).points).toBe(3)
    expect((await workOf(ada)).points).toBe(0)
    expect(await heard(ada, about.attemptId)).toMatchObject({ verdict: 'unmarked', points: 0 })
    expect(await cardOf(teacher)).toMatchObject({ waiting: 0, marked: 1, untold: 1 })
    expect((await tell()).body).toEqual({ marks: 1, learners: 1 })
    expect((await tell()).body).toEqual({ marks: 0, learners: 0 })
    expect((await workOf(ada)).points).toBe(3)
    expect(await heard(ada, about.attemptId)).toMatchObject({
      verdict: 'partly',
      points: 3,
      marked: { points: 3, comment: 'Well seen.' },
    })
    await tell(false)
    expect(await heard(ada, about.attemptId)).not.toHaveProperty('marked')
  })

  it('of one question can be told alone', async () => {
    const about = await write(ada)
    await sendRecords(
      ...([ada, about.attemptId] as const),
      answered('a', 'q-a', { kind: 'choice', picked: ['a-b'] }),
    )
    const choice = (await pile('?which=all')).answers.find(
      ({ questionId }) => questionId === 'q-a',
    )!
    await mark(about).expect(200)
    // What was marked by itself can be put right by a person too.
    const { responseId } = choice
    await mark({ attemptId: about.attemptId, responseId, points: 1 }).expect(200)
    expect((await tell(true, 'q-a')).body).toEqual({ marks: 1, learners: 1 })
    expect((await workOf(ada)).points).toBe(1)
  })

  it('is not overwritten by somebody who has not seen it; a repeat is harmless', async () => {
    const about = await write(ada)
    const { email } = colleague.person
    await teacher.agent.post(`/api/classes/${room.classId}/teachers`).send({ email }).expect(200)
    await mark({ ...about, comment: 'Mine' }).expect(200)
    expect((await mark({ ...about, comment: 'Mine' }).expect(200)).body.revision).toBe(1)
    const refused = await mark({ ...about, points: 1, comment: 'Theirs' }, colleague).expect(409)
    expect(refused.body.type).toBe('urn:fernbrake:problem:mark-changed')
    expect(refused.body.detail).toContain(teacher.person.name)
    expect((await pile()).answers[0]!.mark).toMatchObject({ points: 3, comment: 'Mine' })
    await mark({ ...about, revision: 1, points: 1, comment: 'Seen' }, colleague).expect(200)
    await mark({ ...about, revision: 1, points: 2 }).expect(409)
    // Two at the same moment: one of them hears of the other.
    const both = await Promise.all(
      [teacher, colleague].map((who) => mark({ ...about, revision: 2, points: 2 }, who)),
    )
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
  })

  it('is told by mail to those who have an address, whatever the lesson is called', async () => {
    const about = await write(ada)
    await mark(about).expect(200)
    await tell()
    const { mails } = (await teacher.agent.get('/api/mailbox').expect(200)).body as {
      mails: { recipient: string; subject: string }[]
    }
    expect(mails[0]).toMatchObject({ recipient: ada.person.email })
    expect(mails[0]!.subject).toContain('A lesson')
  })

  it('is told in the language that the learner was here in last, whatever the teacher reads', async () => {
    const { email } = ada.person
    await server
      .anonymous()
      .post('/api/session')
      .set('Accept-Language', 'qaa')
      .send({ email, password: PASSWORD })
      .expect(200)
    await mark(await write(ada)).expect(200)
    await tell()
    const { mails } = (await teacher.agent.get('/api/mailbox').expect(200)).body as {
      mails: { subject: string; body: string }[]
    }
    expect(mails[0]!.subject).toBe(wordsIn('qaa').mail.marked.subject('A lesson'))
  })
})

describe('comments', () => {
  it('are kept by whoever marks, once each, and forgotten again', async () => {
    const keep = (words: string) =>
      teacher.agent.post('/api/marking/comments').send({ id: nanoid(), words }).expect(200)
    await keep('Say which gate.')
    const { comments } = (await keep('Say which gate.')).body as Pick<Pile, 'comments'>
    expect(comments.map(({ words }) => words)).toEqual(['Say which gate.'])
    expect((await pile()).comments).toEqual(comments)
    const { id } = comments[0]!
    await colleague.agent.delete(`/api/marking/comments/${id}`).expect(200)
    expect((await pile()).comments).toEqual(comments)
    await teacher.agent.delete(`/api/marking/comments/${id}`).expect(200)
    expect((await pile()).comments).toEqual([])
  })
})
