// Results: what SQL counts is what core computes; files, mails and the mark book say the same.
import ExcelJS from 'exceljs'
import { wordsIn } from '../locales/words.ts'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualRules } from '@fernbrake/core/classes'
import type {
  Comparison,
  MailCard,
  MarkBook,
  QuestionAnalysis,
  Standing,
  WatchMap,
  WaysTaken,
} from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import { createRandom } from '@fernbrake/core/chance'
import { edited, lessonWithFilm, PART, withFork, withQuestion } from '@fernbrake/core/testing'
import { normalise, counts, watchedAgain, type Span } from '@fernbrake/core/watching'
import {
  answered,
  beginWork,
  openClassroom,
  played,
  sendRecords,
  type Classroom,
  type Somebody,
} from '../testing/classroom.ts'
import { PersonRow } from '../database/models.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

const LENGTH_MS = 61_300
const CLASS = 12
let server: TestServer
let teacher: Somebody
let learners: Somebody[]
let room: Classroom
let path = ''
/** What each learner's player has reported, and whether it counts. */
const reported: Span[][] = []

const lesson = () => {
  const two = withQuestion(
    withFork(withQuestion(lessonWithFilm(LENGTH_MS), { id: 'a', atMs: 20_000 }), {
      id: 'f',
      atMs: 50_000,
      ways: [
        { id: 'up', target: { to: 'on' } },
        { id: 'down', target: { to: 'time', atMs: 20_000 } },
      ],
    }),
    { id: 'b', atMs: 40_000 },
  )
  return edited(two, edits.setEvidence, {
    questionId: 'q-a',
    evidence: { partId: PART, fromMs: 5000, toMs: 10_000 },
  })
}

beforeAll(async () => {
  server = await startTestServer()
  teacher = await server.signedIn('designer')
  learners = await Promise.all(Array.from({ length: CLASS }, () => server.signedIn('learner')))
  for (const [index, { person }] of learners.entries()) {
    person.name = `Learner ${String.fromCharCode(65 + index)}`
    await PersonRow.update({ name: person.name }, { where: { id: person.id } })
  }
  room = await openClassroom(server, teacher, learners, lesson())
  path = `/api/results/assignment/${room.assignmentId}`
  const random = createRandom(7)
  for (const [index, learner] of learners.entries()) {
    const attemptId = await beginWork(learner, room.assignmentId)
    const own: Span[] = []
    const evidence = { fromMs: 4000, toMs: 11_000 }
    // The stretch that answers the first question was seen by every other one; the rest look at it afterwards.
    if (index % 2 === 0) own.push(evidence)
    for (let count = Math.floor(random.next() * 6); count > 0; count -= 1) {
      const fromMs = 12_000 + Math.floor(random.next() * (LENGTH_MS - 13_000))
      const toMs = Math.min(LENGTH_MS, fromMs + 200 + Math.floor(random.next() * 20_000))
      own.push({ fromMs, toMs })
    }
    if (index % 2 === 1) own.push({ fromMs: 30_000, toMs: 33_000 }, evidence)
    reported.push(own)
    const spans = own.map(({ fromMs, toMs }) => played(PART, fromMs, toMs))
    // Too fast to be true: kept, and counted nowhere.
    const untrue = played(PART, 0, LENGTH_MS, { beganAt: new Date().toISOString() })
    const first = spans.slice(0, 1)
    await sendRecords(learner, attemptId, ...first, untrue)
    const right = { kind: 'choice', picked: [index % 2 === 0 ? 'a-a' : 'a-b'] }
    await sendRecords(
      ...([learner, attemptId] as const),
      answered('a', 'q-a', right, {
        waitedMs: 1000 * (index + 1),
        answeredAt: new Date(Date.parse(first[0]!.endedAt) + 1).toISOString(),
      }),
      ...spans.slice(1),
    )
    if (index < 5)
      await sendRecords(learner, attemptId, {
        kind: 'choice',
        id: nanoid(),
        cueId: 'f',
        choiceId: index < 3 ? 'up' : 'down',
        at: new Date().toISOString(),
      })
  }
})
afterAll(() => server.stop())

const get = async <T>(what: string) => (await teacher.agent.get(what).expect(200)).body as T

