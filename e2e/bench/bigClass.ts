// A class of so many simulated learners on an hour of film, through the same door that real players' records take.
import type pg from 'pg'
import { usualRules } from '@fernbrake/core/classes'
import { RECORDS_AT_ONCE } from '@fernbrake/core/contract'
import { type LearnerRecord } from '@fernbrake/core/records'
import { edits, type Lesson } from '@fernbrake/core/lesson'
import { createRandom, type Random } from '@fernbrake/core/chance'
import { drawPersona, simulateLesson } from '@fernbrake/core/rehearsal'
import { edited, lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import { openServer, acceptRecords, type Settings } from '@fernbrake/server'
import { inDatabase, putLesson } from '../support/lessons.ts'

const HOUR_MS = 3_600_000
const QUESTIONS = 24
/** Players send what was played every five seconds. */
const CUT_MS = 5000
const SITTING_MS = 6 * HOUR_MS

/** A lesson for a big class, and what each of its learners sends; `id` begins the ids of all that is put in for it. */
export interface BigLesson {
  id: string
  lesson: Lesson
  recordsOf(random: Random, index: number): LearnerRecord[]
}
export const bigIds = (lessonId: string, size: number) => ({
  classId: `${lessonId}-class-${size}`,
  assignmentId: `${lessonId}-assignment-${size}`,
})

/** An hour with a question every two and a half minutes, each answered by the half minute before it. */
function hourLesson(): Lesson {
  let lesson = lessonWithFilm(HOUR_MS)
  for (let index = 1; index <= QUESTIONS; index += 1) {
    const atMs = Math.round((HOUR_MS * index) / (QUESTIONS + 1))
    const evidence = { fromMs: atMs - 30_000, toMs: atMs - 5000 }
    lesson = withQuestion(lesson, { id: `q${index}`, atMs, evidence })
  }
  const question = lesson.questions['q-q1']!
  return edited(lesson, edits.setQuestionText, {
    questionId: question.id,
    field: 'stem',
    text: 'Which gate is opened first?',
  })
}

/** What a real player would have sent: every stretch in pieces of five seconds. */
function asPlayed(records: readonly LearnerRecord[]): LearnerRecord[] {
  return records.flatMap((record) => {
    if (record.kind !== 'span') return [record]
    const { fromMs, toMs, rate } = record
    const beganMs = Date.parse(record.beganAt)
    const clockAt = (ms: number) =>
      new Date(beganMs + Math.ceil((ms - fromMs) / rate)).toISOString()
    const pieces: LearnerRecord[] = []
    for (let at = fromMs; at < toMs; at += CUT_MS) {
      const end = Math.min(toMs, at + CUT_MS)
      const times = { beganAt: clockAt(at), endedAt: clockAt(end) }
      pieces.push({ ...record, ...times, id: `${record.id}${at}`, fromMs: at, toMs: end })
    }
    return pieces
  })
}

const rowsOf = <T>(count: number, row: (index: number) => T) =>
  Array.from({ length: count }, (_, index) => row(index))

/** An hour of film with questions, watched and answered by simulated learners. */
export function hourOfFilm(): BigLesson {
  const lesson = hourLesson()
  const start = Date.now() - SITTING_MS
  return {
    id: 'big-hour',
    lesson,
    recordsOf(random) {
      // Nobody would sit through an hour otherwise; a class is told to.
      const drawn = drawPersona(random)
      const persona = { ...drawn, patienceMs: drawn.patienceMs * 4 }
      return asPlayed(simulateLesson(lesson, persona, random, start))
    },
  }
}

/** Puts a lesson and one class for each of these sizes into the database. */
export async function putBigClasses(
  settings: Settings,
  sizes: readonly number[],
  ownerEmail: string,
  big: BigLesson,
): Promise<void> {
  await inDatabase(settings, async (client) => {
    const owner = await putLesson(client, ownerEmail, big)
    for (const size of sizes) await putClass(client, owner, big.id, size)
  })
  const { context, close } = await openServer({ ...settings, runsJobs: false }, () => undefined)
  try {
    for (const size of sizes) await playAll(context, big, size)
  } finally {
    await close()
  }
  // What a class does in weeks the database has long put in order by itself.
  await inDatabase(settings, async (client) => {
    await client.query('VACUUM (ANALYZE)')
  })
}

const attemptOf = (lessonId: string, size: number, index: number) =>
  `${lessonId}-attempt-${size}-${index}`

async function putClass(
  client: pg.Client,
  owner: string,
  lessonId: string,
  size: number,
): Promise<void> {
  const { classId, assignmentId } = bigIds(lessonId, size)
  const people = rowsOf(size, (index) => `${lessonId}-person-${size}-${index}`)
  await client.query(
    `INSERT INTO people (id, name, email, role, password_hash)
     SELECT id, 'Learner ' || id, id || '@harrowmere.example', 'learner', 'none' FROM unnest($1::text[]) AS id`,
    [people],
  )
  await client.query(
    `INSERT INTO classes (id, title, time_zone) VALUES ($1, $2, 'Europe/London')`,
    [classId, `A class of ${size}`],
  )
  await client.query('INSERT INTO class_teachers VALUES ($1, $2)', [classId, owner])
  await client.query('INSERT INTO enrolments (class_id, person_id) SELECT $1, unnest($2::text[])', [
    classId,
    people,
  ])
  await client.query(
    `INSERT INTO assignments (id, class_id, lesson_id, position, rules) VALUES ($1, $2, $3, 'a0', $4)`,
    [assignmentId, classId, lessonId, JSON.stringify({ ...usualRules(), topRate: 2 })],
  )
  await client.query(
    // Begun before the sitting, which is over by now.
    `INSERT INTO attempts (id, lesson_id, edition, person_id, assignment_id, opened_at)
     SELECT *, now() - interval '2 days' FROM unnest($1::text[], $2::text[], $3::int[], $4::text[], $5::text[])`,
    [
      rowsOf(size, (index) => attemptOf(lessonId, size, index)),
      people.map(() => lessonId),
      people.map(() => 1),
      people,
      people.map(() => assignmentId),
    ],
  )
}

async function playAll(
  context: Parameters<typeof acceptRecords>[0],
  big: BigLesson,
  size: number,
): Promise<void> {
  const random = createRandom(size)
  for (let index = 0; index < size; index += 1) {
    const records = big.recordsOf(random, index)
    for (let from = 0; from < records.length; from += RECORDS_AT_ONCE)
      await acceptRecords(...([context, attemptOf(big.id, size, index)] as const), {
        records: records.slice(from, from + RECORDS_AT_ONCE),
      })
  }
}
