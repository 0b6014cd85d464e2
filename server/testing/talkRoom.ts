// A class of two that talks, as the tests of the talk need it.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach } from 'vitest'
import { usualRules } from '@fernbrake/core/classes'
import type { TalkReply } from '@fernbrake/core/contract'
import type { Post } from '@fernbrake/core/talk'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'
import {
  beginWork,
  openClassroom,
  sendRecords,
  type Classroom,
  type Somebody,
} from './classroom.ts'
import { hoursAgo, startTestServer, type TestServer } from './testServer.ts'

/** Who and what is there during a test; the room is another one for each. */
export interface TalkRoom {
  server: TestServer
  teacher: Somebody
  ada: Somebody
  bram: Somebody
  room: Classroom
  /** Where the teacher talks. */
  talk: string
  attempts: Map<Somebody, string>
}

/** Opens a server for the tests of a file, and a room before each. */
export function useTalkRoom() {
  const here = { attempts: new Map() } as TalkRoom
  beforeAll(async () => {
    here.server = await startTestServer()
    here.teacher = await here.server.signedIn('designer')
    here.ada = await here.server.signedIn('learner')
    here.bram = await here.server.signedIn('learner')
  })
  afterAll(() => here.server.stop())
  beforeEach(async () => {
    const { server, teacher, ada, bram, attempts } = here
    const rules = { ...usualRules(), talk: true }
    here.room = await openClassroom(server, teacher, [ada, bram], lessonWithFilm(60_000), { rules })
    here.talk = `/api/talk/assignment/${here.room.assignmentId}`
    for (const one of [ada, bram]) attempts.set(one, await beginWork(one, here.room.assignmentId))
  })
  const say = (who: Somebody, ...records: object[]) =>
    sendRecords(who, here.attempts.get(who)!, ...records)
  const read = async (who: Somebody, after = 0) => {
    const path = `/api/attempts/${here.attempts.get(who)!}/talk?after=${after}`
    return (await who.agent.get(path).expect(200)).body as TalkReply
  }
  const readAsTeacher = async () =>
    (await here.teacher.agent.get(here.talk).expect(200)).body as TalkReply
  const sayAsTeacher = async (words: string, more: object = {}) =>
    (await here.teacher.agent.post(here.talk).send(saying(words, more)).expect(200)).body as Post
  return { here, say, read, readAsTeacher, sayAsTeacher }
}

/** When something is said, by how many seconds it comes after the first. */
export const saidAt = (second: number): string => hoursAgo(10, second)
export const saying = (words: string, more: object = {}, second = 0) => ({
  postId: nanoid(),
  sort: 'comment',
  replyTo: null,
  partId: PART,
  words,
  place: { on: 'moment', atMs: 9000 },
  number: null,
  range: null,
  isGone: false,
  at: saidAt(second),
  ...more,
})
export const record = (words: string, more: object = {}, second = 0) => ({
  kind: 'say',
  id: nanoid(),
  ...saying(words, more, second),
})
export const reply = (replyTo: string, words: string, more: object = {}, second = 0) =>
  record(words, { sort: 'reply', replyTo, ...more }, second)
export const wordsOf = ({ posts }: TalkReply) => posts.map(({ words }) => words)
