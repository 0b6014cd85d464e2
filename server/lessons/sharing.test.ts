// Who may learn a lesson, who works on it, and what publishing again brings, on a real server.
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { DraftReply, LessonRoleName, SeenBy } from '@fernbrake/core/contract'
import { edits, runEdit, type Edit, type Lesson } from '@fernbrake/core/lesson'
import { filmOf, lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { AttemptRow } from '../database/models.ts'
import {
  goInAsGuest,
  putLesson,
  putMedia,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

type SignedIn = Awaited<ReturnType<TestServer['signedIn']>>

let server: TestServer
let owner: SignedIn
let other: SignedIn
let learner: SignedIn
let lesson: Lesson
let lessonId: string
let code: string

beforeAll(async () => {
  server = await startTestServer()
  owner = await server.signedIn('designer')
  other = await server.signedIn('designer')
  learner = await server.signedIn('learner')
})
afterAll(() => server.stop())
beforeEach(async () => {
  lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 })
  lesson = { ...lesson, parts: { [PART]: { ...filmOf(lesson), mediaId: null } } }
  ;({ lessonId, code } = await putLesson(owner.person, lesson))
})

const share = (body: object, agent = owner.agent) =>
  agent.patch(`/api/lessons/${lessonId}/sharing`).send(body)
const seenBy = (seen: SeenBy) => share({ seenBy: seen }).expect(200)
const statusFor = async (agent: Agent) => (await agent.get(`/api/links/${code}`)).status
const give = (email: string | null, role: LessonRoleName) =>
  owner.agent.post(`/api/lessons/${lessonId}/people`).send({ email, role })

function made<A>(id: string, edit: Edit<A>, args: A) {
  const outcome = runEdit(lesson, edit, args)
  if (!outcome.ok) throw new Error('not made')
  return { id, name: edit.name, patches: outcome.made.patches }
}
const send = (agent: Agent, ...all: ReturnType<typeof made>[]) =>
  agent.patch(`/api/lessons/${lessonId}/draft`).send({ revision: 0, edits: all })

describe('who may learn a lesson', () => {
  it.each<[SeenBy, { anonymous: number; learner: number; other: number }]>([
    ['me', { anonymous: 401, learner: 403, other: 403 }],
    ['people', { anonymous: 401, learner: 403, other: 403 }],
    ['link', { anonymous: 200, learner: 200, other: 200 }],
    ['everyone', { anonymous: 200, learner: 200, other: 200 }],
  ])('%s', async (seen, expected) => {
    await seenBy(seen)
    expect({
      anonymous: await statusFor(server.anonymous()),
      learner: await statusFor(learner.agent),
      other: await statusFor(other.agent),
    }).toEqual(expected)
    expect(await statusFor(owner.agent)).toBe(200)
    const begun = await server
      .anonymous()
      .post(`/api/links/${code}/attempts`)
      .send({ name: 'Odile Harcastle' })
    expect(begun.status).toBe(expected.anonymous === 200 ? 201 : 401)
  })

  it('people who are named may, however their address is written, until they are named no more', async () => {
    await share({ seenBy: 'people', invite: [learner.person.email!.toUpperCase()] }).expect(200)
    expect(await statusFor(learner.agent)).toBe(200)
    const { body } = await share({ uninvite: [learner.person.email] }).expect(200)
    expect(body.invited).toEqual([])
    expect(await statusFor(learner.agent)).toBe(403)
  })

  it('who is named is told to owners alone', async () => {
    await give(other.person.email, 'editor').expect(200)
    await share({ seenBy: 'people', invite: [learner.person.email] }).expect(200)
    const read = async ({ agent }: SignedIn) =>
      (await agent.get(`/api/lessons/${lessonId}/sharing`).expect(200)).body.invited
    expect(await read(owner)).toEqual([learner.person.email])
    expect(await read(other)).toEqual([])
  })

  it('whoever has begun goes on, and whoever works on it may look', async () => {
    await learner.agent.post(`/api/links/${code}/attempts`).send({}).expect(201)
    await give(other.person.email, 'viewer').expect(200)
    await seenBy('me')
    expect(await statusFor(learner.agent)).toBe(200)
    expect(await statusFor(other.agent)).toBe(200)
  })

  it('a session begun in a frame has a cookie that browsers keep there, where there is HTTPS', async () => {
    const cookieOf = async (headers: Record<string, string>) => {
      const request = server.anonymous().post(`/api/links/${code}/attempts`).set(headers)
      const { headers: got } = await request.send({ name: 'Odile Harcastle' }).expect(201)
      return String(got['set-cookie'])
    }
    const framed = await cookieOf({ 'X-Embedded': '1', 'X-Forwarded-Proto': 'https' })
    for (const part of ['SameSite=None', 'Partitioned', 'Secure', 'HttpOnly'])
      expect(framed).toContain(part)
    expect(await cookieOf({ 'X-Embedded': '1' })).toContain('SameSite=Lax')
    expect(await cookieOf({ 'X-Forwarded-Proto': 'https' })).toContain('SameSite=Lax')
  })

  it('an address that is none changes nothing', async () => {
    await share({ seenBy: 'everyone', invite: ['nobody'] }).expect(422)
    const { body } = await owner.agent.get(`/api/lessons/${lessonId}/sharing`).expect(200)
    expect(body).toMatchObject({ seenBy: 'link', invited: [] })
  })

  it('lessons that everyone may learn stand on an open list, the others do not', async () => {
    const codes = async () => {
      const { body } = await server.anonymous().get('/api/open-lessons').expect(200)
      return body.lessons.map((one: { code: string }) => one.code)
    }
    expect(await codes()).not.toContain(code)
    await seenBy('everyone')
    expect(await codes()).toContain(code)
  })

  it('several lessons are changed at once, or none of them', async () => {
    const second = await putLesson(owner.person, lesson)
    const foreign = await putLesson(other.person, lesson)
    const several = (...lessonIds: string[]) =>
      owner.agent.patch('/api/sharing').send({ lessonIds, seenBy: 'me' })
    await several(lessonId, foreign.lessonId).expect(403)
    expect(await statusFor(server.anonymous())).toBe(200)
    expect((await several(lessonId, second.lessonId).expect(200)).body).toEqual({ changed: 2 })
    expect(await statusFor(server.anonymous())).toBe(401)
  })
})

