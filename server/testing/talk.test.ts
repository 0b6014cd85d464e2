// The talk of a class: who sees what, who may say what, what comes of repeats and clocks, and who has posted what.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { usualRules } from '@fernbrake/core/classes'
import type {
  Attempt,
  MyClass,
  Standing,
  TalkReply,
  TalkReport,
  WaitingEnquiries,
} from '@fernbrake/core/contract'
import { activityOf, NO_ACTIVITY, threadsOf, withPosts, type Post } from '@fernbrake/core/talk'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { within } from '../database/connect.ts'
import { readHeld } from '../queries/keeping.ts'
import { talkDocument } from '../reports/talkTables.ts'
import {
  beginWork,
  openClassroom,
  sendRecords,
  type Classroom,
  type Somebody,
} from './classroom.ts'
import { startTestServer, type TestServer } from './testServer.ts'

let server: TestServer
let teacher: Somebody
let ada: Somebody
let bram: Somebody
let room: Classroom
let talk: string
const attempts = new Map<Somebody, string>()

beforeAll(async () => {
  server = await startTestServer()
  teacher = await server.signedIn('designer')
  ada = await server.signedIn('learner')
  bram = await server.signedIn('learner')
})
afterAll(() => server.stop())
beforeEach(async () => {
  const rules = { ...usualRules(), talk: true }
  room = await openClassroom(server, teacher, [ada, bram], lessonWithFilm(60_000), { rules })
  talk = `${room.path}/${room.assignmentId}/talk`
  for (const one of [ada, bram]) attempts.set(one, await beginWork(one, room.assignmentId))
})

const BEGAN = Date.parse('2026-03-02T10:00:00Z')
const saying = (words: string, more: object = {}, second = 0) => ({
  ...{ postId: nanoid(), sort: 'comment', replyTo: null, partId: PART, words },
  ...{ place: { on: 'moment', atMs: 9000 }, number: null, range: null, isGone: false },
  at: new Date(BEGAN + second * 1000).toISOString(),
  ...more,
})
const record = (words: string, more: object = {}, second = 0) => ({
  ...{ kind: 'say', id: nanoid() },
  ...saying(words, more, second),
})
const reply = (replyTo: string, words: string, more: object = {}, second = 0) =>
  record(words, { sort: 'reply', replyTo, ...more }, second)
const say = (who: Somebody, ...records: object[]) =>
  sendRecords(who, attempts.get(who)!, ...records)
const read = async (who: Somebody, after = 0) =>
  (await who.agent.get(`/api/attempts/${attempts.get(who)!}/talk?after=${after}`).expect(200))
    .body as TalkReply
const readAsTeacher = async () => (await teacher.agent.get(talk).expect(200)).body as TalkReply
const wordsOf = ({ posts }: TalkReply) => posts.map(({ words }) => words)
const sayAsTeacher = async (words: string, more: object = {}) =>
  (await teacher.agent.post(talk).send(saying(words, more)).expect(200)).body as Post
const codes = (got: { refused: { code: string }[] }) => got.refused.map(({ code }) => code)

