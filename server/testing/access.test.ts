// Every route of the contract × every kind of person: nobody gets in where they do not belong.
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  contract,
  UPLOADS_PATH,
  type Access,
  type RouteName,
  type RouteSpec,
} from '@fernbrake/core/contract'
import { usualRules } from '@fernbrake/core/classes'
import { filmOf, lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import { LessonRoleRow } from '../database/models.ts'
import { run } from '../database/connect.ts'
import { putLesson, putMedia, startTestServer, type Agent, type TestServer } from './testServer.ts'

const WHO = ['anonymous', 'guest', 'learner', 'otherDesigner', 'viewer', 'owner', 'keeper'] as const
type Who = (typeof WHO)[number]

/** Who gets past the door; everyone else is told 401, 403 or 404. */
const MAY: Record<Access, readonly Who[]> = {
  public: WHO,
  signedIn: ['guest', 'learner', 'otherDesigner', 'viewer', 'owner', 'keeper'],
  designer: ['otherDesigner', 'viewer', 'owner', 'keeper'],
  keeper: ['keeper'],
  lessonViewer: ['viewer', 'owner'],
  lessonCommenter: ['owner'],
  lessonEditor: ['owner'],
  lessonOwner: ['owner'],
  mediaOwner: ['owner'],
  mediaViewer: ['learner', 'viewer', 'owner'],
  attemptOwner: ['learner'],
  questionOwner: ['owner'],
  collectionOwner: ['owner'],
  classTeacher: ['owner'],
  assignmentLearner: ['learner'],
  talkModerator: ['learner'],
  marker: ['owner'],
}

let server: TestServer
const agents = {} as Record<Who, Agent>
const params: Record<string, string> = {}

beforeAll(async () => {
  server = await startTestServer()
  const owner = await server.signedIn('designer')
  const viewer = await server.signedIn('designer')
  const learner = await server.signedIn('learner')
  const mediaId = await putMedia(owner.person)
  const film = lessonWithFilm()
  const lesson = { ...film, parts: { 'part-1': { ...filmOf(film), mediaId } } }
  const { lessonId, code } = await putLesson(owner.person, lesson)
  const other = await putLesson(owner.person, lessonWithFilm())
  await LessonRoleRow.create({ lessonId, personId: viewer.person.id, role: 'viewer' })
  await run(server.context.database, 'INSERT INTO media_uses VALUES ($1, $2)', [lessonId, mediaId])
  await learner.agent.post(`/api/links/${code}/attempts`).send({}).expect(201)
  Object.assign(params, {
    lessonId,
    mediaId,
    code,
    postId: 'none',
    file: 'poster',
    fileId: 'nothing',
    personId: 'nobody',
    keptId: 'kept',
    collectionId: 'course',
    revision: '0',
    page: '1',
    classId: 'class',
    groupId: 'group',
    assignmentId: 'given',
    source: 'assignment',
    sourceId: 'given',
    report: 'overview',
    commentId: 'none',
    mailId: 'none',
    position: '0',
    placeId: 'part-1',
  })
  const question = Object.values(withQuestion(film, { id: 'a', atMs: 1000 }).questions)[0]
  const course = { id: 'course', title: 'Course', lessonIds: [] }
  await owner.agent.post('/api/collections').send(course).expect(201)
  await owner.agent.post('/api/questions').send({ id: 'kept', question }).expect(200)
  const school = { id: 'class', title: 'Spring intake', timeZone: 'Europe/London' }
  await owner.agent.post('/api/classes').send(school).expect(201)
  // The learner is in the class that was given the lesson.
  const opening = { joinUntil: new Date(Date.now() + 60_000).toISOString() }
  const { joinCode } = (await owner.agent.patch('/api/classes/class').send(opening)).body
  await learner.agent.post(`/api/join/${joinCode}`).send({}).expect(201)
  const times = { opensAt: null, dueAt: null, closesAt: null }
  const given = { id: 'given', lessonId, ...times, mostAttempts: null, rules: usualRules() }
  await owner.agent
    .post('/api/classes/class/assignments')
    .send({ ...given, groups: [], people: [] })
    .expect(200)
  const begun = await learner.agent.post('/api/assignments/given/attempts').send({ number: 1 })
  params.attemptId = begun.body.attemptId
  // Of those who learn it, this one may hide what others say.
  await owner.agent
    .patch(`/api/classes/class/members/${learner.person.id}`)
    .send({ moderates: true })
    .expect(200)
  Object.assign(agents, {
    anonymous: server.anonymous(),
    guest: server.anonymous(),
    learner: learner.agent,
    otherDesigner: (await server.signedIn('designer')).agent,
    viewer: viewer.agent,
    owner: owner.agent,
    keeper: (await server.signedIn('keeper')).agent,
  })
  // This guest belongs to another lesson.
  await agents.guest
    .post(`/api/links/${other.code}/attempts`)
    .send({ name: 'Gale Fenwick' })
    .expect(201)
})
afterAll(() => server.stop())

const addressOf = (path: string) => path.replace(/:(\w+)/g, (_, key: string) => params[key]!)

const routes = (Object.keys(contract) as RouteName[]).filter((name) => name !== 'signOut')

describe.each(routes)('%s', (name) => {
  const spec = contract[name] as RouteSpec
  it.each(WHO)('%s', async (who) => {
    // The body is nonsense on purpose: who is let in hears of the body, who is not hears of the door.
    const request = agents[who][spec.method](addressOf(spec.path))
    const { status } = await (spec.method === 'get' ? request : request.send({ nonsense: true }))
    const isRefused = status === 401 || status === 403
    // A missing file of an existing medium is 404 too, but only for those who may ask; so is what nobody has answered.
    const mayBeMissing = [
      'mediaFile',
      'mediaPage',
      'linkCover',
      'prepareAgain',
      'tally',
      'handedFile',
      'handedFileOf',
      'markedFile',
      'resetPassword',
      'removePerson',
      'exportPerson',
      'mailFile',
      'joinInfo',
      'join',
      'openCollection',
    ].includes(name)
    if (MAY[spec.access].includes(who)) {
      if (name !== 'signIn') expect(isRefused).toBe(false)
      if (!mayBeMissing) expect(status).not.toBe(404)
    } else if (who === 'anonymous') expect(status).toBe(401)
    else expect([403, 404]).toContain(status)
  })
})

describe('uploads', () => {
  it.each(WHO)('%s', async (who) => {
    const { status } = await agents[who]
      .post(UPLOADS_PATH)
      .set({ 'Tus-Resumable': '1.0.0', 'Upload-Length': '5' })
    const expected = MAY.designer.includes(who) ? 201 : who === 'anonymous' ? 401 : 403
    expect(status).toBe(expected)
  })

  it('nobody sees or goes on with somebody else’s upload', async () => {
    const headers = { 'Tus-Resumable': '1.0.0' }
    const created = await agents.owner
      .post(UPLOADS_PATH)
      .set({ ...headers, 'Upload-Length': '5' })
      .expect(201)
    const { location } = created.headers as { location: string }
    await agents.owner.head(location).set(headers).expect(200)
    await agents.otherDesigner.head(location).set(headers).expect(404)
    await agents.otherDesigner
      .patch(location)
      .set({ ...headers, 'Upload-Offset': '0', 'Content-Type': 'application/offset+octet-stream' })
      .send(Buffer.from('hello'))
      .expect(404)
  })
})

describe('from elsewhere', () => {
  it('a change sent by another site’s page is refused', async () => {
    const reply = await agents.owner
      .post('/api/lessons')
      .set('Origin', 'http://elsewhere.example')
      .send({})
    expect(reply.body).toMatchObject({ status: 403, type: 'urn:fernbrake:problem:wrong-origin' })
  })

  it('naming somebody’s film in one’s own lesson does not show it', async () => {
    const id = 'thief-lesson'
    await agents.otherDesigner
      .post('/api/lessons')
      .send({ id, title: 'Mine', language: 'en' })
      .expect(201)
    const part = {
      id: 'p',
      kind: 'film',
      title: '',
      order: 'a0',
      mediaId: params.mediaId,
      durationMs: null,
      frameRate: null,
      seekRule: 'free',
    }
    const edits = [
      { id: 'e1', name: 'addFilmPart', patches: [{ op: 'add', path: '/parts/p', value: part }] },
    ]
    const reply = await agents.otherDesigner
      .patch(`/api/lessons/${id}/draft`)
      .send({ revision: 0, edits })
      .expect(409)
    expect(reply.body.issues[0].code).toBe('media.unknown')
    await agents.otherDesigner.get(`/api/media/${params.mediaId}`).expect(404)
  })

  it('a school behind one address is not shut out by the mistakes of many', async () => {
    const stranger = server.anonymous()
    const guess = (who: number) =>
      stranger
        .post('/api/session')
        .send({ email: `somebody-${who}@harrowmere.example`, password: 'x' })
    const all = await Promise.all(Array.from({ length: 30 }, (_, who) => guess(who)))
    expect(new Set(all.map(({ status }) => status))).toEqual(new Set([401]))
  })

  it('the password tries for one name from one address are limited, and say so', async () => {
    const stranger = server.anonymous()
    const guess = () =>
      stranger.post('/api/session').send({ email: 'nobody@harrowmere.example', password: 'x' })
    const statuses = []
    for (let tries = 0; tries < 12; tries += 1) statuses.push((await guess()).status)
    expect(statuses.slice(0, 8).every((status) => status === 401)).toBe(true)
    expect(statuses.at(-1)).toBe(429)
  })
})
