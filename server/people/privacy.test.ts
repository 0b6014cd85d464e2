// What people hear and see once they may not any more, or never might: other teachers' classes, roles and sessions that are
// over, files that tell more than they show, and what is left of somebody who was removed.
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { Writable } from 'node:stream'
import { io, type Socket } from 'socket.io-client'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Class, LearnerResult, WatchMap } from '@fernbrake/core/contract'
import { emptyLesson } from '@fernbrake/core/lesson'
import { lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { select } from '../database/connect.ts'
import { trustedProxies } from '../settings.ts'
import {
  answered,
  beginWork,
  openClassroom,
  played,
  sendRecords,
  type Somebody,
} from '../testing/classroom.ts'
import { beginUpload } from '../testing/films.ts'
import {
  goInAsGuest,
  putLesson,
  putMedia,
  startTestServer,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let keeper: Somebody
beforeAll(async () => {
  server = await startTestServer()
  keeper = await server.signedIn('keeper')
})
afterAll(() => server.stop())

const lesson = () => withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 })

describe('an account that a class made', () => {
  it('is not the class’s any more in another role: no card, no name, no session of before', async () => {
    const teacher = await server.signedIn('designer')
    const classId = nanoid()
    const school = { id: classId, title: 'Spring intake', timeZone: 'Europe/London' }
    await teacher.agent.post('/api/classes').send(school).expect(201)
    const joinUntil = new Date(Date.now() + 600_000).toISOString()
    const { joinCode } = (await teacher.agent.patch(`/api/classes/${classId}`).send({ joinUntil }))
      .body as Class
    const agent = server.anonymous()
    const password = 'a heron on the weir'
    await agent
      .post(`/api/join/${joinCode}`)
      .send({ name: 'Perran Holloway', password })
      .expect(201)
    const personId = (await agent.get('/api/session')).body.person.id as string
    const cards = (anew: boolean) =>
      teacher.agent.post(`/api/classes/${classId}/cards`).send({ people: [personId], anew })
    const rename = () =>
      teacher.agent
        .patch(`/api/classes/${classId}/members/${personId}`)
        .send({ name: 'Another Name' })
    await cards(true).expect(200)
    await rename().expect(200)
    await keeper.agent.patch(`/api/keeper/people/${personId}`).send({ role: 'keeper' }).expect(200)
    await agent.get('/api/keeper').expect(401)
    expect((await cards(true)).status).toBe(404)
    expect((await cards(false)).status).toBe(404)
    expect((await rename()).status).toBe(403)
    const [row] = await select<{ card: unknown; home_class: unknown }>(
      ...([server.context.database, 'SELECT card, home_class FROM people WHERE id = $1'] as const),
      [personId],
    )
    expect(row).toEqual({ card: null, home_class: null })
    // Whoever was a learner again would not be the class's either.
    await keeper.agent.patch(`/api/keeper/people/${personId}`).send({ role: 'learner' }).expect(200)
    expect((await cards(true)).status).toBe(404)
  })
})

describe('an editor of a lesson', () => {
  it('reads nothing of classes that others teach: no names, no answers, no files', async () => {
    const teacher = await server.signedIn('designer')
    const editor = await server.signedIn('designer')
    const learner = await server.signedIn('learner')
    const room = await openClassroom(server, teacher, [learner], lesson())
    const attemptId = await beginWork(learner, room.assignmentId)
    await sendRecords(
      ...([learner, attemptId, played(PART, 0, 4000)] as const),
      answered('a', 'q-a', { kind: 'choice', picked: ['a-a'] }),
    )
    const guest = await goInAsGuest(server, room.code, 'Odile Harcastle')
    const give = { email: editor.person.email, role: 'editor' }
    await teacher.agent.post(`/api/lessons/${room.lessonId}/people`).send(give).expect(200)
    const seen = async ({ agent }: Somebody) => {
      const results = await agent.get(`/api/lessons/${room.lessonId}/results`).expect(200)
      const map = await agent.get(`/api/results/lesson/${room.lessonId}/watching`).expect(200)
      const file = await agent
        .get(`/api/results/lesson/${room.lessonId}/files/overview?format=csv`)
        .expect(200)
      return {
        attempts: (results.body.learners as LearnerResult[]).map((one) => one.attemptId),
        watched: (map.body as WatchMap).learners,
        isNamed: file.text.includes(learner.person.name),
      }
    }
    expect(await seen(editor)).toEqual({ attempts: [guest.attemptId], watched: 1, isNamed: false })
    expect(await seen(teacher)).toEqual({
      attempts: expect.arrayContaining([guest.attemptId, attemptId]) as string[],
      watched: 2,
      isNamed: true,
    })
    const file = `/api/lessons/${room.lessonId}/attempts/${attemptId}/files/any`
    expect((await editor.agent.get(file)).status).toBe(404)
  })
})

