// A server that only reads: everything can be looked at, room can be made, and nothing that waits elsewhere is let go of.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, expect, it } from 'vitest'
import { contract, UPLOADS_PATH, type RouteName, type RouteSpec } from '@fernbrake/core/contract'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { played, sendRecords, type Somebody } from '../testing/classroom.ts'
import { TUS } from '../testing/films.ts'
import {
  goInAsGuest,
  PASSWORD,
  putLesson,
  putMedia,
  startTestServer,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let designer: Somebody
let lessonId: string
let learner: Somebody
let attemptId: string
let isFull = true

beforeAll(async () => {
  server = await startTestServer()
  designer = await server.signedIn('designer')
  const put = await putLesson(designer.person, lessonWithFilm(60_000))
  lessonId = put.lessonId
  const guest = await goInAsGuest(server, put.code)
  attemptId = guest.attemptId
  learner = { agent: guest.agent, person: designer.person }
  server.context.room.isReadOnly = () => isFull
})
beforeEach(() => void (isFull = true))
afterAll(() => server.stop())

const fault = { status: 503, type: 'urn:fernbrake:problem:read-only' }

it('no route stores anything but sign-in and what makes room', async () => {
  const writing = (Object.keys(contract) as RouteName[]).filter((name) =>
    ['post', 'put', 'patch'].includes((contract[name] as RouteSpec).method),
  )
  expect(writing.length).toBeGreaterThan(40)
  for (const name of writing) {
    const { method, path } = contract[name] as RouteSpec
    const address = path.replace(/:\w+/g, 'any')
    const reply = await designer.agent[method as 'post'](address).send({})
    if (name === 'signIn') expect(reply.body.type).not.toBe(fault.type)
    else expect([name, reply.status, reply.body.type]).toEqual([name, fault.status, fault.type])
  }
})

it('everything can be looked at, by whoever may', async () => {
  for (const path of ['/api/lessons', `/api/lessons/${lessonId}`, '/api/media', '/api/classes'])
    expect([path, (await designer.agent.get(path)).status]).toEqual([path, 200])
  await learner.agent.get(`/api/attempts/${attemptId}`).expect(200)
  const { email } = designer.person
  await server.anonymous().post('/api/session').send({ email, password: PASSWORD }).expect(200)
})

it('what a learner’s device sends waits there, and arrives afterwards', async () => {
  const span = played(PART, 0, 5000)
  const records = { records: [span] }
  const refused = await learner.agent.post(`/api/attempts/${attemptId}/records`).send(records)
  expect([refused.status, refused.body.type, refused.headers['retry-after']]).toEqual([
    fault.status,
    fault.type,
    '60',
  ])
  isFull = false
  expect((await sendRecords(learner, attemptId, span)).kept).toHaveLength(1)
})

it('nothing is sent, and what is there can be removed', async () => {
  const begin = () => designer.agent.post(UPLOADS_PATH).set({ ...TUS, 'Upload-Length': '5' })
  expect((await begin()).status).toBe(503)
  const mediaId = await putMedia(designer.person, nanoid())
  await designer.agent.delete(`/api/media/${mediaId}`).expect(200)
  isFull = false
  expect((await begin()).status).toBe(201)
})

it('the keeper is told', async () => {
  const keeper = await server.signedIn('keeper')
  expect((await keeper.agent.get('/api/keeper').expect(200)).body.isReadOnly).toBe(true)
  isFull = false
  expect((await keeper.agent.get('/api/keeper')).body.isReadOnly).toBe(false)
})
