// Classes: rosters, cards, passwords, codes; and what happens to those who should not be there.
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Class } from '@fernbrake/core/contract'
import { run, select } from '../database/connect.ts'
import { createSealing } from '../people/sealing.ts'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'
import { lessonWithFilm } from '@fernbrake/core/testing'

let server: TestServer
let teacher: Agent
let count = 0

beforeAll(async () => {
  server = await startTestServer()
  teacher = (await server.signedIn('designer')).agent
})
afterAll(() => server.stop())

async function beginClass(title = 'Spring intake'): Promise<string> {
  const id = `class-${(count += 1)}`
  await teacher.post('/api/classes').send({ id, title, timeZone: 'Europe/London' }).expect(201)
  return id
}
const read = async (id: string) =>
  (await teacher.get(`/api/classes/${id}`).expect(200)).body as Class
async function addNames(id: string, ...names: string[]): Promise<Class> {
  const members = names.map((name) => ({ id: `p-${(count += 1)}`, name }))
  const reply = await teacher.post(`/api/classes/${id}/roster`).send({ members }).expect(200)
  return reply.body as Class
}
/** The phrase on somebody's card, as only the server can read it. */
async function phraseOf(personId: string): Promise<string> {
  const sql = 'SELECT card FROM people WHERE id = $1'
  const [row] = await select<{ card: Buffer }>(server.context.database, sql, [personId])
  return server.context.sealing.open(row!.card)!
}
const signIn = (agent: Agent, email: string, password: string) =>
  agent.post('/api/session').send({ email, password })

describe('a roster', () => {
  it('makes accounts, and the same again makes none', async () => {
    const id = await beginClass()
    const members = [
      { id: 'r-1', name: 'Perrin Askew', group: 'North' },
      { id: 'r-2', name: 'Zoë Brück', group: 'South' },
      { id: 'r-3', name: 'perrin  askew'.replace('  ', ' ') },
    ]
    const path = `/api/classes/${id}/roster`
    const first = (await teacher.post(path).send({ members }).expect(200)).body as Class
    expect(first.members.map(({ name, signIn, card }) => [name, signIn, card])).toEqual([
      ['Perrin Askew', 'perrin.askew', 'open'],
      ['Zoë Brück', 'zoe.bruck', 'open'],
    ])
    expect(first.groups.map(({ title }) => title)).toEqual(['North', 'South'])
    expect((await teacher.post(path).send({ members }).expect(200)).body).toEqual(first)
    // A namesake in another class is somebody else.
    const other = await addNames(await beginClass(), 'Perrin Askew')
    expect(other.members[0]!.signIn).toBe('perrin.askew2')
  })

  it('with one bad name is refused whole', async () => {
    const id = await beginClass()
    const members = [
      { id: 'b-1', name: 'Ada Finch' },
      { id: 'b-2', name: '=HYPERLINK("x")' },
    ]
    const reply = await teacher.post(`/api/classes/${id}/roster`).send({ members }).expect(422)
    expect(reply.body.issues[0].path).toEqual(['body', 'members', 1, 'name'])
    expect((await read(id)).members).toEqual([])
  })

  it('of 5,000 is taken in; one more is not', async () => {
    const id = await beginClass()
    const names = Array.from({ length: 5000 }, (_, index) => `Fen ${index} Ward`)
    expect((await addNames(id, ...names)).members).toHaveLength(5000)
    const members = [{ id: 'too-many', name: 'Ada Finch' }]
    const reply = await teacher.post(`/api/classes/${id}/roster`).send({ members }).expect(409)
    expect(reply.body.type).toBe('urn:fernbrake:problem:class-full')
  })

  it('cannot take an account that is somebody else’s', async () => {
    const stranger = await server.signedIn('learner')
    const members = [{ id: stranger.person.id, name: 'Taken Over' }]
    const path = `/api/classes/${await beginClass()}/roster`
    await teacher.post(path).send({ members }).expect(409)
    const learner = (await stranger.agent.get('/api/session')).body.person
    expect(learner.name).toBe('Test learner')
  })

  it('lets people leave with what they did, and come back', async () => {
    const id = await beginClass()
    const [ada] = (await addNames(id, 'Ada Finch')).members
    const path = `/api/classes/${id}/members/${ada!.id}`
    const left = (await teacher.patch(path).send({ hasLeft: true }).expect(200)).body as Class
    expect(left.members[0]!.leftAt).not.toBeNull()
    expect((await addNames(id, 'ada finch')).members).toMatchObject([{ id: ada!.id, leftAt: null }])
    const named = await teacher.patch(path).send({ name: 'Ada Finch-Gale' }).expect(200)
    expect(named.body.members[0].name).toBe('Ada Finch-Gale')
  })

  it('puts people in groups that can be renamed and taken away', async () => {
    const id = await beginClass()
    const [ada] = (await addNames(id, 'Ada Finch')).members
    const groups = `/api/classes/${id}/groups`
    await teacher.post(groups).send({ id: 'g', title: 'North' }).expect(200)
    await teacher.post(groups).send({ id: 'h', title: 'North' }).expect(409)
    const path = `/api/classes/${id}/members/${ada!.id}`
    const put = await teacher
      .patch(path)
      .send({ groups: ['g', 'g'] })
      .expect(200)
    expect(put.body.members[0].groups).toEqual(['g'])
    await teacher
      .patch(path)
      .send({ groups: ['nowhere'] })
      .expect(404)
    await teacher.post(groups).send({ id: 'g', title: 'North bank' }).expect(200)
    const without = (await teacher.delete(`${groups}/g`).expect(200)).body as Class
    expect([without.groups, without.members[0]!.groups]).toEqual([[], []])
  })
})

