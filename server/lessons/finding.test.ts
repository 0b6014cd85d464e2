// Finding lessons by their words, putting them away, and gathering them in collections that can be shared.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import type { Collection, LessonFound } from '@fernbrake/core/contract'
import { edits, runEdit, type Lesson } from '@fernbrake/core/lesson'
import { filmOf, lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { run } from '../database/connect.ts'
import { beginWork, openClassroom } from '../testing/classroom.ts'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

type SignedIn = Awaited<ReturnType<TestServer['signedIn']>>

let server: TestServer
let owner: SignedIn
let other: SignedIn
beforeAll(async () => {
  server = await startTestServer()
  owner = await server.signedIn('designer')
  other = await server.signedIn('designer')
})
afterAll(() => server.stop())

const said = (title: string, ...texts: string[]): Lesson => {
  const base = withQuestion({ ...lessonWithFilm(), title }, { id: 'a', atMs: 5000 })
  const lines = texts.map((text, at) => {
    const id = `line-${at}`
    return [id, { id, fromMs: at * 1000, toMs: at * 1000 + 900, text }] as const
  })
  const script = { id: 's', partId: PART, language: 'en', lines: Object.fromEntries(lines) }
  const film = { ...filmOf(base), mediaId: null }
  return { ...base, scripts: { s: script }, parts: { [PART]: film } }
}
const put = (lesson: Lesson, who = owner) => putLesson(who.person, lesson)
async function find(words: string, agent: Agent = owner.agent): Promise<LessonFound[]> {
  const { body } = await agent.get('/api/finding').query({ words }).expect(200)
  return body.found
}
const idsOf = (found: readonly { lessonId: string }[]) => found.map(({ lessonId }) => lessonId)

describe('finding lessons', () => {
  it('goes by title and spoken words, whatever case and accents, and says at which moment', async () => {
    const { lessonId } = await put(said('Éclusée', 'The paddle is wound.', 'Water climbs, 100 %.'))
    await put(said('Another', 'Nothing of the kind.'))
    expect(await find('ECLUSEE')).toEqual([{ lessonId, places: [], more: 0 }])
    expect(await find('climbs')).toEqual([
      { lessonId, places: [{ partId: PART, atMs: 1000, text: 'Water climbs, 100 %.' }], more: 0 },
    ])
    // Each word may stand elsewhere; the place shown is that of the word that the title lacks.
    expect((await find('paddle eclus'))[0]?.places.map(({ atMs }) => atMs)).toEqual([0])
    expect(await find('paddle stork')).toEqual([])
    // Signs that a pattern would take for something else are looked for as they are.
    expect(idsOf(await find('100 %'))).toEqual([lessonId])
    expect(await find('p_ddle')).toEqual([])
    expect(await find('   ')).toEqual([])
  })

  it('finds what was written since, and no more what was taken out', async () => {
    const lesson = said('Fresh', 'Old saying.')
    const { lessonId } = await put(lesson)
    expect(idsOf(await find('old saying'))).toEqual([lessonId])
    const outcome = runEdit(lesson, edits.setLessonText, { field: 'title', text: 'Hawthorn' })
    if (!outcome.ok) throw new Error('not made')
    const sent = [{ id: nanoid(), name: 'setLessonText', patches: outcome.made.patches }]
    await owner.agent
      .patch(`/api/lessons/${lessonId}/draft`)
      .send({ revision: 0, edits: sent })
      .expect(200)
    expect(idsOf(await find('hawthorn'))).toEqual([lessonId])
    expect(await find('fresh saying')).toEqual([])
  })

  it('finds nothing of others, until they share it', async () => {
    const { lessonId } = await put(said('Theirs', 'A heron waits.'), other)
    expect(await find('heron')).toEqual([])
    const body = { email: owner.person.email, role: 'viewer' }
    await other.agent.post(`/api/lessons/${lessonId}/people`).send(body).expect(200)
    expect(idsOf(await find('heron'))).toEqual([lessonId])
    await other.agent
      .delete(`/api/lessons/${lessonId}/people/${owner.person.id}`)
      .send({})
      .expect(200)
    expect(await find('heron')).toEqual([])
  })

  it('goes through open lessons too, by what learners come to, and by no question', async () => {
    const { lessonId, code } = await put(said('Open water', 'A kingfisher dives.'))
    const open = async (words?: string) => {
      const { body } = await server
        .anonymous()
        .get('/api/open-lessons')
        .query(words ? { words } : {})
      return body.lessons as { code: string; places: { atMs: number }[] }[]
    }
    expect(await open('kingfisher')).toEqual([])
    const seenBy = (seen: string) =>
      owner.agent.patch(`/api/lessons/${lessonId}/sharing`).send({ seenBy: seen }).expect(200)
    await seenBy('everyone')
    expect((await open('kingfisher')).map((one) => [one.code, one.places[0]?.atMs])).toEqual([
      [code, 0],
    ])
    expect(idsOf(await find('stem of a'))).toContain(lessonId)
    expect(await open('stem of a')).toEqual([])
    await seenBy('link')
    expect(await open('kingfisher')).toEqual([])
  })
})

describe('putting lessons away', () => {
  it('holds for one person alone; all that are named, or none', async () => {
    const { lessonId } = await put(said('Done with'))
    const foreign = await put(said('Not mine'), other)
    await other.agent.get('/api/lessons').expect(200)
    const away = (lessonIds: string[], isAway = true) =>
      owner.agent.patch('/api/put-away').send({ lessonIds, away: isAway })
    const isAway = async () => {
      const { body } = await owner.agent.get('/api/lessons').expect(200)
      return body.lessons.find(({ id }: { id: string }) => id === lessonId).isAway
    }
    await away([lessonId, foreign.lessonId]).expect(404)
    expect(await isAway()).toBe(false)
    expect((await away([lessonId, lessonId]).expect(200)).body).toEqual({ changed: 1 })
    await away([lessonId]).expect(200)
    expect(await isAway()).toBe(true)
    expect(idsOf(await find('done with'))).toEqual([lessonId])
    await away([lessonId], false).expect(200)
    expect(await isAway()).toBe(false)
  })
})

describe('collections', () => {
  const begin = async (lessonIds: string[], title = 'First week', id = nanoid()) => {
    const { body } = await owner.agent
      .post('/api/collections')
      .send({ id, title, lessonIds })
      .expect(201)
    return body as Collection
  }
  const change = (id: string, body: object, agent = owner.agent) =>
    agent.patch(`/api/collections/${id}`).send(body)
  const open = (code: string) => server.anonymous().get(`/api/open-collections/${code}`)

  it('hold lessons in an order, take them in once, and are made once', async () => {
    const [a, b, c] = [await put(said('A')), await put(said('B')), await put(said('C'))]
    const made = await begin([a.lessonId, b.lessonId])
    expect(await begin([c.lessonId], 'Other', made.id)).toEqual(made)
    await change(made.id, { add: [c.lessonId, a.lessonId] }).expect(200)
    const order = [c.lessonId, 'unknown', b.lessonId]
    const moved = (await change(made.id, { order }).expect(200)).body as Collection
    expect(moved.lessonIds).toEqual([c.lessonId, b.lessonId, a.lessonId])
    const left = (await change(made.id, { remove: [b.lessonId], title: 'Week 1' }).expect(200)).body
    expect(left).toMatchObject({ title: 'Week 1', lessonIds: [c.lessonId, a.lessonId] })
    await owner.agent.delete(`/api/collections/${made.id}`).send({}).expect(200)
    const { body } = await owner.agent.get('/api/collections').expect(200)
    expect(body.collections).toEqual([])
  })

  it('take in nothing of others, and nothing at all then', async () => {
    const mine = await put(said('Mine'))
    const foreign = await put(said('Foreign'), other)
    const id = nanoid()
    const body = { id, title: 'T', lessonIds: [foreign.lessonId] }
    await owner.agent.post('/api/collections').send(body).expect(404)
    const made = await begin([mine.lessonId], 'T', id)
    await change(id, { add: [foreign.lessonId], title: 'Changed' }).expect(404)
    await change(id, { title: 'Stolen' }, other.agent).expect(404)
    const { body: all } = await owner.agent.get('/api/collections').expect(200)
    expect(all.collections).toEqual([made])
    await other.agent
      .post('/api/collections')
      .send({ id, title: 'Same id', lessonIds: [] })
      .expect(409)
    await owner.agent.delete(`/api/collections/${id}`).send({}).expect(200)
  })

  it('are shown to others only when shared, and only with what their link opens', async () => {
    const shown = await put(said('Shown'))
    const draft = await putLesson(owner.person, said('Draft'), { published: false })
    const closed = await put(said('Closed'))
    await owner.agent.patch(`/api/lessons/${closed.lessonId}/sharing`).send({ seenBy: 'people' })
    const { id, code } = await begin([closed.lessonId, draft.lessonId, shown.lessonId])
    await open(code).expect(404)
    const listed = async () => {
      const { body } = await server.anonymous().get('/api/open-lessons').expect(200)
      return body.collections.map((one: { code: string }) => one.code)
    }
    await change(id, { seenBy: 'link', summary: 'Read in order.' }).expect(200)
    const { body } = await open(code).expect(200)
    expect(body).toMatchObject({ summary: 'Read in order.', by: owner.person.name })
    expect(body.lessons.map((one: { title: string }) => one.title)).toEqual(['Shown'])
    expect(await listed()).not.toContain(code)
    await change(id, { seenBy: 'everyone' }).expect(200)
    expect(await listed()).toContain(code)
    await change(id, { seenBy: 'me' }).expect(200)
    await open(code).expect(404)
    await owner.agent.delete(`/api/collections/${id}`).send({}).expect(200)
  })

  it('show no longer what their owner may not see any more', async () => {
    const { lessonId } = await put(said('Lent'), other)
    const body = { email: owner.person.email, role: 'viewer' }
    await other.agent.post(`/api/lessons/${lessonId}/people`).send(body).expect(200)
    const { id, code } = await begin([lessonId])
    await change(id, { seenBy: 'link' }).expect(200)
    expect((await open(code).expect(200)).body.lessons).toHaveLength(1)
    const path = `/api/lessons/${lessonId}/people/${owner.person.id}`
    await other.agent.delete(path).send({}).expect(200)
    expect((await open(code).expect(200)).body.lessons).toEqual([])
    const { body: all } = await owner.agent.get('/api/collections').expect(200)
    expect(all.collections.find((one: Collection) => one.id === id).lessonIds).toEqual([])
  })
})

describe('how often a lesson was opened', () => {
  it('counts who comes back after a while, and nobody who loads the page again', async () => {
    const { lessonId, code } = await put(said('Opened'))
    const { agent, attemptId } = await goInAsGuest(server, code)
    const openings = async () => {
      const { body } = await owner.agent.get(`/api/lessons/${lessonId}/results`).expect(200)
      return body.learners[0].timesOpened
    }
    const ago = (minutes: number) =>
      run(
        server.context.database,
        `UPDATE attempts SET last_seen_at = now() - $2 * interval '1 minute', last_opened_at = now() - $2 * interval '1 minute'
          WHERE id = $1`,
        [attemptId, minutes],
      )
    const visit = () => agent.get(`/api/attempts/${attemptId}`).expect(200)
    await ago(5)
    await visit()
    expect(await openings()).toBe(1)
    await ago(30)
    await visit()
    // It is noted beside what the page is given.
    await vi.waitFor(async () => expect(await openings()).toBe(2))
    await visit()
    await visit()
    expect(await openings()).toBe(2)
    const { body } = await owner.agent.get('/api/lessons').expect(200)
    expect(body.lessons.find(({ id }: { id: string }) => id === lessonId)).toMatchObject({
      learners: 1,
      opened: 2,
    })
  })

  it('names to each who works on it those learners alone whose results they see', async () => {
    const learners = [await server.signedIn('learner'), await server.signedIn('learner')]
    const given = await openClassroom(server, owner, learners, said('Given'))
    const { lessonId, code, assignmentId } = given
    await goInAsGuest(server, code)
    for (const learner of learners) await beginWork(learner, assignmentId)
    const role = { email: other.person.email, role: 'editor' }
    await owner.agent.post(`/api/lessons/${lessonId}/people`).send(role).expect(200)
    const told = async ({ agent }: SignedIn) => {
      const { body } = await agent.get('/api/lessons').expect(200)
      const card = body.lessons.find(({ id }: { id: string }) => id === lessonId)
      return [card.learners, card.opened]
    }
    expect(await told(owner)).toEqual([3, 3])
    expect(await told(other)).toEqual([1, 3])
  })
})
