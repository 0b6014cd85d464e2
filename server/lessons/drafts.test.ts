// Drafts, their patch log, and editions, on a real database.
import { MOST_LOGGED } from '@fernbrake/core/contract'
import { io } from 'socket.io-client'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { DraftReply } from '@fernbrake/core/contract'
import { edits, runEdit, type Edit, type Lesson } from '@fernbrake/core/lesson'
import { edited, filmOf, lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import {
  putLesson,
  putMedia,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let agent: Agent
let cookie: string
let owner: Parameters<typeof putLesson>[0]
let lessonId: string
let lesson: Lesson

beforeAll(async () => {
  server = await startTestServer()
  ;({ agent, person: owner, cookie } = await server.signedIn('designer'))
})
afterAll(() => server.stop())
beforeEach(async () => {
  lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 })
  // Media are another test's subject; here no part names one.
  lesson = { ...lesson, parts: { [PART]: { ...filmOf(lesson), mediaId: null } } }
  ;({ lessonId } = await putLesson(owner, lesson, { published: false }))
})

const read = async (): Promise<DraftReply> =>
  (await agent.get(`/api/lessons/${lessonId}`).expect(200)).body
const send = (body: object) => agent.patch(`/api/lessons/${lessonId}/draft`).send(body)

function made<A>(id: string, edit: Edit<A>, args: A) {
  const outcome = runEdit(lesson, edit, args)
  if (!outcome.ok) throw new Error('not made')
  return { id, name: edit.name, patches: outcome.made.patches }
}
const rename = (id: string, text: string) => made(id, edits.setLessonText, { field: 'title', text })

