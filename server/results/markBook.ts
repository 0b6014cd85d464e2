// The mark book of a class: everybody’s best attempt at each assignment, and all of them by weight.
import { readClassHead } from '../learning/queries/classHead.ts'
import { bookStateOf, questionsMet, weightedShare } from '@fernbrake/core/analysis'
import { attemptThatCounts, phaseAt } from '@fernbrake/core/classes'
import type { MarkBook, Standing } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { attemptsMade, type AttemptMade } from '../learning/queries/attemptsMade.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  readAssignments,
  readExcused,
  readGiven,
  readWeights,
  storeExcused,
  storeWeight,
  timesOf,
} from '../learning/queries/assignments.ts'
import { readMembers } from '../classes/queries/classes.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { countWaiting } from './queries/marks.ts'
import { standingOf } from '../classes/assignments.ts'
import type { Context } from '../context.ts'

export async function readMarkBook(context: Context, classId: string): Promise<MarkBook> {
  const ask = within(context.database)
  const [head, all, members, weights, givenTo, excused] = await Promise.all([
    readClassHead(ask, classId),
    readAssignments(ask, classId),
    readMembers(ask, classId),
    readWeights(ask, classId),
    readGiven(ask, classId),
    readExcused(ask, classId),
  ])
  if (!head) throw new HttpError('not-found')
  // What was taken back stands in the book as long as somebody has worked for it.
  const given = all.filter(({ isWithdrawn, begun }) => !isWithdrawn || begun > 0)
  const byId = new Map(given.map((row) => [row.id, row]))
  const attempts = await attemptsMade({ assignmentId: [...byId.keys()] })
  const [stood, waiting] = await Promise.all([
    standingOf(context, attempts, (row) => byId.get(row.assignmentId!)!),
    countWaiting(ask, [...byId.keys()]),
  ])
  const best = bestOf(attempts, stood)
  const assignments = await Promise.all(
    given.map(async (row) => {
      const { id, lessonId, newest: edition } = row
      const lesson = await editionDocument({ lessonId, edition })
      const max = questionsMet(lesson).reduce((sum, { points }) => sum + points, 0)
      const own = { weight: weights.get(id) ?? 1, waiting: waiting.get(id) ?? 0 }
      const phase = phaseAt(timesOf(row), new Date())
      const isDue = phase === 'late' || phase === 'closed'
      return { id, title: lesson.title, max, isDue, ...own }
    }),
  )
  const learners = members.map(({ id: personId, name, leftAt }) => {
    const marks: MarkBook['learners'][number]['marks'] = {}
    for (const { id, max, isDue } of assignments) {
      const begun = best.get(`${personId} ${id}`) ?? null
      const key = `${id} ${personId}`
      const facts = { isGiven: givenTo.has(key), isExcused: excused.has(key), isDue, begun }
      const reached = { points: begun?.points ?? 0, max: begun?.max ?? max }
      marks[id] = { ...reached, state: bookStateOf(facts), isComplete: begun?.isComplete ?? false }
    }
    const counted = assignments.map(({ id, weight }) => ({ weight, mark: marks[id]! }))
    return { personId, name, hasLeft: leftAt !== null, marks, share: weightedShare(counted) }
  })
  return { title: head.title, assignments, learners }
}

type AttemptStanding = Standing['attempts'][number]

function bestOf(
  attempts: readonly AttemptMade[],
  stood: ReadonlyMap<string, AttemptStanding>,
): Map<string, AttemptStanding> {
  const all = new Map<string, AttemptStanding[]>()
  for (const { id, personId, assignmentId } of attempts) {
    const key = `${personId} ${assignmentId}`
    all.set(key, [...(all.get(key) ?? []), stood.get(id)!])
  }
  return new Map([...all].map(([key, ones]) => [key, attemptThatCounts(ones)!]))
}

export async function weighAssignment(
  { database }: Context,
  where: { classId: string; assignmentId: string },
  weight: number,
): Promise<{ weight: number }> {
  if (!(await storeWeight(within(database), where, weight))) throw new HttpError('not-found')
  return { weight }
}

/** Excuses a learner from an assignment, or no longer. */
export async function excuse(
  { database }: Context,
  where: { classId: string; assignmentId: string; personId: string },
  isExcused: boolean,
): Promise<{ isExcused: boolean }> {
  if (!(await storeExcused(within(database), where, isExcused))) throw new HttpError('not-found')
  return { isExcused }
}
