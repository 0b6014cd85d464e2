// A database of an earlier version, with people's work in it, is brought up and loses nothing. Each state is a plain dump
// (pg_dump --inserts) of a server of that version on which a teacher, a keeper and two learners had worked.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { LearnerResult, MarkBook, Standing } from '@fernbrake/core/contract'
import { PART, QUIZ } from '@fernbrake/core/testing'
import { select } from '../database/connect.ts'
import { PASSWORD, startTestServer, type Agent, type TestServer } from './testServer.ts'

const stateOf = (name: string) =>
  gunzipSync(readFileSync(join(import.meta.dirname, 'states', `${name}.sql.gz`))).toString()

describe('a database of the time when classes began to talk (020)', () => {
  let server: TestServer
  let teacher: Agent
  let learner: Agent
  let attempt: { id: string; lesson_id: string; assignment_id: string; class_id: string }

  beforeAll(async () => {
    server = await startTestServer({ state: stateOf('020') })
    const ask = <Row extends object>(sql: string) => select<Row>(server.context.database, sql)
    const [row] = await ask<typeof attempt>(
      `SELECT t.id, t.lesson_id, t.assignment_id, a.class_id FROM attempts t JOIN assignments a ON a.id = t.assignment_id`,
    )
    attempt = row!
    const signIn = async (email: string) => {
      const agent = server.anonymous()
      await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200)
      return agent
    }
    const [taught] = await ask<{ email: string }>(
      'SELECT p.email FROM people p JOIN class_teachers t ON t.person_id = p.id',
    )
    const [learned] = await ask<{ email: string }>(
      'SELECT p.email FROM people p JOIN attempts t ON t.person_id = p.id',
    )
    ;[teacher, learner] = [await signIn(taught!.email), await signIn(learned!.email)]
  })
  afterAll(() => server.stop())

  it('still knows what a learner watched, answered, said and finished', async () => {
    const { body } = await learner.get(`/api/attempts/${attempt.id}`).expect(200)
    expect(body.progress).toMatchObject({
      atMs: 40_000,
      released: ['a'],
      covered: { [PART]: [{ fromMs: 0, toMs: 40_000 }] },
      responses: [{ verdict: 'right', points: 1 }],
    })
    expect([...body.progress.finishedParts].sort()).toEqual([PART, QUIZ].sort())
    const talk = await learner.get(`/api/attempts/${attempt.id}/talk?after=0`).expect(200)
    expect(talk.body.posts).toMatchObject([{ words: 'Where from?' }])
  })

  it('takes in what comes next, and whoever had finished has', async () => {
    const at = new Date().toISOString()
    const place = { kind: 'place', id: nanoid(), partId: PART, atMs: 1000, released: [], at }
    const seen = { kind: 'seen', id: nanoid(), partId: QUIZ, thingId: QUIZ, at }
    const records = { records: [place, seen], sentAt: at }
    const reply = await learner
      .post(`/api/attempts/${attempt.id}/records`)
      .send(records)
      .expect(200)
    expect(reply.body.refused).toEqual([])
    const { body } = await teacher
      .get(`/api/classes/${attempt.class_id}/assignments/${attempt.assignment_id}/standing`)
      .expect(200)
    const own = (body.learners as Standing[]).find(({ attempts }) => attempts.length > 0)!
    expect(own.attempts).toMatchObject([{ answered: 1, tooFast: 0, doubtful: 0, isComplete: true }])
  })

  it('shows its teacher the results, the marks, the draft and its history, the mails', async () => {
    const results = await teacher.get(`/api/lessons/${attempt.lesson_id}/results`).expect(200)
    expect(results.body.learners as LearnerResult[]).toMatchObject([{ points: 1, tooFast: 0 }])
    const book = await teacher.get(`/api/classes/${attempt.class_id}/mark-book`).expect(200)
    const states = (book.body as MarkBook).learners.map(
      ({ marks }) => marks[attempt.assignment_id]!.state,
    )
    expect(states.sort()).toEqual(['marked', 'notYet'])
    const { body } = await teacher.get('/api/lessons').expect(200)
    const edited = (body.lessons as { id: string; title: string }[]).find(
      ({ title }) => title === 'An older lesson',
    )!
    const history = await teacher.get(`/api/lessons/${edited.id}/history`).expect(200)
    expect(history.body.entries).toMatchObject([{ name: 'setLessonText' }])
    const mails = await teacher.get('/api/mailbox').expect(200)
    expect(mails.body.mails).toMatchObject([{ files: [{}, {}] }])
  })
})
