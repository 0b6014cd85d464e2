// The keeper's tasks: accounts, passwords, removal with all records, and all that is held about one person.
import { nanoid } from 'nanoid'
import { unzipSync, strFromU8 } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { KeeperOverview, KeptPerson } from '@fernbrake/core/contract'
import { lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { select } from '../database/connect.ts'
import {
  answered,
  beginWork,
  openClassroom,
  played,
  sendRecords,
  type Somebody,
} from '../testing/classroom.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let keeper: Somebody
let teacher: Somebody

beforeAll(async () => {
  server = await startTestServer()
  keeper = await server.signedIn('keeper')
  teacher = await server.signedIn('designer')
})
afterAll(() => server.stop())

const people = async () =>
  ((await keeper.agent.get('/api/keeper').expect(200)).body as KeeperOverview).people
const at = (person: { id: string }, more = '') => `/api/keeper/people/${person.id}${more}`

describe('accounts', () => {
  it('are made with a phrase that opens the choice of a password, once', async () => {
    const body = { id: nanoid(), name: 'Isolde Fennimore', role: 'designer' }
    const made = await keeper.agent
      .post('/api/keeper/people')
      .send({ ...body, email: 'Isolde@harrowmere.example' })
      .expect(201)
    const { phrase, person } = made.body as { phrase: string; person: KeptPerson }
    expect(person).toMatchObject({ signIn: 'isolde@harrowmere.example', isWaiting: true })
    const agent = server.anonymous()
    const email = 'isolde@harrowmere.example'
    const come = await agent.post('/api/session').send({ email, password: phrase }).expect(200)
    expect(come.body).toMatchObject({ person: null, choosing: { name: 'Isolde Fennimore' } })
    await agent.get('/api/lessons').expect(401)
    const password = 'a heron on the weir'
    await agent.post('/api/session/password').send({ password }).expect(200)
    await agent.get('/api/lessons').expect(200)
    await server.anonymous().post('/api/session').send({ email, password: phrase }).expect(401)
    const again = { ...body, id: nanoid(), email }
    expect((await keeper.agent.post('/api/keeper/people').send(again)).status).toBe(409)
  })

  it('get another role; one keeper is always left', async () => {
    const { person } = await server.signedIn('learner')
    const changed = await keeper.agent.patch(at(person)).send({ role: 'designer' }).expect(200)
    expect(changed.body.role).toBe('designer')
    const refused = await keeper.agent
      .patch(at(keeper.person))
      .send({ role: 'learner' })
      .expect(409)
    expect(refused.body.detail).toContain('only keeper')
    await keeper.agent.patch(at(person)).send({ role: 'keeper' }).expect(200)
    const both = await Promise.all(
      [keeper.person, person].map((one) => keeper.agent.patch(at(one)).send({ role: 'learner' })),
    )
    // Whoever comes first is no keeper any more, and so has no say over the other, or is refused as the last one.
    expect(both.filter(({ status }) => status === 200)).toHaveLength(1)
    const rows = await select(server.context.database, `SELECT 1 FROM people WHERE role = 'keeper'`)
    expect(rows).toHaveLength(1)
    await server.context.database.query(
      `UPDATE people SET role = 'keeper' WHERE id = '${keeper.person.id}'`,
    )
  })

  it('whose password is taken away are signed out everywhere', async () => {
    const { agent, person } = await server.signedIn('learner')
    const reset = await keeper.agent.post(at(person, '/reset')).send({}).expect(200)
    await agent.get('/api/my-work').expect(401)
    const come = { email: person.email, password: (reset.body as { phrase: string }).phrase }
    const chosen = server.anonymous()
    expect((await chosen.post('/api/session').send(come).expect(200)).body.choosing).not.toBeNull()
  })
})

describe('somebody with records', () => {
  async function learn() {
    const learner = await server.signedIn('learner')
    const lesson = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 })
    const room = await openClassroom(server, teacher, [learner], lesson)
    const attemptId = await beginWork(learner, room.assignmentId)
    await sendRecords(
      ...([learner, attemptId, played(PART, 0, 4000)] as const),
      answered('a', 'q-a', { kind: 'choice', picked: ['a-a'] }),
    )
    return { learner, attemptId, room }
  }

  it('can be taken along whole: everything that the database holds', async () => {
    const { learner, attemptId } = await learn()
    const reply = await keeper.agent
      .get(at(learner.person, '/export'))
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = []
        response.on('data', (chunk: Buffer) => chunks.push(chunk))
        response.on('end', () => done(null, Buffer.concat(chunks)))
      })
      .expect(200)
    const files = unzipSync(new Uint8Array(reply.body as Buffer))
    const held = JSON.parse(strFromU8(files['person.json']!)) as Record<string, object[]>
    expect(held.account).toMatchObject([{ id: learner.person.id, email: learner.person.email }])
    expect(held.attempts).toMatchObject([{ id: attemptId }])
    expect(held.answers).toMatchObject([{ question_id: 'q-a' }])
    expect(held.watched).toMatchObject([{ from_ms: 0, to_ms: 4000 }])
    expect(JSON.stringify(held)).not.toContain('password')
  })

  it('is removed with all of it, and nothing of anybody else', async () => {
    const [one, other] = [await learn(), await learn()]
    const gone = await keeper.agent.delete(at(one.learner.person)).send({}).expect(200)
    expect(gone.body).toEqual({ attempts: 1, files: 0 })
    const left = async (attemptId: string) => {
      const tables = ['spans', 'responses', 'attempt_coverage', 'seen_things', 'finished_parts']
      const counts = await Promise.all(
        tables.map(async (table) => {
          const sql = `SELECT 1 FROM ${table} WHERE attempt_id = $1`
          return (await select(server.context.database, sql, [attemptId])).length
        }),
      )
      return counts.reduce((sum, count) => sum + count, 0)
    }
    expect(await left(one.attemptId)).toBe(0)
    expect(await left(other.attemptId)).toBeGreaterThan(0)
    await one.learner.agent.get('/api/my-work').expect(401)
    expect((await people()).some(({ id }) => id === one.learner.person.id)).toBe(false)
    // A player that still holds records hears that there is nothing for them any more.
    await other.learner.agent.get(`/api/attempts/${other.attemptId}`).expect(200)
  })

  it('is not removed while lessons or classes would be left without anybody, nor by themselves', async () => {
    await learn()
    const refused = await keeper.agent.delete(at(teacher.person)).send({}).expect(409)
    expect(refused.body).toMatchObject({
      reason: 'leavesOrphans',
      facts: { lessons: expect.any(Number), classes: expect.any(Number) },
    })
    expect((await people()).some(({ id }) => id === teacher.person.id)).toBe(true)
    await keeper.agent.delete(at(keeper.person)).send({}).expect(403)
    await keeper.agent
      .delete(at({ id: 'nobody' }))
      .send({})
      .expect(404)
  })
})
