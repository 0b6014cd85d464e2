// Talk among those who came by a lesson's link: who lets them, who sees what, what waits for whom, and what a search finds.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Attempt, TalkReply, TalkReport, WaitingEnquiries } from '@fernbrake/core/contract'
import type { Post } from '@fernbrake/core/talk'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { within } from '../database/connect.ts'
import { removePerson } from '../people/queries/keeping.ts'
import { beginWork, openClassroom, sendRecords, type Somebody } from '../testing/classroom.ts'
import { record, reply, saying, wordsOf } from '../testing/talkRoom.ts'
import { begunBefore, putLesson, startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let owner: Somebody
let ada: Somebody
let bram: Somebody
let lessonId: string
let code: string
let path: string
let attempts: Map<Somebody, string>
beforeAll(async () => {
  server = await startTestServer()
  owner = await server.signedIn('designer')
  ada = await server.signedIn('learner')
  bram = await server.signedIn('learner')
})
afterAll(() => server.stop())

async function come(who: Somebody): Promise<void> {
  const { body } = await who.agent.post(`/api/links/${code}/attempts`).send({}).expect(201)
  await begunBefore(body.attemptId as string)
  attempts.set(who, body.attemptId as string)
}
const share = (body: object, who = owner) =>
  who.agent.patch(`/api/lessons/${lessonId}/sharing`).send(body)
const say = (who: Somebody, ...records: object[]) =>
  sendRecords(who, attempts.get(who)!, ...records)
const read = async ({ agent }: Somebody, of = '', after = 0) =>
  (await agent.get(`${of}?after=${after}`).expect(200)).body as TalkReply
const readAs = (who: Somebody, after = 0) =>
  read(who, `/api/attempts/${attempts.get(who)!}/talk`, after)
const sayAsOwner = async (words: string, more: object = {}) =>
  (await owner.agent.post(path).send(saying(words, more)).expect(200)).body as Post
const codes = (got: { refused: { code: string }[] }) => got.refused.map((one) => one.code)
/** Somebody who works on the lesson. */
async function worker(role: string): Promise<Somebody> {
  const one = await server.signedIn('designer')
  const body = { email: one.person.email, role }
  await owner.agent.post(`/api/lessons/${lessonId}/people`).send(body).expect(200)
  return one
}

beforeEach(async () => {
  attempts = new Map()
  ;({ lessonId, code } = await putLesson(owner.person, lessonWithFilm(60_000)))
  path = `/api/talk/lesson/${lessonId}`
  await come(ada)
  await come(bram)
  await share({ talks: true }).expect(200)
})

describe('who may talk', () => {
  it('is said under sharing, by owners alone; nobody may unless it is', async () => {
    const quiet = await putLesson(owner.person, lessonWithFilm(60_000))
    const asked = await owner.agent.get(`/api/lessons/${quiet.lessonId}/sharing`).expect(200)
    expect(asked.body).toMatchObject({ talks: false })
    const editor = await worker('editor')
    await share({ talks: false }, editor).expect(403)
    await share({ talks: false }, ada).expect(404)
    expect((await share({ seenBy: 'link' }).expect(200)).body).toMatchObject({ talks: true })
    const { body } = await ada.agent.get(`/api/attempts/${attempts.get(ada)!}`).expect(200)
    expect(body as Attempt).toMatchObject({ talks: true, assignment: null })
  })

  it('ends and begins with that, whatever was written meanwhile; what was said is kept', async () => {
    await say(ada, record('before'))
    await share({ talks: false }).expect(200)
    expect(codes(await say(ada, record('after')))).toEqual(['talkOff'])
    expect(await readAs(bram)).toMatchObject({ isOn: false, posts: [] })
    expect(await read(owner, path)).toMatchObject({ isOn: false })
    expect(wordsOf(await read(owner, path))).toEqual(['before'])
    await share({ talks: true }).expect(200)
    expect(wordsOf(await readAs(bram))).toEqual(['before'])
  })

  it('are those who came by the link, each once however often it is sent, and no class', async () => {
    const room = await openClassroom(server, owner, [ada], lessonWithFilm(60_000))
    await owner.agent
      .patch(`/api/lessons/${room.lessonId}/sharing`)
      .send({ talks: true })
      .expect(200)
    const inClass = await beginWork(ada, room.assignmentId)
    expect(codes(await sendRecords(ada, inClass, record('from the class')))).toEqual(['talkOff'])
    const said = record('Where is the brake?')
    for (let times = 0; times < 3; times += 1) await say(ada, said)
    const { posts } = await readAs(bram)
    expect(posts).toMatchObject([
      { words: 'Where is the brake?', author: { name: 'Test learner', teaches: false } },
    ])
    await say(bram, reply(said.postId, 'On the quay.', {}, 1))
    expect(wordsOf(await readAs(ada, posts[0]!.change))).toEqual(['On the quay.'])
  })
})

describe('the teachers of such a talk', () => {
  it('are the owners and editors; others find nothing, or are told that they may not', async () => {
    const said = record('unkind')
    await say(ada, said)
    const editor = await worker('editor')
    const others = [await worker('viewer'), await worker('commenter'), ada]
    others.push(await server.signedIn('designer'))
    for (const { agent } of others) {
      await agent.get(path).expect(404)
      await agent.get(`${path}/activity`).expect(404)
      await agent.post(path).send(saying('hm')).expect(404)
      await agent.patch(`${path}/${said.postId}`).send({ isHidden: true }).expect(404)
    }
    await server.anonymous().get(path).expect(401)
    await editor.agent.patch(`${path}/${said.postId}`).send({ isHidden: true }).expect(200)
    expect((await readAs(bram)).posts).toMatchObject([{ words: '', isHidden: true }])
    // No learner moderates where there is no class that lets them.
    const own = `/api/attempts/${attempts.get(bram)!}/talk/${said.postId}`
    await bram.agent.patch(own).send({ isHidden: false }).expect(404)
    const { body } = await editor.agent.get(`${path}/activity`).expect(200)
    expect(body as TalkReport).toMatchObject({
      maySwitch: false,
      people: [{ personId: ada.person.id, comments: 1 }],
    })
  })

  it('are asked in secret, and it waits for all of them until one replies', async () => {
    const editor = await worker('editor')
    const commenter = await worker('commenter')
    const waits = async ({ agent }: Somebody) => {
      const { enquiries } = (await agent.get('/api/enquiries').expect(200)).body
      return (enquiries as WaitingEnquiries[]).filter(({ sourceId }) => sourceId === lessonId)
    }
    const asked = record('May I use this at home?', { sort: 'enquiry' })
    await say(ada, asked)
    const waiting = { source: 'lesson', sourceId: lessonId, classId: null, classTitle: null }
    for (const one of [owner, editor])
      expect(await waits(one)).toEqual([{ ...waiting, title: expect.any(String), waiting: 1 }])
    expect(await waits(commenter)).toEqual([])
    await sayAsOwner('You may.', { sort: 'reply', replyTo: asked.postId })
    expect(await waits(editor)).toEqual([])
    expect(wordsOf(await readAs(ada))).toEqual(['May I use this at home?', 'You may.'])
    expect(wordsOf(await readAs(bram))).toEqual([])
  })

  it('speak before anybody may, even about what is not published', async () => {
    const lesson = { ...lessonWithFilm(60_000), title: 'Not out yet' }
    const draft = await putLesson(owner.person, lesson, { published: false })
    const of = `/api/talk/lesson/${draft.lessonId}`
    await owner.agent.post(of).send(saying('Welcome.')).expect(200)
    await owner.agent
      .post(of)
      .send(saying('Nowhere', { partId: 'gone' }))
      .expect(404)
    expect(wordsOf(await read(owner, of))).toEqual(['Welcome.'])
    expect((await owner.agent.get(`${of}/activity`).expect(200)).body).toMatchObject({
      title: 'Not out yet',
      parts: [{ id: PART }],
    })
  })

  it('take the report of it along', async () => {
    await say(ada, record('=1+1'))
    const file = `/api/results/lesson/${lessonId}/files/talk?format=csv`
    const { text } = await owner.agent.get(file).expect(200)
    expect(text).toContain('Test learner,1,0,0,0,')
    expect(text).not.toContain(',=1+1')
  })
})

it('whoever is erased leaves an empty place, and nothing to be found', async () => {
  const leaving = await server.signedIn('learner')
  await come(leaving)
  const said = record('The heron stands at lock two.')
  await say(leaving, said)
  await say(ada, reply(said.postId, 'It does.', {}, 1))
  await share({ seenBy: 'everyone' }).expect(200)
  const { upTo } = await readAs(bram)
  await server.context.database.transaction((transaction) =>
    removePerson(within(server.context.database, transaction), leaving.person.id),
  )
  const news = await readAs(bram, upTo)
  expect(news.posts).toMatchObject([{ id: said.postId, isGone: true, words: '', author: null }])
  const found = await server.anonymous().get('/api/open-lessons').query({ words: 'heron' })
  expect(found.body.lessons).toEqual([])
})

describe('the search over open lessons', () => {
  const found = async (words: string) => {
    const { body } = await server.anonymous().get('/api/open-lessons').query({ words }).expect(200)
    const lessons = body.lessons as { code: string; said: { atMs: number; text: string }[] }[]
    return lessons
      .filter((one) => one.code === code)
      .map(({ said }) => said.map(({ atMs, text }) => [atMs, text]))
  }
  const inTalk = 'Écluse six has a stork, 100 %.'

  it('finds what everyone can read, whatever case and accents, and where it is about', async () => {
    await say(ada, record(inTalk), record('A stork', { place: { on: 'part' } }, 1))
    expect(await found('stork')).toEqual([])
    await share({ seenBy: 'everyone' }).expect(200)
    expect(await found('ECLUSE stork')).toEqual([[[9000, inTalk]]])
    expect(await found('stork')).toEqual([
      [
        [9000, inTalk],
        [null, 'A stork'],
      ],
    ])
    expect(await found('100 %')).toHaveLength(1)
    expect(await found('st_rk')).toEqual([])
    expect(await found('stork kingfisher')).toEqual([])
    await say(bram, record(`${'It rains on the quay. '.repeat(20)}A bittern booms.`, {}, 2))
    expect(await found('bittern')).toEqual([[[9000, '… quay. A bittern booms.']]])
    await share({ talks: false }).expect(200)
    expect(await found('stork')).toEqual([])
  })

  it('finds nothing that is hidden, taken back, changed, or for teachers alone', async () => {
    await share({ seenBy: 'everyone' }).expect(200)
    const [hidden, back] = [record('a hidden stork'), record('a regretted stork')]
    const asked = record('a secret stork', { sort: 'enquiry' })
    const changed = record('a stork that is none')
    await say(ada, hidden, back, asked, changed, reply(hidden.postId, 'hangs on the stork', {}, 1))
    await say(ada, { ...back, id: nanoid(), isGone: true, at: saidLater() })
    await say(ada, { ...changed, id: nanoid(), words: 'a heron', at: saidLater() })
    await sayAsOwner('to you about the stork', { sort: 'reply', replyTo: asked.postId })
    await owner.agent.patch(`${path}/${hidden.postId}`).send({ isHidden: true }).expect(200)
    expect(await found('stork')).toEqual([])
    expect(await found('heron')).toEqual([[[9000, 'a heron']]])
    await owner.agent.patch(`${path}/${hidden.postId}`).send({ isHidden: false }).expect(200)
    expect(await found('stork')).toEqual([
      [
        [9000, 'a hidden stork'],
        [9000, 'hangs on the stork'],
      ],
    ])
  })
})

const saidLater = () => new Date().toISOString()