describe('what is said', () => {
  it('is there once, however often it is sent, and for all of the class', async () => {
    const said = record('Where does the water come from?')
    for (let times = 0; times < 3; times += 1)
      expect(await say(ada, said)).toMatchObject({ kept: [said.id], refused: [] })
    const forBram = await read(bram)
    expect(forBram).toMatchObject({ isOn: true, mayHide: false, isMore: false })
    expect(forBram.posts).toMatchObject([
      {
        ...{ id: said.postId, words: 'Where does the water come from?', isMine: false },
        ...{ isChanged: false, saidAt: '2026-03-02T10:00:00.000Z' },
        author: { id: ada.person.id, name: 'Test learner', teaches: false },
      },
    ])
    expect((await read(ada)).posts).toMatchObject([{ isMine: true }])
    expect(wordsOf(await readAsTeacher())).toEqual(['Where does the water come from?'])
  })

  it('holds by its latest word, in whatever order the words come', async () => {
    const said = record('frist', {}, 1)
    const changed = { ...said, id: nanoid(), words: 'first', at: '2026-03-02T10:00:09.000Z' }
    const late = { ...said, id: nanoid(), words: 'late', at: '2026-03-02T10:00:05.000Z' }
    await say(ada, said, changed, late)
    expect((await read(bram)).posts).toMatchObject([{ words: 'first', isChanged: true }])
    const back = { ...said, id: nanoid(), isGone: true, at: '2026-03-02T10:00:20.000Z' }
    await say(ada, back)
    expect((await read(bram)).posts).toMatchObject([{ words: '', isGone: true }])
  })

  it('comes to those who know the rest as what is new alone', async () => {
    await say(ada, record('one'), record('two'))
    const { upTo, posts } = await read(bram)
    expect(await read(bram, upTo)).toMatchObject({ posts: [], upTo })
    const [first] = posts
    await say(bram, reply(first!.id, 'three', {}, 5))
    const news = await read(ada, upTo)
    expect(wordsOf(news)).toEqual(['three'])
    // A change comes again.
    await teacher.agent.patch(`${talk}/${first!.id}`).send({ isHidden: true }).expect(200)
    expect((await read(bram, news.upTo)).posts).toMatchObject([{ id: first!.id, isHidden: true }])
  })

  it('keeps every word of many who talk at once, and whoever asks meanwhile misses none', async () => {
    let known: Post[] = []
    let upTo = 0
    const ask = async () => {
      const news = await read(ada, upTo)
      known = withPosts(known, news.posts)
      upTo = news.upTo
    }
    await Promise.all(
      Array.from({ length: 24 }, async (_, index) => {
        await say(index % 2 ? ada : bram, record(`${index}`, {}, index))
        if (index % 3 === 0) await ask()
      }),
    )
    await ask()
    expect(known.map(({ words }) => Number(words)).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 24 }, (_, index) => index),
    )
  })
})

describe('to the teacher alone', () => {
  it('is seen by teachers and by whoever asked, and so is what is replied', async () => {
    const asked = record('May I hand it in late?', { sort: 'enquiry' })
    await say(ada, asked)
    await sayAsTeacher('Until Friday.', { sort: 'reply', replyTo: asked.postId })
    expect(wordsOf(await read(bram))).toEqual([])
    expect(wordsOf(await read(ada))).toEqual(['May I hand it in late?', 'Until Friday.'])
    // Nobody else can reply to what they cannot see.
    expect(codes(await say(bram, reply(asked.postId, 'Me too')))).toEqual(['unknownPost'])
    expect(wordsOf(await readAsTeacher())).toHaveLength(2)
  })
})

describe('a prompt', () => {
  it('is answered with a number of its range, and by nobody with any other', async () => {
    const prompt = await sayAsTeacher('How many boats an hour?', {
      ...{ sort: 'prompt', range: { from: 1, to: 10 } },
    })
    const given = reply(prompt.id, '', { number: 6 })
    expect(codes(await say(ada, given, reply(prompt.id, '', { number: 11 })))).toEqual([
      'wrongNumber',
    ])
    const comment = record('A comment')
    await say(bram, comment)
    expect(codes(await say(ada, reply(comment.postId, '', { number: 3 })))).toEqual(['wrongNumber'])
    const threads = threadsOf((await read(bram)).posts, [PART])
    expect(threads.find(({ head }) => head.id === prompt.id)).toMatchObject({
      head: { range: { from: 1, to: 10 } },
      replies: [{ number: 6 }],
    })
  })

  it('is a teacher’s; a teacher asks nobody in secret', async () => {
    expect(codes(await say(ada, record('Who knows?', { sort: 'prompt' })))).toEqual(['notForYou'])
    await teacher.agent
      .post(talk)
      .send(saying('Hm', { sort: 'enquiry' }))
      .expect(403)
  })
})