describe('the watch map', () => {
  it('counts in the database what core counts from the spans', async () => {
    const { parts, learners: count } = await get<WatchMap>(`${path}/watching`)
    const [part] = parts
    expect(count).toBe(CLASS)
    const { binMs, durationMs, plays, seenBy } = part!
    expect(plays).toEqual(counts(reported.flat(), durationMs, binMs))
    expect(seenBy).toEqual(counts(reported.flatMap(normalise), durationMs, binMs))
    for (const [index, { person }] of learners.entries()) {
      const row = part!.learners.find(({ name }) => name === person.name)!
      const [once, twice] = [normalise(reported[index]!), watchedAgain(reported[index]!)]
      const [seen, again] = [counts(once, durationMs, binMs), counts(twice, durationMs, binMs)]
      expect(row.cells).toBe(seen.map((one, bin) => (again[bin] ? 2 : one ? 1 : 0)).join(''))
    }
    expect(part!.leaveOff[0]).toBe(1)
    expect(part!.asked).toEqual([
      { number: 1, atMs: 20_000 },
      { number: 2, atMs: 40_000 },
    ])
  })
})

describe('the questions', () => {
  it('tell whether those who were wrong had seen what answers them, before they answered', async () => {
    const { questions, test } = await get<QuestionAnalysis>(`${path}/questions`)
    const [first, second] = questions
    expect(test).toMatchObject({ learners: CLASS, isEnough: true })
    expect(first).toMatchObject({ number: 1, placeId: 'a', answered: CLASS, difficulty: 0.5 })
    // What was watched after the answer does not count as seen before it.
    expect(first!.seen).toMatchObject({ withIt: { count: 6, of: 6 }, without: { count: 0, of: 6 } })
    expect(first!.medianMs).toBe(6500)
    expect(first!.options.map(({ id, right }) => [id, right])).toContainEqual(['a-a', true])
    expect(second).toMatchObject({ answered: 0, difficulty: null, seen: null })
    expect(test.tenths.reduce((sum, count) => sum + count, 0)).toBe(CLASS)
  })

  it('are there for the teacher alone, on an edition that exists', async () => {
    const other = await server.signedIn('designer')
    for (const report of ['watching', 'questions', 'ways', 'comparison'])
      await other.agent.get(`${path}/${report}`).expect(404)
    await teacher.agent.get(`${path}/questions?edition=9`).expect(404)
  })
})

it('the ways are counted by learner', async () => {
  const { parts } = await get<WaysTaken>(`${path}/ways`)
  const counts = parts[0]!.ways.map(({ id, learners: count }) => [id, count])
  expect(Object.fromEntries(counts)).toMatchObject({ 'f up': 3, 'f down': 2 })
})

it('classes stand beside each other, each by its own', async () => {
  const second = await openClassroom(server, teacher, learners.slice(0, 2), lesson())
  const given = { opensAt: null, dueAt: null, closesAt: null, mostAttempts: null, groups: [] }
  const { rules } = (await get<{ assignments: { rules: object }[] }>(room.path)).assignments[0]!
  const id = nanoid()
  await teacher.agent
    .post(second.path)
    .send({ ...given, id, lessonId: room.lessonId, rules, people: [] })
    .expect(200)
  await beginWork(learners[0]!, id)
  const { groups } = await get<Comparison>(`${path}/comparison`)
  expect(groups.map(({ isOwn, learners: count }) => [isOwn, count])).toEqual([
    [false, 1],
    [true, CLASS],
  ])
  expect(groups[1]!.questions['q-a']).toBe(0.5)
})

describe('the mark book', () => {
  it('weighs what everybody reached', async () => {
    const book = await get<MarkBook>(`/api/classes/${room.classId}/mark-book`)
    expect(book.assignments).toMatchObject([{ weight: 1, max: 2, waiting: 0 }])
    const [one] = book.learners.filter(({ personId }) => personId === learners[0]!.person.id)
    expect(one!.marks[room.assignmentId]).toMatchObject({ points: 1, max: 2 })
    expect(one!.share).toBe(0.5)
    const weigh = (weight: number) =>
      teacher.agent.patch(`${room.path}/${room.assignmentId}/weight`).send({ weight })
    await weigh(0).expect(200)
    const after = await get<MarkBook>(`/api/classes/${room.classId}/mark-book`)
    expect(after.learners[0]!.share).toBeNull()
    await weigh(101).expect(422)
    await weigh(2).expect(200)
  })
  it('leaves empty what is not due, counts what was not done in time, and excuses', async () => {
    const idle = await server.signedIn('learner')
    const next = await openClassroom(server, teacher, [idle], lesson())
    const times = { opensAt: null, closesAt: null, mostAttempts: null, rules: usualRules() }
    const give = (more: object) =>
      teacher.agent
        .post(next.path)
        .send({ id: nanoid(), lessonId: next.lessonId, ...times, groups: [], people: [], ...more })
        .expect(200)
    await give({ id: 'due-work', dueAt: new Date(Date.now() - 60_000).toISOString() })
    const read = async () =>
      (await get<MarkBook>(`/api/classes/${next.classId}/mark-book`)).learners[0]!
    const before = await read()
    expect(before.marks[next.assignmentId]).toMatchObject({ state: 'notYet' })
    expect(before.marks['due-work']).toMatchObject({ state: 'missing', points: 0 })
    expect(before.share).toBe(0)
    const excuse = (isExcused: boolean, personId = idle.person.id) =>
      teacher.agent.patch(`${next.path}/due-work/excused/${personId}`).send({ isExcused })
    await excuse(true).expect(200)
    await excuse(true).expect(200)
    const after = await read()
    expect(after.marks['due-work']).toMatchObject({ state: 'excused' })
    expect(after.share).toBeNull()
    await excuse(false).expect(200)
    expect((await read()).share).toBe(0)
    await excuse(true, 'nobody').expect(404)
    // Begun, and nothing answered: nothing yet.
    await beginWork(idle, next.assignmentId)
    expect((await read()).marks[next.assignmentId]).toMatchObject({ state: 'begun' })
  })
})

