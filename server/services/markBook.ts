// The mark book of a class: everybody’s best attempt at each assignment, and all of them by weight.
import { questionsMet, weightedShare } from '@fernbrake/core/analysis'
import { attemptThatCounts } from '@fernbrake/core/classes'
import type { MarkBook, Standing } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { AttemptRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { readAssignments, readWeights } from '../queries/assignments.ts'
import { readClassHead, readMembers } from '../queries/classes.ts'
import { editionDocument } from '../queries/editions.ts'
import { countWaiting } from '../queries/marks.ts'
import { standingOf } from './assignments.ts'
import type { Context } from './context.ts'

export async function readMarkBook(context: Context, classId: string): Promise<MarkBook> {
  const ask = within(context.database)
  const [head, all, members, weights] = await Promise.all([
    readClassHead(ask, classId),
    readAssignments(ask, classId),
    readMembers(ask, classId),
    readWeights(ask, classId),
  ])
  if (!head) throw new HttpError('not-found')
  // What was taken back stands in the book as long as somebody has worked for it.
  const given = all.filter(({ isWithdrawn, begun }) => !isWithdrawn || begun > 0)
  const byId = new Map(given.map((row) => [row.id, row]))
  const attempts = await AttemptRow.findAll({
    where: { assignmentId: [...byId.keys()] },
    order: [['number', 'ASC']],
  })
  const [stood, waiting] = await Promise.all([
    standingOf(context, attempts, (row) => byId.get(row.assignmentId!)!),
    countWaiting(ask, [...byId.keys()]),
  ])
  const best = bestOf(attempts, stood)
  const assignments = await Promise.all(
    given.map(async ({ id, lessonId, newest: edition }) => {
      const lesson = await editionDocument({ lessonId, edition })
      const max = questionsMet(lesson).reduce((sum, { points }) => sum + points, 0)
      const own = { weight: weights.get(id) ?? 1, waiting: waiting.get(id) ?? 0 }
      return { id, title: lesson.title, max, ...own }
    }),
  )
  const learners = members.map(({ id: personId, name, leftAt }) => {
    const marks: MarkBook['learners'][number]['marks'] = {}
    for (const { id } of assignments) {
      const one = best.get(`${personId} ${id}`)
      if (one) marks[id] = { points: one.points, max: one.max, isComplete: one.isComplete }
    }
    const counted = assignments.map(({ id, weight, max }) => ({
      ...{ weight, max },
      mark: marks[id] ?? null,
    }))
    return { personId, name, hasLeft: leftAt !== null, marks, share: weightedShare(counted) }
  })
  return { title: head.title, assignments, learners }
}

type Stood = Standing['attempts'][number]

function bestOf(
  attempts: readonly AttemptRow[],
  stood: ReadonlyMap<string, Stood>,
): Map<string, Stood> {
  const all = new Map<string, Stood[]>()
  for (const { id, personId, assignmentId } of attempts) {
    const key = `${personId} ${assignmentId}`
    all.set(key, [...(all.get(key) ?? []), stood.get(id)!])
  }
  return new Map([...all].map(([key, ones]) => [key, attemptThatCounts(ones)!]))
}

export async function weighAssignment(
  { database }: Context,
  { classId, assignmentId }: { classId: string; assignmentId: string },
  weight: number,
): Promise<{ weight: number }> {
  const rows = await within(database)(
    'UPDATE assignments SET weight = $3 WHERE id = $1 AND class_id = $2 RETURNING id',
    [assignmentId, classId, weight],
  )
  if (rows.length === 0) throw new HttpError('not-found')
  return { weight }
}