describe('what is not taken', () => {
  it('is refused with a sentence, record by record', async () => {
    const good = record('good')
    const others = record('others')
    await say(bram, others)
    const got = await say(
      ada,
      record('nowhere', { partId: 'gone' }),
      record('beyond', { place: { on: 'moment', atMs: 61_000 } }),
      reply('nothing', 'to nobody'),
      { ...others, id: nanoid(), words: 'not mine', at: '2026-03-02T11:00:00.000Z' },
      good,
    )
    expect(codes(got)).toEqual(['unknownPart', 'beyondEnd', 'unknownPost', 'notForYou'])
    expect(got.kept).toEqual([good.id])
    expect(wordsOf(await read(bram)).sort()).toEqual(['good', 'others'])
  })

  it('a reply hangs on what began it, and not on a reply or what is gone', async () => {
    const head = record('head')
    const first = reply(head.postId, 'first')
    await say(ada, head, first)
    expect(codes(await say(bram, reply(first.postId, 'deeper')))).toEqual(['unknownPost'])
    await say(ada, { ...head, id: nanoid(), isGone: true, at: '2026-03-02T11:00:00.000Z' })
    expect(codes(await say(bram, reply(head.postId, 'too late')))).toEqual(['unknownPost'])
  })

  it.each([
    ['words without a letter', { words: '  ' }],
    ['a reply to nothing', { sort: 'reply' }],
    ['a comment with a range', { range: { from: 1, to: 2 } }],
    ['a range that leads nowhere', { sort: 'prompt', range: { from: 2, to: 2 } }],
    ['a comment with a number', { number: 3 }],
    ['too many words', { words: 'a'.repeat(2001) }],
    ['what nobody knows', { shout: true }],
  ])('%s', async (_, more) => {
    const records = [record('words', more)]
    await ada.agent
      .post(`/api/attempts/${attempts.get(ada)!}/records`)
      .send({ records })
      .expect(422)
    await teacher.agent.post(talk).send(saying('words', more)).expect(422)
  })
})

describe('switched off', () => {
  it('nobody of the class talks or reads; what was said is there again when it is on', async () => {
    const before = record('before')
    await say(ada, before)
    expect((await teacher.agent.patch(talk).send({ isOn: false }).expect(200)).body).toEqual({
      isOn: false,
    })
    expect(codes(await say(ada, record('after')))).toEqual(['talkOff'])
    expect(await read(bram)).toMatchObject({ isOn: false, posts: [] })
    expect(wordsOf(await readAsTeacher())).toEqual(['before'])
    const { body } = await ada.agent.get(`/api/attempts/${attempts.get(ada)!}`).expect(200)
    expect((body as Attempt).assignment?.talks).toBe(false)
    await teacher.agent.patch(talk).send({ isOn: true }).expect(200)
    expect(wordsOf(await read(bram))).toEqual(['before'])
  })

  it('is so unless a class was told that it may', async () => {
    const quiet = await openClassroom(server, teacher, [ada], lessonWithFilm(60_000))
    attempts.set(ada, await beginWork(ada, quiet.assignmentId))
    expect(codes(await say(ada, record('hello')))).toEqual(['talkOff'])
  })

  it('is so for whoever left the class, and for those who opened the lesson by its link', async () => {
    await teacher.agent
      .patch(`/api/classes/${room.classId}/members/${ada.person.id}`)
      .send({ hasLeft: true })
      .expect(200)
    expect(codes(await say(ada, record('from outside')))).toEqual(['talkOff'])
    expect(await read(ada)).toMatchObject({ isOn: false, posts: [] })
    const link = await bram.agent.post(`/api/links/${room.code}/attempts`).send({}).expect(201)
    const got = await sendRecords(bram, link.body.attemptId, record('by link'))
    expect(codes(got)).toEqual(['talkOff'])
  })
})

