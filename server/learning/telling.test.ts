// What is held back from learners: no reply has what is right, nor what came of an answer, before it may be told; and what
// is answered once it was told counts for nothing.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualRules, type AssignmentRules } from '@fernbrake/core/classes'
import { edits, partOfKind, type Lesson } from '@fernbrake/core/lesson'
import {
  edited,
  lessonWithFilm,
  PART,
  QUIZ,
  withFork,
  withQuestion,
  withQuiz,
} from '@fernbrake/core/testing'
import { run } from '../database/connect.ts'
import { LEARN_PATH, sendPage } from '../routes/pages.ts'
import {
  answered,
  beginWork,
  openClassroom,
  played,
  sendRecords,
  type Somebody,
} from '../testing/classroom.ts'
import {
  goInAsGuest,
  hoursAgo,
  putLesson,
  startTestServer,
  type TestServer,
} from '../testing/testServer.ts'

let server: TestServer
let teacher: Somebody
let learner: Somebody

beforeAll(async () => {
  server = await startTestServer({
    pages: (app, _server, learn) =>
      void app.get(LEARN_PATH, learn.session, (request, response) =>
        sendPage(request, response.type('html'), '<!--early-->', learn.earlyPart),
      ),
  })
  teacher = await server.signedIn('designer')
  learner = await server.signedIn('learner')
})
afterAll(() => server.stop())

const hours = (count: number) => new Date(Date.now() + count * 3_600_000).toISOString()
/** Everything that must not be told stands in these words. */
const SECRET = 'between-us'

function withWords(lesson: Lesson, questionId: string): Lesson {
  const text = (field: 'explanation', words: string) =>
    ({ questionId, field, text: words }) as const
  const next = edited(lesson, edits.setQuestionText, text('explanation', SECRET))
  const question = next.questions[questionId]!
  const said = {
    ...question,
    feedback: { right: `${SECRET} yes`, partly: SECRET, wrong: 'Not yet' },
  }
  return { ...next, questions: { ...next.questions, [questionId]: said as typeof question } }
}

/** A film that asks `a` (until it is right) and `m` (a matching question), and then a quiz. */
function wholeLesson(rules = {}): Lesson {
  let lesson = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000, hold: 'right' })
  lesson = withQuestion(lesson, { id: 'm', atMs: 20_000 })
  const { stem, hint, feedback, explanation, points, tries, tryPenalty, keep, evidence, id } =
    lesson.questions['q-m']!
  const base = { stem, hint, feedback, explanation, points, tries, tryPenalty, keep, evidence, id }
  const pair = (one: string, order: string) => ({
    id: one,
    order,
    left: `left ${one}`,
    right: `right ${one}`,
  })
  const match = {
    ...({ ...base, kind: 'match', credit: 'partial', extras: {} } as const),
    pairs: { p1: pair('p1', 'a1'), p2: pair('p2', 'a2'), p3: pair('p3', 'a3') },
  }
  lesson = withWords({ ...lesson, questions: { ...lesson.questions, 'q-m': match } }, 'q-m')
  return withQuiz(withWords(lesson, 'q-a'), rules)
}

interface Given {
  rules?: Partial<AssignmentRules>
  lesson?: Lesson
}
async function given({ rules = {}, lesson = wholeLesson() }: Given = {}) {
  const room = await openClassroom(server, teacher, [learner], lesson, {
    dueAt: hours(1),
    closesAt: hours(2),
    rules: { ...usualRules(), feedback: 'afterDue', ...rules },
  })
  const attemptId = await beginWork(learner, room.assignmentId)
  const shift = (dueIn: number, closesIn: number) =>
    run(
      server.context.database,
      'UPDATE assignments SET due_at = $2, closes_at = $3 WHERE id = $1',
      [room.assignmentId, hours(dueIn), hours(closesIn)],
    )
  return { ...room, attemptId, shift }
}

const readAttempt = async (attemptId: string) =>
  (await learner.agent.get(`/api/attempts/${attemptId}`).expect(200)).body