describe('a card', () => {
  it('lets its owner in once, to choose a password and nothing else', async () => {
    const id = await beginClass()
    const [ada] = (await addNames(id, 'Oriel Finch')).members
    const phrase = await phraseOf(ada!.id)
    const phone = server.anonymous()
    const typed = phrase.replaceAll('-', ' ').toUpperCase()
    const opened = await signIn(phone, ' Oriel.Finch ', typed).expect(200)
    expect(opened.body).toMatchObject({
      person: null,
      choosing: { name: 'Oriel Finch', signIn: 'oriel.finch' },
    })
    await phone.get('/api/attempts').expect(401)
    const choose = (password: string) => phone.post('/api/session/password').send({ password })
    await choose('short').expect(422)
    for (const weak of ['12345678', 'password1', 'Oriel Finch', phrase])
      expect((await choose(weak).expect(422)).body.type).toBe('urn:fernbrake:problem:weak-password')
    expect((await choose('seven barges at noon').expect(200)).body.person.name).toBe('Oriel Finch')
    await phone.get('/api/attempts').expect(200)
    // The phrase is of no use any more; the password is.
    await signIn(server.anonymous(), 'oriel.finch', phrase).expect(401)
    await signIn(server.anonymous(), 'oriel.finch', 'seven barges at noon').expect(200)
  })

  it('made anew keeps the password until it is used, and voids the card before', async () => {
    const id = await beginClass()
    const [bram] = (await addNames(id, 'Bram Oxley')).members
    const old = await phraseOf(bram!.id)
    const early = server.anonymous()
    await signIn(early, 'bram.oxley', old).expect(200)
    const cards = (body: object) => teacher.post(`/api/classes/${id}/cards`).send(body)
    await cards({ people: [bram!.id], anew: true }).expect(200)
    const anew = await phraseOf(bram!.id)
    expect(anew).not.toBe(old)
    const late = await early.post('/api/session/password').send({ password: 'barges at noon' })
    expect(late.status).toBe(401)
    const phone = server.anonymous()
    await signIn(phone, 'bram.oxley', anew).expect(200)
    await phone.post('/api/session/password').send({ password: 'barges at noon' }).expect(200)
    // Nothing is left to print for somebody with a password, until a new card is wanted.
    await cards({ people: null, anew: false }).expect(404)
    await cards({ people: null, anew: true }).expect(200)
    await signIn(server.anonymous(), 'bram.oxley', 'barges at noon').expect(200)
    // Whoever forgot it ends every session by choosing another.
    const other = server.anonymous()
    await signIn(other, 'bram.oxley', await phraseOf(bram!.id)).expect(200)
    await other.post('/api/session/password').send({ password: 'barges at dusk' }).expect(200)
    await phone.get('/api/attempts').expect(401)
  })

  it('is not needed to choose another password', async () => {
    const { agent, person } = await server.signedIn('learner')
    const elsewhere = server.anonymous()
    await signIn(elsewhere, person.email!, 'a password for tests').expect(200)
    const choose = (before: string) =>
      agent.post('/api/session/password').send({ before, password: 'barges at dusk' })
    await choose('not this one').expect(401)
    await choose('a password for tests').expect(200)
    await agent.get('/api/attempts').expect(200)
    // Whoever had got in elsewhere is out.
    await elsewhere.get('/api/attempts').expect(401)
    await server
      .anonymous()
      .post('/api/session/password')
      .send({ password: 'x'.repeat(9) })
      .expect(401)
  })

  it('is printed as often as wanted, the same each time', async () => {
    const id = await beginClass()
    const [one] = (await addNames(id, 'Wren Hollis', '李雷', 'Καλλιόπη')).members
    const phrase = await phraseOf(one!.id)
    const print = () =>
      teacher
        .post(`/api/classes/${id}/cards`)
        .send({ people: null, anew: false })
        .buffer(true)
        .parse((response, done) => {
          const chunks: Buffer[] = []
          response.on('data', (chunk: Buffer) => chunks.push(chunk))
          response.on('end', () => done(null, Buffer.concat(chunks)))
        })
        .expect(200)
    const [first] = [await print(), await print()]
    expect((first.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    expect(first.headers['content-type']).toBe('application/pdf')
    expect(await phraseOf(one!.id)).toBe(phrase)
  })

  it('is sealed with the server’s secret', () => {
    const sealed = createSealing('one secret').seal('acorn-tulip')
    expect(createSealing('one secret').open(sealed)).toBe('acorn-tulip')
    expect(createSealing('another').open(sealed)).toBeNull()
    sealed[sealed.length - 1]! ^= 1
    expect(createSealing('one secret').open(sealed)).toBeNull()
    expect(createSealing('one secret').open(Buffer.alloc(3))).toBeNull()
  })

  it('of an account that is not of the class is not given', async () => {
    const learner = await server.signedIn('learner')
    const id = await beginClass()
    const code = await openCode(id)
    await learner.agent.post(`/api/join/${code}`).send({}).expect(201)
    const path = `/api/classes/${id}`
    await teacher
      .post(`${path}/cards`)
      .send({ people: [learner.person.id], anew: true })
      .expect(404)
    const reply = await teacher
      .patch(`${path}/members/${learner.person.id}`)
      .send({ name: 'Another Name' })
      .expect(403)
    expect(reply.body.detail).toMatch(/its owner’s to change/)
  })
})

const HOUR_MS = 3_600_000
const later = (ms: number) => new Date(Date.now() + ms).toISOString()
async function openCode(id: string, ms = HOUR_MS): Promise<string> {
  const reply = await teacher
    .patch(`/api/classes/${id}`)
    .send({ joinUntil: later(ms) })
    .expect(200)
  return (reply.body as Class).joinCode!
}

describe('a join code', () => {
  it('lets people in with an account of their own, a guest with what they did', async () => {
    const id = await beginClass('Autumn refreshers')
    const code = await openCode(id)
    const phone = server.anonymous()
    const typed = `${code.slice(0, 4)}-${code.slice(4)}`.toLowerCase()
    const info = await phone.get(`/api/join/${typed}`).expect(200)
    expect(info.body).toEqual({ title: 'Autumn refreshers', isMember: false })
    const body = { name: 'Tamsin Vole', password: 'a heron on the weir' }
    await phone.post(`/api/join/${typed}`).send({ name: body.name }).expect(422)
    const joined = await phone.post(`/api/join/${typed}`).send(body).expect(201)
    expect(joined.body).toEqual({ title: 'Autumn refreshers', signIn: 'tamsin.vole' })
    expect((await phone.get(`/api/join/${code}`)).body.isMember).toBe(true)
    await phone.post(`/api/join/${typed}`).send({}).expect(201)
    await signIn(server.anonymous(), 'tamsin.vole', body.password).expect(200)

    const owner = await server.signedIn('designer')
    const lesson = await putLesson(owner.person, lessonWithFilm())
    const { agent, attemptId } = await goInAsGuest(server, lesson.code, 'Gale Fenwick')
    await agent.post(`/api/join/${code}`).send({ password: body.password }).expect(201)
    const again = server.anonymous()
    await signIn(again, 'gale.fenwick', body.password).expect(200)
    await again.get(`/api/attempts/${attemptId}`).expect(200)
    expect((await read(id)).members.map(({ name }) => name)).toEqual([
      'Gale Fenwick',
      'Tamsin Vole',
    ])
  })

  it('runs out, and a new one voids the one before', async () => {
    const id = await beginClass()
    const first = await openCode(id)
    const second = await openCode(id)
    const phone = server.anonymous()
    await phone.get(`/api/join/${first}`).expect(404)
    await phone.get(`/api/join/${second}`).expect(200)
    const sql = `UPDATE classes SET join_until = now() - interval '1 second' WHERE id = $1`
    await run(server.context.database, sql, [id])
    await phone.get(`/api/join/${second}`).expect(404)
    expect((await read(id)).joinCode).toBeNull()
    await openCode(id)
    await teacher.patch(`/api/classes/${id}`).send({ joinUntil: null }).expect(200)
    expect((await read(id)).joinCode).toBeNull()
  })

  it('cannot be found by trying', async () => {
    await run(server.context.database, 'DELETE FROM rate_limits', [])
    const code = await openCode(await beginClass())
    const phone = server.anonymous()
    const statuses = new Set<number>()
    for (let index = 0; index < 60; index += 1)
      statuses.add((await phone.get(`/api/join/ABCDEF${20 + index}`)).status)
    expect([...statuses]).toEqual([404, 429])
    await phone.get(`/api/join/${code}`).expect(429)
    await run(server.context.database, 'DELETE FROM rate_limits', [])
  })
})

describe('teachers', () => {
  it('share a class, and one is always left', async () => {
    const id = await beginClass()
    const colleague = await server.signedIn('designer')
    const learner = await server.signedIn('learner')
    await colleague.agent.get(`/api/classes/${id}`).expect(404)
    const teachers = `/api/classes/${id}/teachers`
    await teacher.post(teachers).send({ email: learner.person.email }).expect(422)
    await teacher.post(teachers).send({ email: colleague.person.email }).expect(200)
    await colleague.agent.get(`/api/classes/${id}`).expect(200)
    const mine = (await teacher.get('/api/session')).body.person
    await colleague.agent.delete(`${teachers}/${mine.id}`).expect(200)
    await teacher.get(`/api/classes/${id}`).expect(404)
    await colleague.agent.delete(`${teachers}/${colleague.person.id}`).expect(409)
  })
})