describe('edits', () => {
  it('are stored with a revision each, and come back from the log', async () => {
    const { body } = await send({
      revision: 0,
      edits: [rename('e1', 'One'), rename('e2', 'Two')],
    }).expect(200)
    expect(body.entries.map((entry: { revision: number }) => entry.revision)).toEqual([1, 2])
    expect(await read()).toMatchObject({ revision: 2, lesson: { title: 'Two' } })
    const log = await agent.get(`/api/lessons/${lessonId}/draft/edits?since=1`).expect(200)
    expect(log.body.entries.map((entry: { id: string }) => entry.id)).toEqual(['e2'])
  })

  it('of every line of the longest script are taken in', async () => {
    const lines = Array.from({ length: 3600 }, (_, i) => ({
      id: `l${i}`,
      fromMs: i * 3000,
      toMs: i * 3000 + 2500,
      text: 'Words',
    }))
    const script = made('e1', edits.importScript, { id: 's', partId: PART, language: 'en', lines })
    await send({ revision: 0, edits: [script] }).expect(200)
    lesson = (await read()).lesson
    const shift = made('e2', edits.shiftLines, { scriptId: 's', fromMs: 0, byMs: 500 })
    await send({ revision: 1, edits: [shift] }).expect(200)
    expect((await read()).lesson.scripts.s!.lines.l3599).toMatchObject({ fromMs: 10_797_500 })
  })

  it('are told as history, and every state on the way can be read again', async () => {
    const titles = Array.from({ length: 450 }, (_, i) => `Title ${i + 1}`)
    for (let at = 0; at < titles.length; at += 150)
      await send({
        revision: at,
        edits: titles.slice(at, at + 150).map((title, i) => rename(`e${at + i}`, title)),
      }).expect(200)
    const history = async (query = '') =>
      (await agent.get(`/api/lessons/${lessonId}/history${query}`).expect(200)).body
    const first = await history()
    expect(first).toMatchObject({ more: true, oldest: 0 })
    expect(first.entries).toHaveLength(200)
    expect(first.entries[0]).toMatchObject({
      revision: 450,
      name: 'setLessonText',
      personName: owner.name,
    })
    const last = await history('?before=51')
    expect(last).toMatchObject({ more: false })
    expect(last.entries.at(-1)).toMatchObject({ revision: 1 })
    const titleAt = async (revision: number) =>
      (await agent.get(`/api/lessons/${lessonId}/history/${revision}`).expect(200)).body.lesson
        .title
    expect(await Promise.all([1, 150, 151, 299, 450].map(titleAt))).toEqual([
      'Title 1',
      'Title 150',
      'Title 151',
      'Title 299',
      'Title 450',
    ])
    await agent.get(`/api/lessons/${lessonId}/history/451`).expect(404)
    await agent.get(`/api/lessons/${lessonId}/history/-1`).expect(422)
  })

  it('sent twice are taken once', async () => {
    await send({ revision: 0, edits: [rename('e1', 'One')] }).expect(200)
    await send({ revision: 1, edits: [rename('e3', 'Three')] }).expect(200)
    const { body } = await send({ revision: 0, edits: [rename('e1', 'One')] }).expect(200)
    expect(body.entries).toHaveLength(2)
    expect(await read()).toMatchObject({ revision: 2, lesson: { title: 'Three' } })
  })

  it('sent many times at once are taken once, and none is lost', async () => {
    const all = Array.from({ length: 12 }, (_, i) =>
      send({ revision: 0, edits: [rename(`e${i % 6}`, `T${i % 6}`)] }),
    )
    await Promise.all(all)
    expect((await read()).revision).toBe(6)
  })

  it('made on an old revision are applied to the newest, and what was missed comes back', async () => {
    await send({ revision: 0, edits: [rename('e1', 'Theirs')] }).expect(200)
    const mine = made('e2', edits.moveCue, { cueId: 'a', toMs: 9000 })
    const { body } = await send({ revision: 0, edits: [mine] }).expect(200)
    expect(body.entries.map((entry: { id: string }) => entry.id)).toEqual(['e1', 'e2'])
    expect((await read()).lesson).toMatchObject({ title: 'Theirs', cues: { a: { atMs: 9000 } } })
  })

  it.each([
    [
      'whose target somebody removed',
      { op: 'replace', path: '/cues/gone/atMs', value: 1 },
      'patch.target',
    ],
    ['that would break the schema', { op: 'replace', path: '/title', value: 7 }, 'invalid_type'],
    [
      'that would add an unknown key',
      { op: 'add', path: '/surprise', value: 1 },
      'unrecognized_keys',
    ],
    ['that would cut a reference', { op: 'remove', path: '/questions/q-a' }, 'reference.missing'],
  ])('%s are refused by name, and the whole batch with them', async (_name, patch, code) => {
    const bad = { id: 'bad', name: 'setLessonText', patches: [patch] }
    const { body } = await send({ revision: 0, edits: [rename('good', 'Half'), bad] }).expect(409)
    expect(body).toMatchObject({ type: 'urn:fernbrake:problem:edit-refused', editId: 'bad' })
    expect(body.issues[0].code).toBe(code)
    expect(await read()).toMatchObject({ revision: 0, lesson: { title: 'A lesson' } })
  })

  it('that were kept before are named, so that nobody waits for them in the log', async () => {
    await send({ revision: 0, edits: [rename('e1', 'One')] }).expect(200)
    const { body } = await send({ revision: 1, edits: [rename('e1', 'One')] }).expect(200)
    expect(body).toEqual({ revision: 1, entries: [], known: ['e1'] })
  })

  it('that were missed come in pieces', async () => {
    for (let batch = 0; batch < 6; batch += 1) {
      const list = Array.from({ length: 100 }, (_, i) => rename(`e${batch}-${i}`, `T${i}`))
      await send({ revision: batch * 100, edits: list }).expect(200)
    }
    const { body } = await send({ revision: 0, edits: [rename('last', 'Last')] }).expect(200)
    expect([body.revision, body.entries.length]).toEqual([601, MOST_LOGGED])
    const rest = await agent.get(`/api/lessons/${lessonId}/draft/edits?since=${MOST_LOGGED}`)
    expect(rest.body.entries.at(-1)).toMatchObject({ id: 'last', revision: 601 })
  })

  it.each(['__proto__', 'constructor'])('cannot put anything under %s', async (key) => {
    const value = `{"id":"${key}","kind":"bookmark","partId":"${PART}","atMs":1,"title":"javascript:x"}`
    const cues = `{"${key}":${value}}`
    const patches = [
      `{"op":"add","path":"/cues/${key}","value":${value}}`,
      `{"op":"replace","path":"/cues","value":${cues}}`,
    ]
    for (const patch of patches) {
      const body = `{"revision":0,"edits":[{"id":"bad","name":"x","patches":[${patch}]}]}`
      const reply = await agent
        .patch(`/api/lessons/${lessonId}/draft`)
        .set('Content-Type', 'application/json')
        .send(body)
      expect([409, 422]).toContain(reply.status)
    }
    const document = JSON.stringify(await read().then(({ lesson }) => lesson))
    const begun = await agent
      .post('/api/lessons')
      .set('Content-Type', 'application/json')
      .send(
        `{"id":"with-${key}","title":"X","language":"en","from":{"document":${document.replace('"cues":{', `"cues":{"${key}":${value},`)}}}`,
      )
    expect(begun.status).toBe(422)
    expect(await read()).toMatchObject({ revision: 0 })
  })

  it('reach others at once', async () => {
    const socket = io(server.url, {
      path: '/api/live',
      extraHeaders: { Cookie: cookie },
      transports: ['websocket'],
    })
    try {
      const heard = new Promise((resolve) => socket.on('draftEdited', resolve))
      expect(await socket.emitWithAck('watchLesson', { lessonId })).toBe(true)
      expect(await socket.emitWithAck('watchLesson', { lessonId: 'not-mine' })).toBe(false)
      await send({ revision: 0, edits: [rename('e1', 'Live')] }).expect(200)
      expect(await heard).toMatchObject({ lessonId, entries: [{ id: 'e1', revision: 1 }] })
    } finally {
      socket.disconnect()
    }
  })

  it('are not told to people without a session', async () => {
    const socket = io(server.url, {
      path: '/api/live',
      transports: ['websocket'],
      reconnection: false,
    })
    const refusal = await new Promise<Error>((resolve) => socket.on('connect_error', resolve))
    expect(refusal.message).toBe('not signed in')
    socket.disconnect()
  })
})

describe('beginning a lesson', () => {
  it('twice under one id is one lesson', async () => {
    const body = { id: 'mine-twice', title: 'Mine', language: 'en' }
    await agent.post('/api/lessons').send(body).expect(201)
    await agent
      .post('/api/lessons')
      .send({ ...body, title: 'Other' })
      .expect(201)
    expect((await agent.get('/api/lessons/mine-twice')).body.lesson.title).toBe('Mine')
    const other = await server.signedIn('designer')
    await other.agent.post('/api/lessons').send(body).expect(409)
  })
})

describe('editions', () => {
  const publish = (revision: number, number: number) =>
    agent.post(`/api/lessons/${lessonId}/editions`).send({ revision, number, replaces: true })
  it('what cannot be asked or played cannot be published, and it says what', async () => {
    const { body } = await publish(0, 1).expect(409)
    expect(body).toMatchObject({ type: 'urn:fernbrake:problem:not-publishable' })
    expect(body.issues.map((issue: { code: string }) => issue.code)).toEqual(['part.noFilm'])
  })

  it('freeze what was seen, once, and only that', async () => {
    const film = lessonWithFilm()
    const mediaId = await putMedia(owner)
    const parts = { [PART]: { ...filmOf(film), mediaId } }
    ;({ lessonId } = await putLesson(owner, { ...film, parts }, { published: false }))
    await publish(3, 1).expect(409)
    const first = await publish(0, 1).expect(201)
    expect((await publish(0, 1).expect(201)).body).toEqual(first.body)
    await publish(0, 3).expect(409)
    await send({ revision: 0, edits: [rename('e1', 'New')] }).expect(200)
    const stale = await publish(0, 2).expect(409)
    expect(stale.body.type).toBe('urn:fernbrake:problem:stale-revision')
    await publish(1, 2).expect(201)
    expect((await read()).editions.map((edition) => edition.number)).toEqual([1, 2])
  })

  it('a learner stays on the edition they began', async () => {
    const mediaId = await putMedia(owner)
    const film = lessonWithFilm()
    const { lessonId: id, code } = await putLesson(owner, {
      ...film,
      parts: { [PART]: { ...filmOf(film), mediaId } },
    })
    lessonId = id
    const open = async (name: string) => {
      const guest = server.anonymous()
      const opened = await guest.post(`/api/links/${code}/attempts`).send({ name }).expect(201)
      return { guest, attemptId: opened.body.attemptId as string }
    }
    const early = await open('Early Riser')
    await send({ revision: 0, edits: [rename('e1', 'Second')] }).expect(200)
    await publish(1, 2).expect(201)
    const late = await open('Late Comer')
    const of = async ({ guest, attemptId }: typeof early) =>
      (await guest.get(`/api/attempts/${attemptId}`).expect(200)).body
    expect(await of(early)).toMatchObject({
      edition: 1,
      newestEdition: 2,
      lesson: { title: 'A lesson' },
    })
    expect(await of(late)).toMatchObject({ edition: 2, lesson: { title: 'Second' } })
    const again = await early.guest.post(`/api/links/${code}/attempts`).send({})
    expect(again.body.attemptId).toBe(early.attemptId)
  })

  it('a learner never gets the notes of designers', async () => {
    const note = { cueId: 'note', partId: PART, atMs: 100 }
    const noted = edited(edited(lessonWithFilm(), edits.addNote, note), edits.setNoteText, {
      cueId: 'note',
      text: 'Between us',
    })
    const { code } = await putLesson(owner, noted)
    const guest = server.anonymous()
    const opened = await guest.post(`/api/links/${code}/attempts`).send({ name: 'Gale Fenwick' })
    const reply = await guest.get(`/api/attempts/${opened.body.attemptId}`).expect(200)
    expect(reply.text).toContain('A film')
    expect(reply.text).not.toContain('Between us')
  })

  it('a guest must give a name, of which one word is enough', async () => {
    const { code } = await putLesson(owner, lessonWithFilm())
    for (const name of ['', '7', '123 456', 'x'.repeat(130)])
      await server.anonymous().post(`/api/links/${code}/attempts`).send({ name }).expect(422)
    await server.anonymous().post(`/api/links/${code}/attempts`).send({}).expect(422)
    for (const name of ['Zoë O’Marrow', 'Zoë'])
      await server.anonymous().post(`/api/links/${code}/attempts`).send({ name }).expect(201)
    await server
      .anonymous()
      .post('/api/links/no-such-link/attempts')
      .send({ name: 'Zoë O’Marrow' })
      .expect(404)
  })
})
