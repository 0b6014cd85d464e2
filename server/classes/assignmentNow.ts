// Where everybody of a class is in a lesson now, as a page that is left open asks every few seconds.
import type { Now } from '@fernbrake/core/contract'
import { partOnFrond } from '@fernbrake/core/frond'
import {
  askingOf,
  isPlayed,
  partsInOrder,
  playingMs,
  type Lesson,
  type Part,
} from '@fernbrake/core/lesson'
import { within } from '../database/connect.ts'
import { attemptsMade } from '../learning/queries/attemptsMade.ts'
import { HttpError } from '../http/HttpError.ts'
import { readAssignment, readMeant } from '../learning/queries/assignments.ts'
import { readCovered } from '../learning/queries/covered.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { responsesByAttempt, type Response } from '../learning/queries/responses.ts'
import type { Context } from '../context.ts'
import { leafOf, smallCues } from '../lessons/lessonCards.ts'

export async function readNow(
  { database, pool }: Context,
  { classId, assignmentId }: { classId: string; assignmentId: string },
): Promise<Now> {
  const ask = within(database)
  const assignment = await readAssignment(ask, assignmentId)
  if (assignment?.classId !== classId) throw new HttpError('not-found')
  const [meant, rows] = await Promise.all([
    readMeant(ask, assignmentId),
    attemptsMade({ assignmentId }),
  ])
  // Later attempts come later, so the newest of each learner stays.
  const latest = new Map(rows.map((row) => [row.personId, row]))
  const ids = [...latest.values()].map(({ id }) => id)
  const [covered, answers] = await Promise.all([
    readCovered(within(database), ids),
    responsesByAttempt(pool, ids),
  ])
  const { lessonId, newest: edition } = assignment
  const { title } = await editionDocument({ lessonId, edition })
  const parts: Now['parts'] = {}
  // Each edition once, however many are on it.
  for (const number of new Set([...latest.values()].map((row) => row.edition))) {
    const lesson = await editionDocument({ lessonId, edition: number })
    for (const [index, part] of partsInOrder(lesson).entries())
      parts[keyOf(number, part.id)] = { number: index + 1, ...describePart(lesson, part) }
  }
  const learners = await Promise.all(
    meant
      .filter(({ hasLeft }) => !hasLeft)
      .map(async ({ personId, name }) => {
        const row = latest.get(personId)
        if (!row) return { personId, name, attempt: null }
        const spans = covered.get(row.id)?.spans ?? {}
        const lesson = await editionDocument(row)
        const answered = answeredOf(lesson, answers.get(row.id) ?? [])
        const part = row.placePart === null ? null : keyOf(row.edition, row.placePart)
        return {
          personId,
          name,
          attempt: {
            part,
            atMs: row.placeMs,
            covered: spans[row.placePart ?? ''] ?? [],
            answered,
            finished: row.finishedAt !== null,
            lastSeenAt: row.lastSeenAt.toISOString(),
          },
        }
      }),
  )
  return { title, at: new Date().toISOString(), parts, learners }
}

const keyOf = (edition: number, partId: string) => `${edition}/${partId}`

function describePart(lesson: Lesson, part: Part) {
  const { title } = part
  if (isPlayed(part))
    return { title, stemMs: playingMs(part) ?? 0, cues: smallCues(lesson, part.id) }
  const drawn = partOnFrond(part)
  return { title, stemMs: drawn?.durationMs ?? 0, cues: (drawn?.leaves ?? []).map(leafOf) }
}

/** Whether what was answered is right by the latest try, by what asks it. */
function answeredOf(lesson: Lesson, responses: readonly Response[]): Record<string, boolean> {
  return Object.fromEntries(
    responses.flatMap(({ cueId, verdict }) =>
      askingOf(lesson, cueId) ? [[cueId, verdict === 'right'] as const] : [],
    ),
  )
}