it('a lesson that only its owner sees does not open by its link to whoever was given it', async () => {
  const teacher = await server.signedIn('designer')
  const learner = await server.signedIn('learner')
  const room = await openClassroom(server, teacher, [learner], lesson())
  await beginWork(learner, room.assignmentId)
  await teacher.agent
    .patch(`/api/lessons/${room.lessonId}/sharing`)
    .send({ seenBy: 'me' })
    .expect(200)
  await learner.agent.get(`/api/links/${room.code}`).expect(403)
  await learner.agent.post(`/api/links/${room.code}/attempts`).send({}).expect(403)
  await teacher.agent.get(`/api/links/${room.code}`).expect(200)
})

it('learners get what was prepared of a medium, never its file as it was put in', async () => {
  const owner = await server.signedIn('designer')
  const colleague = await server.signedIn('designer')
  const { lessonId, code } = await putLesson(owner.person, lesson())
  const mediaId = await putMedia(owner.person)
  await select(server.context.database, 'INSERT INTO media_uses VALUES ($1, $2)', [
    lessonId,
    mediaId,
  ])
  await select(
    ...([server.context.database, 'INSERT INTO lesson_roles VALUES ($1, $2, $3)'] as const),
    [lessonId, colleague.person.id, 'viewer'],
  )
  for (const kind of ['original', 'playable']) {
    await server.context.store.hold(`${mediaId}/${kind}.mp4`, import.meta.filename)
    await select(
      server.context.database,
      `INSERT INTO media_files (media_id, kind, storage_key, content_type, bytes) VALUES ($1, $2, $3, 'video/mp4', 1)`,
      [mediaId, kind, `${mediaId}/${kind}.mp4`],
    )
  }
  const guest = await goInAsGuest(server, code)
  const file = (kind: string) => `/api/media/${mediaId}/files/${kind}`
  await guest.agent.get(file('playable')).expect(200)
  await guest.agent.get(file('original')).expect(404)
  for (const { agent } of [owner, colleague]) await agent.get(file('original')).expect(200)
})

