// What the HTTP side promises for any input: health, the description, problem documents, headers.
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { contract, healthSchema, problemSchema } from '@fernbrake/core/contract'
import { sayProblem } from '@fernbrake/core/words'
import { PersonRow } from '../database/models.ts'
import { startTestServer, type Agent, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let designer: Agent
beforeAll(async () => {
  server = await startTestServer()
  designer = (await server.signedIn('designer')).agent
})
afterAll(() => server.stop())

it('is well, and says which version it is', async () => {
  const { body } = await server.anonymous().get('/api/health').expect(200)
  expect(healthSchema.parse(body)).toMatchObject({ status: 'ok', database: 'ok' })
})

it('describes every route of the contract', async () => {
  const { body } = await server.anonymous().get('/api/openapi.json').expect(200)
  expect(body.openapi).toBe('3.1.0')
  const described = Object.values(
    body.paths as Record<string, Record<string, { operationId: string }>>,
  )
    .flatMap((methods) => Object.values(methods))
    .map((operation) => operation.operationId)
  expect(described.sort()).toEqual(Object.keys(contract).sort())
})

describe('a fault speaks the language that is asked for', () => {
  it.each([
    ['en', undefined, 'en'],
    ['whatever there is', 'xx, en;q=0.5', 'en'],
    ['English of a country', 'en-GB', 'en'],
    ['another', 'qaa, en;q=0.5', 'qaa'],
    ['English before another', 'qaa;q=0.1, en', 'en'],
    ['nonsense', ';;q=,*', 'en'],
  ])('%s', async (_what, wanted, language) => {
    const asked = server.anonymous().get('/api/nothing')
    const { body } = await (wanted ? asked.set('Accept-Language', wanted) : asked).expect(404)
    expect(problemSchema.parse(body).detail).toBe(
      sayProblem(language, { type: 'not-found' })!.detail,
    )
  })

  it('and says why in a code and its facts, for whoever has sentences of their own', async () => {
    const made = await designer
      .post('/api/classes')
      .send({ id: 'c-words', title: 'Class', timeZone: 'UTC' })
      .expect(201)
    const group = { title: 'Early boats' }
    const groups = `/api/classes/${made.body.id}/groups`
    await designer
      .post(groups)
      .send({ id: 'g1', ...group })
      .expect(200)
    const { body } = await designer
      .post(groups)
      .set('Accept-Language', 'qaa')
      .send({ id: 'g2', ...group })
      .expect(409)
    expect(body).toMatchObject({
      reason: 'groupNameThere',
      detail: sayProblem('qaa', { type: 'already-exists', reason: 'groupNameThere' })!.detail,
    })
  })
})

describe('bad input gets a problem document', () => {
  const newLesson = { id: 'x', title: 'A lesson', language: 'en' }
  it.each<[string, (agent: Agent) => ReturnType<Agent['post']>, number, string]>([
    [
      'an unknown key',
      (a) => a.post('/api/lessons').send({ ...newLesson, surprise: 1 }),
      422,
      'invalid-input',
    ],
    ['a missing key', (a) => a.post('/api/lessons').send({ id: 'x' }), 422, 'invalid-input'],
    [
      'an empty title',
      (a) => a.post('/api/lessons').send({ ...newLesson, title: '' }),
      422,
      'invalid-input',
    ],
    [
      'a reserved id',
      (a) => a.post('/api/lessons').send({ ...newLesson, id: '__proto__' }),
      422,
      'invalid-input',
    ],
    ['an unknown query', (a) => a.get('/api/lessons?x=1'), 422, 'invalid-input'],
    ['what is no JSON', (a) => a.post('/api/lessons').type('json').send('{"id":'), 400, 'not-json'],
    ['a route that is not there', (a) => a.get('/api/nothing'), 404, 'not-found'],
    ['an id that is none', (a) => a.get('/api/lessons/a%2Fb'), 422, 'invalid-input'],
    ['a broken address', (a) => a.get('/api/lessons/%E0%A4%A'), 404, 'not-found'],
    [
      'a body of 50 MB',
      (a) =>
        a
          .post('/api/lessons')
          .type('json')
          .send(`"${'x'.repeat(50_000_000)}"`),
      413,
      'too-large',
    ],
  ])('%s', async (_name, send, status, type) => {
    const reply = await send(designer)
    expect(reply.status).toBe(status)
    expect(reply.headers['content-type']).toContain('application/problem+json')
    expect(problemSchema.parse(JSON.parse(reply.text || JSON.stringify(reply.body))).type).toBe(
      `urn:fernbrake:problem:${type}`,
    )
  })

  it('says where the fault lies', async () => {
    const { body } = await designer.post('/api/lessons').send({ ...newLesson, language: 7 })
    expect(body.issues[0].path).toEqual(['body', 'language'])
  })

  it('and nothing came of any of it', async () => {
    expect((await designer.get('/api/lessons')).body.lessons).toEqual([])
  })
})

describe('sessions', () => {
  it('a wrong password is told without saying which half was wrong', async () => {
    const { body } = await server
      .anonymous()
      .post('/api/session')
      .send({ email: 'no@harrowmere.example', password: 'x' })
      .expect(401)
    expect(body.type).toBe('urn:fernbrake:problem:wrong-password')
  })
  it('ends when signed out', async () => {
    const { agent } = await server.signedIn('designer')
    await agent.delete('/api/session').expect(200)
    await agent.get('/api/lessons').expect(401)
  })
  it('asks each time who it is: a new role counts at once, a removed account is nobody', async () => {
    const { agent, person } = await server.signedIn('learner')
    await agent.get('/api/keeper').expect(403)
    await PersonRow.update({ role: 'keeper' }, { where: { id: person.id } })
    await agent.get('/api/keeper').expect(200)
    await PersonRow.destroy({ where: { id: person.id } })
    await agent.get('/api/keeper').expect(401)
  })
  it('cookies stay out of reach of scripts and other sites', async () => {
    const { cookie } = await server.signedIn('learner')
    expect(cookie).toMatch(/^fernbrake=/)
    const reply = await server.anonymous().get('/api/session')
    expect(reply.headers['set-cookie']).toBeUndefined()
  })
  it('offers no demo accounts where no demo is loaded', async () => {
    expect((await server.anonymous().get('/api/session')).body.demoAccounts).toEqual([])
  })
})

it('sends a strict Content-Security-Policy', async () => {
  const { headers } = await server.anonymous().get('/api/health')
  const policy = headers['content-security-policy'] as string
  expect(policy).toContain("default-src 'none'")
  expect(policy).toContain("script-src 'self';")
  expect(policy).not.toContain('unsafe')
  expect(headers['x-content-type-options']).toBe('nosniff')
})
