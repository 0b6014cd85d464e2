// A class with people in it and a lesson given to it, as the tests of marking and results need it.
import { nanoid } from 'nanoid'
import { usualRules } from '@fernbrake/core/classes'
import type { Assignment, Person, RecordsReply } from '@fernbrake/core/contract'
import type { Lesson } from '@fernbrake/core/lesson'
import { begunBefore, putLesson, type Agent, type TestServer } from './testServer.ts'

export interface Somebody {
  agent: Agent
  person: Person
}

export interface Classroom {
  classId: string
  lessonId: string
  /** Of the lesson's link. */
  code: string
  assignmentId: string
  /** Where the assignments of the class are. */
  path: string
}

/** A class that was given a lesson; everybody in it has joined by its code. */
export async function openClassroom(
  server: TestServer,
  teacher: Somebody,
  learners: readonly Somebody[],
  lesson: Lesson,
  given: Partial<Assignment> = {},
): Promise<Classroom> {
  const { lessonId, code } = await putLesson(teacher.person, lesson)
  const [classId, assignmentId] = [nanoid(), nanoid()]
  const school = { id: classId, title: 'Spring intake', timeZone: 'Europe/London' }
  await teacher.agent.post('/api/classes').send(school).expect(201)
  const joinUntil = new Date(Date.now() + 600_000).toISOString()
  const opened = await teacher.agent.patch(`/api/classes/${classId}`).send({ joinUntil })
  for (const { agent } of learners)
    await agent.post(`/api/join/${opened.body.joinCode}`).send({}).expect(201)
  const path = `/api/classes/${classId}/assignments`
  const times = { opensAt: null, dueAt: null, closesAt: null }
  const usual = { ...times, mostAttempts: null, groups: [], people: [], rules: usualRules() }
  await teacher.agent
    .post(path)
    .send({ id: assignmentId, lessonId, ...usual, ...given })
    .expect(200)
  return { classId, lessonId, code, assignmentId, path }
}

export async function beginWork(
  { agent }: Somebody,
  assignmentId: string,
  number = 1,
): Promise<string> {
  const reply = await agent.post(`/api/assignments/${assignmentId}/attempts`).send({ number })
  const attemptId = reply.body.attemptId as string
  await begunBefore(attemptId)
  return attemptId
}

export async function sendRecords(
  { agent }: Somebody,
  attemptId: string,
  ...records: object[]
): Promise<RecordsReply> {
  const reply = await agent.post(`/api/attempts/${attemptId}/records`).send({ records })
  if (reply.status !== 200) throw new Error(JSON.stringify(reply.body))
  return reply.body as RecordsReply
}

const ago = (ms: number) => new Date(Date.now() - ms).toISOString()

/** Everything is played after what was played before, and all of it in the last hours. */
let playedUntil = Date.now() - 20 * 3_600_000

/** A stretch that was played at the usual speed. */
export function played(partId: string, fromMs: number, toMs: number, more: object = {}) {
  const [beganMs, endedMs] = [playedUntil, playedUntil + toMs - fromMs]
  playedUntil = endedMs + 10
  return {
    kind: 'span',
    id: nanoid(),
    partId,
    fromMs,
    toMs,
    rate: 1,
    muted: false,
    hidden: false,
    beganAt: new Date(beganMs).toISOString(),
    endedAt: new Date(endedMs).toISOString(),
    ...more,
  }
}

export const answered = (cueId: string, questionId: string, answer: object, more: object = {}) => ({
  kind: 'response',
  id: nanoid(),
  cueId,
  questionId,
  answer,
  answeredAt: ago(0),
  ...more,
})