describe('who works on a lesson', () => {
  const note = () => made('n1', edits.addNote, { cueId: 'n', partId: PART, atMs: 10 })
  const title = () => made('t1', edits.setLessonText, { field: 'title', text: 'Other' })

  it.each<[LessonRoleName, { reads: number; notes: number; edits: number; shares: number }]>([
    ['viewer', { reads: 200, notes: 403, edits: 403, shares: 403 }],
    ['commenter', { reads: 200, notes: 200, edits: 409, shares: 403 }],
    ['editor', { reads: 200, notes: 200, edits: 200, shares: 403 }],
    ['owner', { reads: 200, notes: 200, edits: 200, shares: 200 }],
  ])('a %s', async (role, expected) => {
    await give(other.person.email, role).expect(200)
    const reads = await other.agent.get(`/api/lessons/${lessonId}`)
    expect({
      reads: reads.status,
      notes: (await send(other.agent, note())).status,
      edits: (await send(other.agent, title())).status,
      shares: (await share({}, other.agent)).status,
    }).toEqual(expected)
    expect(reads.body.role).toBe(role)
  })

  it('what a commenter sends beyond notes is refused whole', async () => {
    await give(other.person.email, 'commenter').expect(200)
    const { body } = await send(other.agent, note(), title()).expect(409)
    expect(body.issues[0].code).toBe('role.notesOnly')
    const draft: DraftReply = (await owner.agent.get(`/api/lessons/${lessonId}`)).body
    expect(draft.revision).toBe(0)
  })

  it('only designers can be given a role, and somebody without an account is told of', async () => {
    await give(learner.person.email, 'editor').expect(422)
    await give('nobody@harrowmere.example', 'editor').expect(422)
  })

  it('a role is changed and taken away again', async () => {
    await give(other.person.email, 'editor').expect(200)
    const { body } = await give(other.person.email, 'viewer').expect(200)
    expect(body.people.map((one: { role: string }) => one.role)).toEqual(['owner', 'viewer'])
    await owner.agent.delete(`/api/lessons/${lessonId}/people/${other.person.id}`).expect(200)
    await other.agent.get(`/api/lessons/${lessonId}`).expect(404)
  })

  it('the last owner stays one, whoever asks and however many at once', async () => {
    await give(owner.person.email, 'editor').expect(409)
    await owner.agent.delete(`/api/lessons/${lessonId}/people/${owner.person.id}`).expect(409)
    await give(other.person.email, 'owner').expect(200)
    const leave = (one: SignedIn) =>
      one.agent.delete(`/api/lessons/${lessonId}/people/${one.person.id}`)
    const left = await Promise.all([leave(owner), leave(other)])
    expect(left.map(({ status }) => status).sort()).toEqual([200, 409])
  })
})