describe('hiding', () => {
  const hide = (who: Somebody, postId: string, isHidden = true) =>
    who.agent.patch(`/api/attempts/${attempts.get(who)!}/talk/${postId}`).send({ isHidden })
  const letModerate = (who: Somebody, moderates: boolean) =>
    teacher.agent
      .patch(`/api/classes/${room.classId}/members/${who.person.id}`)
      .send({ moderates })
      .expect(200)

  it('takes the words from all but their author and those who could hide them', async () => {
    const said = record('unkind')
    await say(ada, said)
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: true }).expect(200)
    expect((await read(bram)).posts).toMatchObject([{ words: '', isHidden: true }])
    expect((await read(ada)).posts).toMatchObject([{ words: 'unkind', isHidden: true }])
    expect((await readAsTeacher()).posts).toMatchObject([{ words: 'unkind', isHidden: true }])
    await teacher.agent.patch(`${talk}/${said.postId}`).send({ isHidden: false }).expect(200)
    expect(wordsOf(await read(bram))).toEqual(['unkind'])
  })

  it('is for those of the class whom the teacher lets, and not over what teachers say', async () => {
    const said = record('unkind')
    const asked = record('secret', { sort: 'enquiry' })
    await say(ada, said, asked)
    const teachers = await sayAsTeacher('Be kind.')
    await hide(bram, said.postId).expect(404)
    await letModerate(bram, true)
    expect(await read(bram)).toMatchObject({ mayHide: true })
    await hide(bram, said.postId).expect(200)
    expect(wordsOf(await read(bram)).sort()).toEqual(['Be kind.', 'unkind'])
    await hide(bram, teachers.id).expect(403)
    // What goes to the teacher alone is not for them either.
    await hide(bram, asked.postId).expect(404)
    await letModerate(bram, false)
    await hide(bram, said.postId, false).expect(404)
    await hide(ada, said.postId, false).expect(404)
  })
})

describe('who has posted what', () => {
  it('is counted as core counts it, with those who have said nothing', async () => {
    const prompt = await sayAsTeacher('How many?', { sort: 'prompt', range: { from: 0, to: 5 } })
    const gone = record('gone')
    const head = record('head')
    await say(ada, head, gone, record('mine', { sort: 'enquiry' }))
    await say(ada, { ...gone, id: nanoid(), isGone: true, at: '2026-03-02T11:00:00.000Z' })
    await say(ada, reply(prompt.id, '', { number: 1 }), reply(prompt.id, '', { number: 2 }, 4))
    await say(ada, reply(head.postId, 'again', {}, 9))
    const { posts } = await readAsTeacher()
    const counted = activityOf(posts)
    const { body } = await teacher.agent.get(`${talk}/activity`).expect(200)
    const report = body as TalkReport
    expect(report.parts).toMatchObject([{ id: PART, number: 1, durationMs: 60_000 }])
    for (const { personId, name: _, hasLeft: __, ...activity } of report.people)
      expect(activity).toEqual(counted.get(personId) ?? NO_ACTIVITY)
    expect(counted.get(ada.person.id)).toEqual({
      ...{ comments: 1, enquiries: 1, replies: 1, answers: 1 },
      lastAt: '2026-03-02T10:00:09.000Z',
    })
    const { body: standing } = await teacher.agent
      .get(`${room.path}/${room.assignmentId}/standing`)
      .expect(200)
    const said = (standing.learners as Standing[]).map(({ personId, posts: n }) => [personId, n])
    expect(Object.fromEntries(said)).toEqual({ [ada.person.id]: 4, [bram.person.id]: 0 })
  })

  it('is not for another class of the same teacher', async () => {
    const other = await openClassroom(server, teacher, [], lessonWithFilm(60_000))
    const crossed = `${other.path}/${room.assignmentId}/talk`
    await teacher.agent.get(crossed).expect(404)
    await teacher.agent.post(crossed).send(saying('hm')).expect(404)
    await teacher.agent.patch(crossed).send({ isOn: false }).expect(404)
    await teacher.agent.get(`${crossed}/activity`).expect(404)
  })
})

it('the report tells all of it in the order of the lesson, and what waits', async () => {
  const asked = record('When is it due?', { sort: 'enquiry', place: { on: 'part' } })
  const head = record('head')
  await say(ada, asked, head, reply(head.postId, '=1+1'))
  await teacher.agent.patch(`${talk}/${head.postId}`).send({ isHidden: true }).expect(200)
  const { body } = await teacher.agent.get(`${talk}/activity`).expect(200)
  const { posts } = await readAsTeacher()
  const document = talkDocument({ ...(body as TalkReport), classTitle: 'Spring intake' }, posts)
  expect(document).toMatchObject({ about: 'Spring intake · Talk' })
  expect(document.sentences).toEqual([
    '1 of 2 has said something.',
    'One question to the teachers waits for a reply.',
  ])
  const told = document.tables[1]!.rows.map((row) => [row[1], row[3], row[4], row[6], row[8]])
  expect(told).toEqual([
    ['0:09', 'comment', 'head', null, 'yes'],
    ['0:09', 'reply', '=1+1', 'Test learner', ''],
    ['', 'to the teachers alone', 'When is it due?', null, ''],
  ])
  const file = (source: string) => `/api/results/${source}/files/talk?format=csv`
  const csv = await teacher.agent.get(file(`assignment/${room.assignmentId}`)).expect(200)
  expect(csv.text).toContain('Test learner,1,1,1,0,')
  // Those who opened the lesson by its link have no talk.
  await teacher.agent.get(file(`lesson/${room.lessonId}`)).expect(404)
})