describe('results as files', () => {
  const fileOf = async (report: string, format: string) =>
    (
      await teacher.agent
        .get(`${path}/files/${report}?format=${format}`)
        .buffer(true)
        .parse((response, done) => {
          const chunks: Buffer[] = []
          response.on('data', (chunk: Buffer) => chunks.push(chunk))
          response.on('end', () => done(null, Buffer.concat(chunks)))
        })
        .expect(200)
    ).body as Buffer

  it.each(['overview', 'watching', 'questions', 'ways', 'comparison'])(
    '%s reads back as it is told',
    async (report) => {
      expect((await fileOf(report, 'csv')).toString()).toMatch(/^\uFEFF\w+/)
      const book = new ExcelJS.Workbook()
      await book.xlsx.load((await fileOf(report, 'xlsx')) as never)
      expect(book.worksheets.length).toBeGreaterThan(0)
      expect((await fileOf(report, 'pdf')).subarray(0, 5).toString()).toBe('%PDF-')
    },
  )

  it('a name that looks like a formula is a text in each of them', async () => {
    await server.context.database.query(
      `UPDATE people SET name = '=SUM(A1)' WHERE id = '${learners[3]!.person.id}'`,
    )
    expect((await fileOf('overview', 'csv')).toString()).toContain("'=SUM(A1)")
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await fileOf('overview', 'xlsx')) as never)
    const names = book.worksheets[0]!.getColumn(1).values
    expect(names).toContain('=SUM(A1)')
    expect(names.some((value) => typeof value === 'object')).toBe(false)
  })

  it('the overview has everybody, with the figures of the standing', async () => {
    const standing = await get<{ learners: Standing[] }>(
      `${room.path}/${room.assignmentId}/standing`,
    )
    const lines = (await fileOf('overview', 'csv')).toString().trim().split('\r\n')
    expect(lines).toHaveLength(standing.learners.length + 1)
  })

  it('come in the language that is asked for, their figures as they are', async () => {
    const asked = teacher.agent
      .get(`${path}/files/overview?format=csv`)
      .set('Accept-Language', 'qaa')
    const [head, ...rows] = (await asked.expect(200)).text.trim().split('\r\n')
    const [, ...same] = (await fileOf('overview', 'csv')).toString().trim().split('\r\n')
    expect(head).toContain(wordsIn('qaa').report.heads.name)
    expect(rows.map((row) => row.split(',')[2])).toEqual(same.map((row) => row.split(',')[2]))
  })

  it('go by mail to each address once, with the files; no address brings in another header', async () => {
    const mail = (to: string[]) => teacher.agent.post(`${path}/mails`).send({ to })
    await mail(['head@harrowmere.example\r\nBcc: x@y.example']).expect(422)
    await mail([]).expect(422)
    const to = ['head@harrowmere.example', 'Head@harrowmere.example', 'b@harrowmere.example']
    expect((await mail(to).expect(200)).body).toEqual({ sent: 2 })
    const { mails } = await get<{ mails: MailCard[] }>('/api/mailbox')
    const got = mails.filter(({ subject }) => subject.startsWith('Results'))
    expect(got.map(({ recipient }) => recipient).sort()).toEqual([
      'b@harrowmere.example',
      'head@harrowmere.example',
    ])
    expect(got[0]!.files.map(({ contentType }) => contentType.split('/')[1])).toEqual([
      'pdf',
      expect.stringContaining('spreadsheetml'),
    ])
    const file = await teacher.agent.get(`/api/mailbox/${got[0]!.id}/files/0`).expect(200)
    expect((file.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    const other = await server.signedIn('designer')
    await other.agent.get(`/api/mailbox/${got[0]!.id}/files/0`).expect(404)
    expect((await other.agent.get('/api/mailbox').expect(200)).body.mails).toEqual([])
  })
})