describe('on a socket', () => {
  const sockets: Socket[] = []
  afterAll(() => sockets.forEach((socket) => socket.disconnect()))

  async function listen(cookie: string, lessonId: string) {
    const socket = io(server.url, {
      path: '/api/live',
      extraHeaders: { Cookie: cookie },
      transports: ['websocket'],
      forceNew: true,
      reconnection: false,
    })
    sockets.push(socket)
    const heard: string[] = []
    socket.onAny((name: string) => heard.push(name))
    expect(await socket.emitWithAck('watchLesson', { lessonId })).toBe(true)
    return { socket, heard }
  }

  /** A lesson with an owner who listens, and another editor who does. */
  async function together() {
    const owner = await server.signedIn('designer')
    const editor = await server.signedIn('designer')
    const { lessonId } = await putLesson(owner.person, emptyLesson('A lesson', 'en'), {
      published: false,
    })
    const give = { email: editor.person.email, role: 'editor' }
    await owner.agent.post(`/api/lessons/${lessonId}/people`).send(give).expect(200)
    const inside = await listen(owner.cookie, lessonId)
    const listener = await listen(editor.cookie, lessonId)
    let made = 0
    /** An edit; resolves once its owner has heard of it, and so everybody who hears at all. */
    const edit = async () => {
      const patches = [{ op: 'replace', path: '/title', value: `Title ${(made += 1)}` }]
      const told = new Promise((resolve) => inside.socket.once('draftEdited', resolve))
      await owner.agent
        .patch(`/api/lessons/${lessonId}/draft`)
        .send({ revision: made - 1, edits: [{ id: nanoid(), name: 'setLessonText', patches }] })
        .expect(200)
      await told
    }
    await edit()
    await vi.waitFor(() => expect(listener.heard).toContain('draftEdited'))
    listener.heard.length = 0
    return { owner, editor, lessonId, listener, edit }
  }

  it('an editor whose role is taken hears no more', async () => {
    const { owner, editor, lessonId, listener, edit } = await together()
    await owner.agent.delete(`/api/lessons/${lessonId}/people/${editor.person.id}`).expect(200)
    await edit()
    expect(await listener.socket.emitWithAck('watchLesson', { lessonId })).toBe(false)
    expect(listener.heard).not.toContain('draftEdited')
  })

  it('whose role goes without a word is noticed before the next edit is told', async () => {
    const { editor, lessonId, listener, edit } = await together()
    await select(
      ...([server.context.database, 'DELETE FROM lesson_roles WHERE person_id = $1'] as const),
      [editor.person.id],
    )
    await edit()
    expect(await listener.socket.emitWithAck('watchLesson', { lessonId })).toBe(false)
    expect(listener.heard).not.toContain('draftEdited')
  })

  it('who signs out, loses the role of a designer, or is removed, is put out', async () => {
    const { editor, listener, edit } = await together()
    await editor.agent.delete('/api/session').expect(200)
    await vi.waitFor(() => expect(listener.socket.connected).toBe(false))
    await edit()
    expect(listener.heard).not.toContain('draftEdited')
    const second = await together()
    const path = `/api/keeper/people/${second.editor.person.id}`
    await keeper.agent.patch(path).send({ role: 'learner' }).expect(200)
    await second.edit()
    expect(second.listener.heard).not.toContain('draftEdited')
    const third = await together()
    await keeper.agent.delete(`/api/keeper/people/${third.editor.person.id}`).send({}).expect(200)
    await vi.waitFor(() => expect(third.listener.socket.connected).toBe(false))
  })

  it('no page of another site listens', async () => {
    const { cookie } = await server.signedIn('designer')
    const connect = (origin: string) =>
      io(server.url, {
        path: '/api/live',
        extraHeaders: { Cookie: cookie, Origin: origin },
        transports: ['websocket'],
        forceNew: true,
        reconnection: false,
      })
    for (const origin of ['https://elsewhere.example', 'null']) {
      const socket = connect(origin)
      sockets.push(socket)
      expect(await new Promise((resolve) => socket.once('connect_error', resolve))).toBeTruthy()
    }
    const own = connect(server.url)
    sockets.push(own)
    await new Promise((resolve) => own.once('connect', () => resolve(true)))
  })
})