it('a learner’s own page tells of replies since they were last there', async () => {
  const replied = async (who: Somebody) => {
    const { body } = await who.agent.get('/api/my-work').expect(200)
    const all = (body.classes as MyClass[]).flatMap(({ assignments }) => assignments)
    return all.find(({ id }) => id === room.assignmentId)!.newReplies
  }
  const head = record('head')
  await say(ada, head, reply(head.postId, 'my own'))
  const later = (second: number) => ({ at: new Date(Date.now() + second).toISOString() })
  await say(bram, reply(head.postId, 'one', later(0)), reply(head.postId, 'two', later(1)))
  const hidden = await sayAsTeacher('three', { sort: 'reply', replyTo: head.postId, ...later(2) })
  expect([await replied(ada), await replied(bram)]).toEqual([3, 0])
  await teacher.agent.patch(`${talk}/${hidden.id}`).send({ isHidden: true }).expect(200)
  expect(await replied(ada)).toBe(2)
  // Whoever was there since has seen them.
  const seen = { kind: 'seen', id: nanoid(), partId: PART, thingId: PART, at: later(0).at }
  await say(ada, seen)
  expect(await replied(ada)).toBe(0)
})

it('what learners asked waits for their teachers, until one of them replies', async () => {
  const waiting = async () =>
    ((await teacher.agent.get('/api/enquiries').expect(200)).body.enquiries as WaitingEnquiries[])
      .filter(({ assignmentId }) => assignmentId === room.assignmentId)
      .map((one) => [one.classTitle, one.waiting])
  const asked = record('May I?', { sort: 'enquiry' })
  await say(ada, asked, record('And then?', { sort: 'enquiry' }), reply(asked.postId, 'Please'))
  expect(await waiting()).toEqual([['Spring intake', 2]])
  await sayAsTeacher('You may.', { sort: 'reply', replyTo: asked.postId })
  expect(await waiting()).toEqual([['Spring intake', 1]])
  const { body } = await (await server.signedIn('designer')).agent.get('/api/enquiries').expect(200)
  expect(body).toEqual({ enquiries: [] })
})

it('whoever is removed leaves an empty place where others replied', async () => {
  const keeper = await server.signedIn('keeper')
  const leaving = await server.signedIn('learner')
  const { classId } = room
  const joinUntil = new Date(Date.now() + 60_000).toISOString()
  const { body } = await teacher.agent.patch(`/api/classes/${classId}`).send({ joinUntil })
  await leaving.agent.post(`/api/join/${body.joinCode}`).send({}).expect(201)
  attempts.set(leaving, await beginWork(leaving, room.assignmentId))
  const said = record('my words')
  await say(leaving, said)
  await say(ada, reply(said.postId, 'I agree'))
  await keeper.agent.delete(`/api/keeper/people/${leaving.person.id}`).expect(200)
  const { posts } = await read(bram)
  expect(posts.find(({ id }) => id === said.postId)).toMatchObject({
    ...{ words: '', isGone: true, author: null },
  })
  expect(wordsOf({ posts } as TalkReply)).toContain('I agree')
  const rows = await server.context.database.query(
    `SELECT words FROM posts WHERE words LIKE '%my words%'`,
  )
  expect(rows[0]).toEqual([])
})

it('a person’s own words are in what is told about them', async () => {
  const said = record('told')
  await say(ada, said)
  const { talk: held } = await readHeld(within(server.context.database), ada.person.id)
  expect(held).toContainEqual(expect.objectContaining({ id: said.postId, words: 'told' }))
})