/** The name by which an option goes for this learner. */
async function optionNamed(attemptId: string, questionId: string, text: string): Promise<string> {
  const { lesson } = await readAttempt(attemptId)
  const options = Object.values(lesson.questions[questionId].options) as {
    id: string
    text: string
  }[]
  return options.find((option) => option.text === text)!.id
}
const picks = async (attemptId: string, cueId: string, option: string) =>
  answered(cueId, `q-${cueId}`, {
    kind: 'choice',
    picked: [await optionNamed(attemptId, `q-${cueId}`, option)],
  })
const standing = async ({ path, assignmentId }: { path: string; assignmentId: string }) =>
  (await teacher.agent.get(`${path}/${assignmentId}/standing`).expect(200)).body.learners[0]
    .attempts[0]

describe('while a class is not told yet', () => {
  it('no reply has anything of what is right', async () => {
    const { attemptId } = await given()
    const page = (await learner.agent.get(`/learn/${attemptId}`)).text
    const attempt = await readAttempt(attemptId)
    const replies = [
      JSON.stringify(attempt),
      page,
      JSON.stringify(await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-a'))),
      JSON.stringify(await readAttempt(attemptId)),
      JSON.stringify((await learner.agent.get('/api/my-work')).body),
    ]
    for (const reply of replies) {
      expect(reply).not.toContain(SECRET)
      expect(reply).not.toMatch(/"right":true/)
      expect(reply).not.toMatch(/"verdict":"(right|partly|wrong)"/)
      expect(reply).not.toMatch(/"points":[1-9][0-9.]*,"(verdict|tryNumber)"/)
    }
    expect(page).toContain('early-attempt')
    const match = attempt.lesson.questions['q-m']
    expect(Object.values(match.pairs)).toMatchObject([{ right: '' }, { right: '' }, { right: '' }])
    expect(Object.keys(match.extras)).toEqual(['as-found-1', 'as-found-2', 'as-found-3'])
    expect(Object.keys(attempt.lesson.questions['q-a'].options)).toEqual([
      'as-found-1',
      'as-found-2',
    ])
  })

  it('answers are stored as what they mean, and come back in the names of their learner', async () => {
    const room = await given()
    const { attemptId } = room
    const { lesson } = await readAttempt(attemptId)
    const { pairs, extras } = lesson.questions['q-m']
    const nameOf = (text: string) =>
      (Object.values(extras) as { id: string; text: string }[]).find((one) => one.text === text)!.id
    const matched = Object.fromEntries(Object.keys(pairs).map((id) => [id, nameOf(`right ${id}`)]))
    const answer = { kind: 'match', matched }
    const reply = await sendRecords(learner, attemptId, answered('m', 'q-m', answer))
    expect(reply.refused).toEqual([])
    expect(reply.told).toMatchObject({
      responses: [{ questionId: 'q-m', verdict: 'unmarked', points: 0, answer }],
    })
    const [response] = (await readAttempt(attemptId)).progress.responses
    expect(response).toMatchObject({ answer, verdict: 'unmarked', points: 0 })
    const { rows } = await server.context.pool.query(
      'SELECT answer, verdict FROM responses WHERE attempt_id = $1',
      [attemptId],
    )
    expect(rows).toEqual([
      { answer: { kind: 'match', matched: { p1: 'p1', p2: 'p2', p3: 'p3' } }, verdict: 'right' },
    ])
    expect((await standing(room)).points).toBe(1)
  })

  it('two learners find the same things by other names', async () => {
    const room = await given()
    const second = await beginWork(learner, room.assignmentId, 2)
    const orders = new Set<string>()
    for (const attemptId of [room.attemptId, second])
      orders.add(JSON.stringify((await readAttempt(attemptId)).lesson.questions['q-m'].extras))
    // Six orders of three things: ten more attempts do not all fall on one.
    for (let number = 3; number < 13; number += 1) {
      const attemptId = await beginWork(learner, room.assignmentId, number)
      orders.add(JSON.stringify((await readAttempt(attemptId)).lesson.questions['q-m'].extras))
    }
    expect(orders.size).toBeGreaterThan(1)
  })

  it('not even sums tell', async () => {
    const { attemptId, assignmentId } = await given({
      rules: { completion: { by: 'score', share: 0.1 } },
    })
    await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-a'))
    const { classes } = (await learner.agent.get('/api/my-work').expect(200)).body
    const mine = classes.flatMap((one: { assignments: object[] }) => one.assignments)
    const work = mine.find((one: { id: string }) => one.id === assignmentId)
    expect(work.attempts[0]).toMatchObject({ points: 0, isComplete: false, answered: 1 })
  })
})

describe('once a class is told, while it is still open', () => {
  it('a try that is left keeps the rest untold; with the last one all is told', async () => {
    const { attemptId, shift } = await given()
    await shift(-1, 1)
    const first = await readAttempt(attemptId)
    expect(JSON.stringify(first)).not.toContain(SECRET)
    const wrong = await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-b'))
    expect(wrong.told).toMatchObject({
      questions: [
        { id: 'q-a', cut: true, explanation: '', feedback: { wrong: 'Not yet', right: '' } },
      ],
      responses: [{ verdict: 'wrong', points: 0, perPart: [{ picked: true, right: false }] }],
    })
    const again = await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-a'))
    expect(again.told).toMatchObject({
      questions: [{ id: 'q-a', explanation: SECRET }],
      responses: [{ verdict: 'wrong' }, { verdict: 'right', points: 1 }],
    })
    expect(again.told!.questions[0]).not.toHaveProperty('cut')
    const after = await readAttempt(attemptId)
    expect(after.lesson.questions['q-a'].explanation).toBe(SECRET)
    expect(after.lesson.questions['q-m'].explanation).toBe('')
  })

  it('an answer that comes after that counts for nothing, and the teacher is told', async () => {
    const lesson = wholeLesson()
    const question = { ...lesson.questions['q-a']!, tries: 0, keep: 'last' as const }
    const questions = { ...lesson.questions, 'q-a': question }
    const room = await given({ lesson: { ...lesson, questions } })
    const { attemptId } = room
    await room.shift(-1, 1)
    await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-a'))
    const late = answered('a', 'q-a', { kind: 'choice', picked: ['a-b'] })
    for (let time = 0; time < 2; time += 1) {
      const { kept, refused } = await sendRecords(learner, attemptId, late)
      expect(kept).toEqual([])
      expect(refused).toMatchObject([{ code: 'toldAlready' }])
    }
    expect(await standing(room)).toMatchObject({ points: 1, afterTelling: 1, answered: 1 })
  })
})

describe('another attempt', () => {
  it('does not begin once something was told, and one that had begun gains nothing by it', async () => {
    const room = await given()
    const other = await beginWork(learner, room.assignmentId, 2)
    await room.shift(-1, 1)
    await sendRecords(learner, room.attemptId, await picks(room.attemptId, 'a', 'a-a'))
    const copied = await picks(other, 'a', 'a-a')
    expect((await sendRecords(learner, other, copied)).refused).toMatchObject([
      { code: 'toldAlready' },
    ])
    const third = await learner.agent
      .post(`/api/assignments/${room.assignmentId}/attempts`)
      .send({ number: 3 })
    expect(third.body).toMatchObject({ status: 409, type: 'urn:fernbrake:problem:not-open' })
  })

  it('begins as ever where a class is told at once, though a quiz told something at its end', async () => {
    const lesson = wholeLesson({ tells: 'atEnd' })
    const room = await given({ lesson, rules: { feedback: 'atOnce' } })
    const { attemptId } = room
    await sendRecords(learner, attemptId, await picks(attemptId, 'i1', 'i1-a'))
    const at = hoursAgo(0)
    const seen = { kind: 'seen', id: nanoid(), partId: QUIZ, thingId: QUIZ, at }
    await sendRecords(learner, attemptId, seen, { kind: 'finish', id: nanoid(), partId: QUIZ, at })
    const second = await beginWork(learner, room.assignmentId, 2)
    const answer = await picks(second, 'i1', 'i1-a')
    expect((await sendRecords(learner, second, answer)).refused).toEqual([])
  })
})

describe('once it has closed', () => {
  it('all is told, and an answer that says it was given before counts for nothing', async () => {
    const room = await given()
    const { attemptId } = room
    await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-b'))
    await room.shift(-3, -2)
    const attempt = await readAttempt(attemptId)
    expect(attempt.lesson.questions['q-m']).toMatchObject({
      explanation: SECRET,
      pairs: { p1: { right: 'right p1' } },
    })
    expect(attempt.progress.responses).toMatchObject([
      { verdict: 'wrong', answer: { picked: ['a-b'] } },
    ])
    const copied = { kind: 'match', matched: { p1: 'p1', p2: 'p2', p3: 'p3' } }
    const backdated = answered('m', 'q-m', copied, { answeredAt: hoursAgo(4) })
    const { refused } = await sendRecords(learner, attemptId, backdated)
    expect(refused).toMatchObject([{ code: 'toldAlready' }])
    expect(await standing(room)).toMatchObject({ points: 0, afterTelling: 1 })
  })

  it('what a device still sends in several batches counts, and tells nothing that would undo the rest', async () => {
    const room = await given()
    const { attemptId } = room
    const before = { answeredAt: hoursAgo(4) }
    const [first, second, other] = [
      { ...(await picks(attemptId, 'a', 'a-b')), ...before },
      { ...(await picks(attemptId, 'a', 'a-a')), ...before },
      { ...(await picks(attemptId, 'i1', 'i1-a')), ...before },
    ]
    await room.shift(-3, -2)
    const told = (await sendRecords(learner, attemptId, first)).told!
    expect(told.questions).toMatchObject([{ id: 'q-a', cut: true }])
    expect(told.responses).toMatchObject([{ verdict: 'wrong' }])
    for (const record of [second, other])
      expect((await sendRecords(learner, attemptId, record)).refused).toEqual([])
    expect(await standing(room)).toMatchObject({ points: 2, afterTelling: 0, answered: 2 })
  })

  it('the page itself tells nothing before the device has sent what it has', async () => {
    const room = await given()
    const { attemptId } = room
    const honest = { ...(await picks(attemptId, 'a', 'a-a')), answeredAt: hoursAgo(4) }
    await room.shift(-3, -2)
    const { text } = await learner.agent.get(`/learn/${attemptId}`).expect(200)
    expect(text).not.toContain('early-attempt')
    expect((await sendRecords(learner, attemptId, honest)).refused).toEqual([])
    await readAttempt(attemptId)
    expect((await learner.agent.get(`/learn/${attemptId}`)).text).toContain('early-attempt')
    expect((await standing(room)).points).toBe(1)
  })
})

describe('a class that marks on its devices', () => {
  it('has all of it there from the beginning, though learners are not told', async () => {
    const { attemptId } = await given({ rules: { marksOffline: true } })
    const attempt = await readAttempt(attemptId)
    expect(attempt.assignment.tells).toBe(false)
    expect(attempt.lesson.questions['q-a'].options).toHaveProperty('a-a')
    const reply = await sendRecords(
      learner,
      attemptId,
      answered('a', 'q-a', { kind: 'choice', picked: ['a-a'] }),
    )
    expect(reply.told).toBeUndefined()
  })
})

describe('a quiz that tells at its end', () => {
  it('is cut until it is handed in', async () => {
    const lesson = withWords(withWords(wholeLesson({ tells: 'atEnd' }), 'q-i1'), 'q-i2')
    const { code } = await putLesson(teacher.person, lesson)
    const { agent, attemptId } = await goInAsGuest(server, code)
    const guest = { agent, person: learner.person }
    const read = async () => (await agent.get(`/api/attempts/${attemptId}`).expect(200)).body
    const { questions } = (await read()).lesson
    // What the film asks is told at once, and works without a connection.
    expect(questions['q-a'].explanation).toBe(SECRET)
    expect(questions['q-i1']).toMatchObject({ cut: true, explanation: '' })
    const nameOf = (text: string) =>
      (Object.values(questions['q-i1'].options) as { id: string; text: string }[]).find(
        (one) => one.text === text,
      )!.id
    const answer = answered('i1', 'q-i1', { kind: 'choice', picked: [nameOf('i1-a')] })
    const wrong = answered('i2', 'q-i2', { kind: 'choice', picked: [nameOf('i1-b')] })
    const kept = await sendRecords(guest, attemptId, answer, wrong)
    expect(kept.told?.responses).toMatchObject([{ verdict: 'unmarked' }, { verdict: 'unmarked' }])
    const at = hoursAgo(0)
    const seen = { kind: 'seen', id: nanoid(), partId: QUIZ, thingId: QUIZ, at }
    const handed = { kind: 'finish', id: nanoid(), partId: QUIZ, at }
    const { told } = await sendRecords(guest, attemptId, seen, handed)
    expect(told?.questions.map(({ id, cut }) => [id, cut ?? false])).toEqual([
      ['q-i1', false],
      ['q-i2', true],
      ['q-i3', true],
    ])
    expect(told?.responses).toMatchObject([{ verdict: 'right', points: 1 }, { verdict: 'wrong' }])
    expect((await read()).lesson.questions['q-i1'].explanation).toBe(SECRET)
  })
})

describe('ways that go by what is right', () => {
  const isRight = { if: 'answer', cueId: 'a', is: 'right' } as const
  function lessonWithWays(): Lesson {
    const forked = withFork(wholeLesson(), {
      id: 'f',
      atMs: 30_000,
      rules: { decides: true },
      ways: [
        { id: 'on', target: { to: 'on' }, condition: isRight },
        { id: 'back', target: { to: 'time', atMs: 1000 } },
      ],
    })
    const quiz = partOfKind(forked, QUIZ, 'quiz')!
    const gate = { condition: { if: 'score' as const, atLeast: 0.5 }, message: '' }
    const route = { id: 'r', order: 'a0', fromId: PART, words: '', condition: isRight }
    return {
      ...forked,
      parts: { ...forked.parts, [QUIZ]: { ...quiz, gate } },
      routes: { r: { ...route, target: { to: 'part', partId: QUIZ } } },
    }
  }
  const waysAt = async (attemptId: string, placeId: string) =>
    (await learner.agent.get(`/api/attempts/${attemptId}/ways/${placeId}`).expect(200)).body

  it('are told where they are asked for, and what was answered is not', async () => {
    const { attemptId } = await given({ lesson: lessonWithWays() })
    expect((await readAttempt(attemptId)).progress.judged).toEqual({ shut: [QUIZ], open: {} })
    expect(await waysAt(attemptId, 'f')).toEqual({ shut: [QUIZ], open: { f: ['back'] } })
    const reply = await sendRecords(learner, attemptId, await picks(attemptId, 'a', 'a-a'))
    expect(reply.told?.judged).toEqual({ shut: [], open: {} })
    expect(await waysAt(attemptId, 'f')).toEqual({ shut: [], open: { f: ['on', 'back'] } })
    await sendRecords(learner, attemptId, played(PART, 0, 60_000))
    expect(await waysAt(attemptId, PART)).toEqual({ shut: [], open: { [PART]: ['r'] } })
    await learner.agent.get(`/api/attempts/${attemptId}/ways/nowhere`).expect(404)
    await learner.agent.get(`/api/attempts/${attemptId}/ways/a`).expect(404)
  })

  it('are nobody’s to ask for where the device knows them', async () => {
    const { attemptId } = await given({ lesson: lessonWithWays(), rules: { marksOffline: true } })
    expect((await readAttempt(attemptId)).progress.judged).toBeNull()
    expect(await waysAt(attemptId, 'f')).toEqual({ shut: [], open: {} })
  })
})