describe('of somebody who was removed', () => {
  it('nothing is left: no invitation, no upload, no name in what others were sent', async () => {
    const teacher = await server.signedIn('designer')
    const learner = await server.signedIn('learner')
    const other = await server.signedIn('learner')
    const room = await openClassroom(server, teacher, [learner, other], lesson())
    const attemptId = await beginWork(learner, room.assignmentId)
    await sendRecords(learner, attemptId, played(PART, 0, 4000))
    const to = [teacher.person.email]
    await teacher.agent
      .post(`/api/results/assignment/${room.assignmentId}/mails`)
      .send({ to })
      .expect(200)
    const invite = [learner.person.email]
    await teacher.agent
      .patch(`/api/lessons/${room.lessonId}/sharing`)
      .send({ seenBy: 'people', invite })
      .expect(200)
    const designer = await server.signedIn('designer')
    await beginUpload(designer.agent, 1000)
    const failing = { email: learner.person.email, password: 'not this one' }
    await server.anonymous().post('/api/session').send(failing).expect(401)
    for (const { person } of [learner, designer])
      await keeper.agent.delete(`/api/keeper/people/${person.id}`).send({}).expect(200)
    const everywhere = await select<{ line: string }>(
      server.context.database,
      `SELECT email AS line FROM lesson_invited UNION ALL SELECT key FROM rate_limits
       UNION ALL SELECT body || subject FROM mails UNION ALL SELECT sess::text FROM sessions`,
    )
    const text = everywhere.map(({ line }) => line).join('\n')
    for (const word of [learner.person.email!, learner.person.id, designer.person.id])
      expect(text).not.toContain(word)
    const mails = await select(server.context.database, 'SELECT 1 FROM mail_files')
    expect(mails).toEqual([])
    const uploads = join(server.settings.dataFolder, 'uploads')
    expect(readdirSync(uploads)).toEqual([])
  })
})

describe('the address of whoever asks', () => {
  it('is not taken from whoever says one where no proxy is trusted', async () => {
    for (let tries = 0; tries < 10; tries += 1)
      await server
        .anonymous()
        .post('/api/session')
        .set('X-Forwarded-For', `203.0.113.${tries}`)
        .send({ email: 'somebody@harrowmere.example', password: 'x' })
    const last = await server
      .anonymous()
      .post('/api/session')
      .set('X-Forwarded-For', '203.0.113.99')
      .send({ email: 'somebody@harrowmere.example', password: 'x' })
    expect(last.status).toBe(429)
  })

  it('is set by addresses, subnets, names, or a number, and nothing else', () => {
    expect(trustedProxies('')).toEqual([])
    expect(trustedProxies('2')).toBe(2)
    expect(trustedProxies('loopback, 10.0.0.0/8 ::1')).toEqual(['loopback', '10.0.0.0/8', '::1'])
    for (const wrong of ['everybody', '10.0.0', '10.0.0.0/8/8', 'true'])
      expect(() => trustedProxies(wrong)).toThrow('FERNBRAKE_TRUSTED_PROXIES')
  })

  // Models belong to the server that was opened last, so this comes after all that ask the first.
  it('is read from the proxies that are trusted', async () => {
    const behind = await startTestServer({ trustedProxies: ['loopback'] })
    try {
      const wrong = (address: string) =>
        behind
          .anonymous()
          .post('/api/session')
          .set('X-Forwarded-For', address)
          .send({ email: 'nobody@harrowmere.example', password: 'x' })
      for (let tries = 0; tries < 10; tries += 1) await wrong('203.0.113.7').expect(401)
      await wrong('203.0.113.7').expect(429)
      await wrong('203.0.113.8').expect(401)
    } finally {
      await behind.stop()
    }
  })
})

it('what goes into the log holds no session, and every problem has an id to be found by', async () => {
  let written = ''
  const sink = new Writable({
    write(chunk: Buffer, _encoding, done) {
      written += chunk.toString()
      done()
    },
  })
  const logged = await startTestServer({ log: sink })
  try {
    const { agent, cookie } = await logged.signedIn('designer')
    await select(logged.context.database, 'ALTER TABLE lesson_roles RENAME TO lesson_roles_away')
    const reply = await agent.get('/api/lessons').set('Authorization', 'Bearer secret').expect(500)
    const missing = await agent.get('/api/nothing').expect(404)
    expect(written).toContain(reply.body.requestId)
    expect(missing.body.requestId).toMatch(/^[\w-]{10}$/)
    expect(written).not.toContain(cookie.split('=')[1]!.slice(4, 30))
    expect(written).not.toContain('Bearer secret')
  } finally {
    await logged.stop()
  }
})