describe('publishing again', () => {
  const publish = (body: object) =>
    owner.agent.post(`/api/lessons/${lessonId}/editions`).send({ revision: 1, number: 2, ...body })
  const unpublished = async () =>
    (await owner.agent.get(`/api/lessons/${lessonId}/unpublished`).expect(200)).body

  beforeEach(async () => {
    // A page in place of the film, which is another test's subject.
    const page = { id: 'p', kind: 'page' as const, title: 'Notes' }
    const removed = runEdit(lesson, edits.removePart, { partId: PART })
    if (!removed.ok) throw new Error('not made')
    const added = runEdit(removed.lesson, edits.addPart, page)
    if (!added.ok) throw new Error('not made')
    const text = runEdit(added.lesson, edits.addThings, {
      partId: 'p',
      map: 'blocks' as const,
      things: [{ id: 'b', kind: 'text', text: 'Words' }] as never,
    })
    if (!text.ok) throw new Error('not made')
    const patches = [removed, added, text].flatMap(({ made }) => made.patches)
    await send(owner.agent, { id: 'e', name: 'restoreLesson', patches }).expect(200)
  })

  it('tells what is new, and keeps it with the edition and the publisher’s words', async () => {
    const before = await unpublished()
    expect(before.changes.map((one: { what: string }) => one.what)).toEqual([
      'partAdded',
      'partRemoved',
      'questionsRemoved',
    ])
    const { body } = await publish({ note: 'The film is <b>gone</b>.' }).expect(201)
    expect(body.edition).toMatchObject({ number: 2, changes: before.changes })
    const draft: DraftReply = (await owner.agent.get(`/api/lessons/${lessonId}`)).body
    expect(draft.editions.map(({ note }) => note)).toEqual(['', 'The film is <b>gone</b>.'])
    expect(await unpublished()).toEqual({ edition: 2, changes: [], learnersInside: 0 })
  })

  it('is asked for again where learners are in the edition before, and they stay in it', async () => {
    const { agent, attemptId } = await goInAsGuest(server, code)
    expect(await unpublished()).toMatchObject({ edition: 1, learnersInside: 1 })
    const refused = await publish({}).expect(409)
    expect(refused.body.type).toContain('learners-inside')
    await publish({ replaces: true }).expect(201)
    expect((await agent.get(`/api/attempts/${attemptId}`).expect(200)).body).toMatchObject({
      edition: 1,
      newestEdition: 2,
    })
  })

  it('is not asked for again where all of them are at its end', async () => {
    const { attemptId } = await goInAsGuest(server, code)
    await AttemptRow.update({ finishedAt: new Date() }, { where: { id: attemptId } })
    await publish({}).expect(201)
  })
})

describe('beginning from something', () => {
  const create = (agent: Agent, body: object) =>
    agent.post('/api/lessons').send({ title: 'Mine', language: 'en', ...body })

  it('a document is taken in whole; one that is no lesson is refused', async () => {
    const { body } = await create(owner.agent, { id: 'from-document', from: { document: lesson } })
    expect(body.lesson).toEqual({ ...lesson, title: 'Mine' })
    const broken = { ...lesson, parts: 7 }
    await create(owner.agent, { id: 'broken', from: { document: broken } }).expect(422)
    const cut = { ...lesson, questions: {} }
    await create(owner.agent, { id: 'cut', from: { document: cut } }).expect(422)
    await owner.agent.get('/api/lessons/cut').expect(404)
  })

  it('a document cannot name somebody else’s film', async () => {
    const mediaId = await putMedia(owner.person)
    const document = { ...lesson, parts: { [PART]: { ...filmOf(lesson), mediaId } } }
    await create(other.agent, { id: 'peeks', from: { document } }).expect(422)
    await other.agent.get('/api/lessons/peeks').expect(404)
    await create(owner.agent, { id: 'own-film', from: { document } }).expect(201)
  })

  it('a copy shows what the lesson shows, to whoever could see it', async () => {
    const mediaId = await putMedia(owner.person)
    const document = { ...lesson, parts: { [PART]: { ...filmOf(lesson), mediaId } } }
    await create(owner.agent, { id: 'source', from: { document } }).expect(201)
    await create(other.agent, { id: 'taken', from: { copyOf: 'source' } }).expect(404)
    await owner.agent
      .post('/api/lessons/source/people')
      .send({ email: other.person.email, role: 'viewer' })
      .expect(200)
    const { body } = await create(other.agent, { id: 'taken', from: { copyOf: 'source' } }).expect(
      201,
    )
    expect(body).toMatchObject({ role: 'owner', lesson: { title: 'Mine' } })
    await owner.agent.delete(`/api/lessons/source/people/${other.person.id}`).expect(200)
    await other.agent.get(`/api/media/${mediaId}`).expect(200)
  })

  it('copies are given to those who have an account, once each', async () => {
    const give = (...more: string[]) =>
      owner.agent
        .post(`/api/lessons/${lessonId}/copies`)
        .send({ id: 'handout', emails: [other.person.email!.toUpperCase(), ...more] })
    const mine = async () => (await other.agent.get('/api/lessons')).body.lessons.length
    const before = await mine()
    // Whole or not at all, and it is said who is not known.
    const refused = await give('nobody@harrowmere.example', learner.person.email!).expect(422)
    expect(refused.body.detail).toContain('nobody@harrowmere.example')
    expect(refused.body.detail).toContain(learner.person.email)
    expect(await mine()).toBe(before)
    expect((await give().expect(200)).body).toEqual({ given: [other.person.email] })
    await Promise.all([give().expect(200), give().expect(200)])
    expect(await mine()).toBe(before + 1)
  })
})
