// What is asked all day long goes by indexes on a filled database, and reads what never changes once.
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { nanoid } from 'nanoid'
import type { Lesson } from '@fernbrake/core/lesson'
import { DECK, lessonWithFilm, withThings } from '@fernbrake/core/testing'
import { run, select, within, type Ask } from './connect.ts'
import { EditionRow } from './models.ts'
import { attemptsSeenBy } from '../learning/queries/attemptAccess.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { readTakenNames } from '../classes/queries/classes.ts'
import { readPiles } from '../results/queries/marks.ts'
import { readGroupsOf } from '../results/queries/reports.ts'
import { countActivity, readWaitingEnquiries } from '../talk/queries/talk.ts'
import { listLessons } from '../lessons/lessonCards.ts'
import { openClassroom, type Somebody } from '../testing/classroom.ts'
import { putLesson, putMedia, startTestServer, type TestServer } from '../testing/testServer.ts'

const LESSONS = 150
const ATTEMPTS = 20_000
let server: TestServer
let teacher: Somebody
let room: Awaited<ReturnType<typeof openClassroom>>

beforeAll(async () => {
  server = await startTestServer()
  teacher = await server.signedIn('designer')
  const other = await server.signedIn('designer')
  const learner = await server.signedIn('learner')
  room = await openClassroom(server, teacher, [learner], lessonWithFilm(60_000))
  const { lessonId } = await putLesson(other.person, lessonWithFilm(60_000))
  const fill = (sql: string, values: unknown[]) => run(server.context.database, sql, values)
  await fill(
    `INSERT INTO people (id, name, role, sign_in, password_hash) SELECT 'p' || n, 'Learner', 'learner', 'learner' || n || '.fen', 'none' FROM generate_series(1, $1::int) n`,
    [ATTEMPTS],
  )
  await fill(
    `INSERT INTO lessons (id, draft, revision) SELECT 'l' || n, draft, 0 FROM lessons, generate_series(1, $2::int) n WHERE id = $1`,
    [lessonId, LESSONS],
  )
  await fill(
    `INSERT INTO editions (lesson_id, number, document, revision, person_id)
     SELECT 'l' || n, 1, document, 0, person_id FROM editions, generate_series(1, $2::int) n WHERE lesson_id = $1`,
    [lessonId, LESSONS],
  )
  await fill(
    `INSERT INTO attempts (id, lesson_id, edition, person_id) SELECT 'a' || n, 'l' || (n % $2 + 1), 1, 'p' || n
       FROM generate_series(1, $1::int) n`,
    [ATTEMPTS, LESSONS],
  )
  await fill(
    `INSERT INTO responses (attempt_id, id, cue_id, question_id, try_number, answer, verdict, points, answered_at)
     SELECT 'a' || n, 'r' || n, 'a', 'q', 1, '{"kind":"longText","text":"x"}', 'unmarked', 0, now()
       FROM generate_series(1, $1::int) n`,
    [ATTEMPTS],
  )
  await fill('ANALYZE', [])
})
afterAll(() => server.stop())

/** The tables that a question goes through from end to end, by the plans of all that it asks. */
async function readWhole(question: (ask: Ask) => Promise<unknown>): Promise<Set<string>> {
  const whole = new Set<string>()
  const ask = within(server.context.database)
  const explained: Ask = async (sql, values) => {
    const [row] = await ask<{ 'QUERY PLAN': unknown }>(`EXPLAIN (FORMAT JSON) ${sql}`, values)
    const text = JSON.stringify(row!['QUERY PLAN'])
    for (const [, table] of text.matchAll(/"Node Type":"Seq Scan"[^}]*?"Relation Name":"(\w+)"/g))
      whole.add(table!)
    return ask(sql, values)
  }
  await question(explained)
  return whole
}

