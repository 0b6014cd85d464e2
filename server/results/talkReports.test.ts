// What is told of the talk of a class: who has posted what, what waits, what is new; and what goes with a person.
import { wordsIn } from '../locales/words.ts'
import { nanoid } from 'nanoid'
import { beforeEach, describe, expect, it } from 'vitest'
import type {
  MyClass,
  Standing,
  TalkReply,
  TalkReport,
  WaitingEnquiries,
} from '@fernbrake/core/contract'
import { activityOf, NO_ACTIVITY } from '@fernbrake/core/talk'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import { within } from '../database/connect.ts'
import { readHeld } from '../people/queries/keeping.ts'
import { talkDocument } from './report/talkTables.ts'
import { beginWork, openClassroom, type Somebody } from '../testing/classroom.ts'
import { saidAt, record, reply, saying, useTalkRoom, wordsOf } from '../testing/talkRoom.ts'

const { here, say, read, readAsTeacher, sayAsTeacher } = useTalkRoom()
let { server, teacher, ada, bram, room, talk, attempts } = here
beforeEach(() => {
  ;({ server, teacher, ada, bram, room, talk, attempts } = here)
})
describe('who has posted what', () => {
  it('is counted as core counts it, with those who have said nothing', async () => {
    const prompt = await sayAsTeacher('How many?', { sort: 'prompt', range: { from: 0, to: 5 } })
    const gone = record('gone')
    const head = record('head')
    await say(ada, head, gone, record('mine', { sort: 'enquiry' }))
    await say(ada, { ...gone, id: nanoid(), isGone: true, at: saidAt(3600) })
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
      comments: 1,
      enquiries: 1,
      replies: 1,
      answers: 1,
      lastAt: saidAt(9),
    })
    const { body: standing } = await teacher.agent
      .get(`${room.path}/${room.assignmentId}/standing`)
      .expect(200)
    const said = (standing.learners as Standing[]).map(({ personId, posts: n }) => [personId, n])
    expect(Object.fromEntries(said)).toEqual({ [ada.person.id]: 4, [bram.person.id]: 0 })
  })

  it('is for the teachers of the class alone', async () => {
    const other = await server.signedIn('designer')
    const posted = await sayAsTeacher('Read the log first.')
    for (const { agent } of [other, ada]) {
      await agent.get(talk).expect(404)
      await agent.post(talk).send(saying('hm')).expect(404)
      await agent.patch(`${talk}/${posted.id}`).send({ isHidden: true }).expect(404)
      await agent.get(`${talk}/activity`).expect(404)
    }
    await teacher.agent.get('/api/talk/assignment/nowhere').expect(404)
    const { path } = await openClassroom(server, teacher, [], lessonWithFilm(60_000))
    const crossed = `${path}/${room.assignmentId}/talk`
    await teacher.agent.patch(crossed).send({ isOn: false }).expect(404)
  })
})

it('the report tells all of it in the order of the lesson, and what waits', async () => {
  const asked = record('When is it due?', { sort: 'enquiry', place: { on: 'part' } })
  const head = record('head')
  await say(ada, asked, head, reply(head.postId, '=1+1'))
  await teacher.agent.patch(`${talk}/${head.postId}`).send({ isHidden: true }).expect(200)
  const { body } = await teacher.agent.get(`${talk}/activity`).expect(200)
  const { posts } = await readAsTeacher()
  const document = talkDocument(
    wordsIn('en'),
    { ...(body as TalkReport), classTitle: 'Spring intake' },
    posts,
  )
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
  // The newest edition may lack a part that was talked about.
  const later = { ...(body as TalkReport), classTitle: null, parts: [] }
  const lost = talkDocument(wordsIn('en'), later, posts).tables[1]!.rows
  expect(lost.map((row) => row[0])).toEqual(Array(3).fill('A part that the lesson has no longer'))
  const csv = await teacher.agent.get(file(`assignment/${room.assignmentId}`)).expect(200)
  expect(csv.text).toContain('Test learner,1,1,1,0,')
  // Those who opened the lesson by its link have a talk of their own.
  const byLink = await teacher.agent.get(file(`lesson/${room.lessonId}`)).expect(200)
  expect(byLink.text).not.toContain('Test learner')
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
      .filter(({ sourceId }) => sourceId === room.assignmentId)
      .map((one) => [one.classTitle, one.waiting])
  const asked = record('May I?', { sort: 'enquiry' })
  await say(ada, asked, record('And then?', { sort: 'enquiry' }), reply(asked.postId, 'Please'))
  expect(await waiting()).toEqual([['Spring intake', 2]])
  await sayAsTeacher('You may.', { sort: 'reply', replyTo: asked.postId })
  expect(await waiting()).toEqual([['Spring intake', 1]])
  const { body } = await (await server.signedIn('designer')).agent.get('/api/enquiries').expect(200)
  expect(body).toEqual({ enquiries: [] })
})

/** Somebody else joins the class, and begins. */
async function joinRoom(): Promise<Somebody> {
  const leaving = await server.signedIn('learner')
  const { classId } = room
  const joinUntil = new Date(Date.now() + 60_000).toISOString()
  const { body } = await teacher.agent.patch(`/api/classes/${classId}`).send({ joinUntil })
  await leaving.agent.post(`/api/join/${body.joinCode}`).send({}).expect(201)
  attempts.set(leaving, await beginWork(leaving, room.assignmentId))
  return leaving
}

it('whoever is removed leaves an empty place where others replied', async () => {
  const keeper = await server.signedIn('keeper')
  const leaving = await joinRoom()
  const said = record('my words')
  await say(leaving, said)
  await say(ada, reply(said.postId, 'I agree'))
  await keeper.agent.delete(`/api/keeper/people/${leaving.person.id}`).expect(200)
  const { posts } = await read(bram)
  expect(posts.find(({ id }) => id === said.postId)).toMatchObject({
    words: '',
    isGone: true,
    author: null,
  })
  expect(wordsOf({ posts } as TalkReply)).toContain('I agree')
  const rows = await server.context.database.query(
    `SELECT words FROM posts WHERE words LIKE '%my words%'`,
  )
  expect(rows[0]).toEqual([])
})

it('whoever is removed while they talk leaves none of their words', async () => {
  const keeper = await server.signedIn('keeper')
  const leaving = await joinRoom()
  const path = `/api/attempts/${attempts.get(leaving)!}/records`
  const talking = Array.from({ length: 12 }, (_, index) =>
    leaving.agent.post(path).send({ records: [record(`parting ${index}`), record('and more')] }),
  )
  const [removed] = await Promise.all([
    keeper.agent.delete(`/api/keeper/people/${leaving.person.id}`),
    ...talking,
  ])
  expect(removed!.status).toBe(200)
  const { posts } = await readAsTeacher()
  expect(posts.filter(({ words }) => words !== '')).toEqual([])
})

it('a person’s own words are in what is told about them', async () => {
  const said = record('told')
  await say(ada, said)
  const { talk: held } = await readHeld(within(server.context.database), ada.person.id)
  expect(held).toContainEqual(expect.objectContaining({ id: said.postId, words: 'told' }))
})