describe('among thousands of attempts', () => {
  const LARGE = ['people', 'attempts', 'responses', 'editions', 'spans', 'lessons']
  it.each<[string, (ask: Ask) => Promise<unknown>]>([
    ['what waits to be marked', (ask) => readPiles(ask, teacher.person.id)],
    [
      'where else a lesson was learned',
      (ask) => readGroupsOf(ask, room.lessonId, teacher.person.id),
    ],
    ['who may be seen', (ask) => attemptsSeenBy(ask, teacher.person.id, room.lessonId)],
    ['which enquiries wait', (ask) => readWaitingEnquiries(ask, teacher.person.id)],
    ['who has said what', (ask) => countActivity(ask, room.assignmentId)],
    ['which sign-in names are taken', (ask) => readTakenNames(ask, ['learner.fen', 'odile.gale'])],
    [
      'who has opened a lesson',
      (ask) =>
        ask('SELECT count(*) FROM attempts WHERE lesson_id = $1 AND edition = $2', ['l7', 1]),
    ],
  ])('%s is found by indexes', async (_name, question) => {
    const whole = await readWhole(question)
    expect([...whole].filter((table) => LARGE.includes(table))).toEqual([])
  })

  it('replies are found by what they reply to', async () => {
    const rows = await select<{ indexdef: string }>(
      ...([
        server.context.database,
        `SELECT indexdef FROM pg_indexes WHERE tablename = 'posts'`,
      ] as const),
    )
    expect(rows.map(({ indexdef }) => indexdef).join()).toContain('(talk_id, reply_to)')
  })
})

it('the home page reads a draft once, however often it is opened', async () => {
  const { database } = server.context
  const query = vi.spyOn(database, 'query')
  const first = await listLessons(database, teacher.person)
  const again = await listLessons(database, teacher.person)
  const drafts = query.mock.calls.filter(([sql]) => String(sql).includes('draft FROM lessons'))
  query.mockRestore()
  expect(again).toEqual(first)
  expect(drafts).toHaveLength(1)
  // An edit shows at once.
  const patches = [{ op: 'replace', path: '/title', value: 'Another title' }]
  await teacher.agent
    .patch(`/api/lessons/${room.lessonId}/draft`)
    .send({ revision: 0, edits: [{ id: nanoid(), name: 'setLessonText', patches }] })
  const titles = (await listLessons(database, teacher.person)).map(({ title }) => title)
  const { body } = await teacher.agent.get('/api/lessons').expect(200)
  expect((body.lessons as { title: string }[]).map(({ title }) => title)).toEqual(titles)
})

it('a class that comes all at once reads an edition once, and a failure is not remembered', async () => {
  const { lessonId } = await putLesson(teacher.person, lessonWithFilm(60_000))
  const find = vi.spyOn(EditionRow, 'findOne')
  find.mockRejectedValueOnce(new Error('away'))
  await expect(editionDocument({ lessonId, edition: 1 })).rejects.toThrow('away')
  find.mockClear()
  const all = await Promise.all(
    Array.from({ length: 500 }, () => editionDocument({ lessonId, edition: 1 })),
  )
  expect(find).toHaveBeenCalledTimes(1)
  expect(new Set(all).size).toBe(1)
  find.mockRestore()
})

it('a medium on a cover, and one that is offered, are in use, and are replaced with the others', async () => {
  const [old, next] = [await putMedia(teacher.person), await putMedia(teacher.person)]
  for (const id of [old, next])
    await run(server.context.database, `UPDATE media SET kind = 'picture' WHERE id = $1`, [id])
  const cover = { mediaId: old, wash: 'dark', strength: 0.5, letters: 'light' } as never
  const covered: Lesson = { ...lessonWithFilm(60_000), cover }
  const things = withThings(lessonWithFilm(60_000))
  const deck = { ...things.parts[DECK]!, offers: old }
  const offering = { ...things, parts: { ...things.parts, [DECK]: deck } } as Lesson
  const lessons = await Promise.all(
    [covered, offering].map((lesson) => putLesson(teacher.person, lesson, { published: false })),
  )
  for (const { lessonId } of lessons)
    await run(server.context.database, 'INSERT INTO media_uses VALUES ($1, $2)', [lessonId, old])
  const uses = await teacher.agent.get(`/api/media/${old}/uses`).expect(200)
  expect(uses.body.lessons.map(({ id }: { id: string }) => id).sort()).toEqual(
    lessons.map(({ lessonId }) => lessonId).sort(),
  )
  const replaced = await teacher.agent.post(`/api/media/${old}/replacement`).send({ by: next })
  expect([...replaced.body.lessons, ...replaced.body.left].sort()).toEqual(
    lessons.map(({ lessonId }) => lessonId).sort(),
  )
})
