// The results of a lesson's edition: reads the records, lets core compute, answers in the words of the contract.
import type { LearnerResult, Person, ResultsReply } from '@fernbrake/core/contract'
import { lessonOutcome, type AttemptOutcome } from '@fernbrake/core/analysis'
import type { Lesson } from '@fernbrake/core/lesson'
import { filesOfAnswer, readableAnswer } from '@fernbrake/core/questions'
import { within } from '../database/connect.ts'
import { AttemptRow, EditionRow, PersonRow, type HandedFileRow } from '../database/models.ts'
import { attemptsSeenBy } from '../learning/queries/attemptAccess.ts'
import { waysByAttempt, type WayTaken } from '../learning/queries/choices.ts'
import { readCovered, type Covered } from '../learning/queries/covered.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { handedByAttempt, toTaken } from '../learning/queries/handedFiles.ts'
import { readSeen } from '../learning/queries/seenThings.ts'
import { responsesByAttempt, type Response } from '../learning/queries/responses.ts'
import type { Context } from '../context.ts'
import { toEditionSummary } from '../lessons/editions.ts'

/**
 * The results of one edition, the newest unless another is asked for, as far as they are the person's to see; empty before
 * the first is published.
 */
export async function readResults(
  { database, pool }: Context,
  person: Person,
  lessonId: string,
  number?: number,
): Promise<ResultsReply> {
  const editions = await EditionRow.findAll({
    where: { lessonId },
    attributes: { exclude: ['document'] },
    order: [['number', 'ASC']],
  })
  const summaries = editions.map(toEditionSummary)
  const wanted = number ?? editions.at(-1)?.number
  if (wanted === undefined)
    return { edition: null, editions: [], lesson: null, learners: [], questions: [], watching: {} }
  const lesson = await editionDocument({ lessonId, edition: wanted })
  const seen = await attemptsSeenBy(within(database), person.id, lessonId)
  const attempts = await AttemptRow.findAll({ where: { ...seen, edition: wanted } })
  const ids = attempts.map((attempt) => attempt.id)
  const [people, responsesBy, covered, ways, handed, things] = await Promise.all([
    PersonRow.findAll({ where: { id: attempts.map((attempt) => attempt.personId) } }),
    responsesByAttempt(pool, ids),
    readCovered(within(database), ids),
    waysByAttempt(database, ids),
    handedByAttempt(ids),
    readSeen(within(database), ids),
  ])
  const outcome = lessonOutcome(
    lesson,
    ids.map((attemptId) => ({
      attemptId,
      spans: covered.get(attemptId)?.spans ?? {},
      responses: responsesBy.get(attemptId) ?? [],
    })),
  )
  const names = new Map(people.map((person) => [person.id, person]))
  const learners = attempts.map((attempt, index) =>
    toLearner(lesson, outcome.attempts[index]!, {
      attempt,
      person: names.get(attempt.personId)!,
      responses: responsesBy.get(attempt.id) ?? [],
      covered: covered.get(attempt.id),
      ways: ways.get(attempt.id) ?? [],
      handed: handed.get(attempt.id) ?? [],
      seen: things.get(attempt.id) ?? {},
    }),
  )
  return {
    edition: wanted,
    editions: summaries,
    lesson,
    learners: learners.sort((a, b) => a.name.localeCompare(b.name)),
    questions: outcome.questions,
    watching: outcome.watching,
  }
}

interface LearnerRows {
  attempt: AttemptRow
  person: PersonRow
  responses: Response[]
  covered: Covered | undefined
  ways: WayTaken[]
  handed: HandedFileRow[]
  seen: Record<string, string[]>
}

function toLearner(lesson: Lesson, outcome: AttemptOutcome, rows: LearnerRows): LearnerResult {
  const { attempt, person, responses, covered, ways, handed } = rows
  return {
    ...outcome,
    name: person.name,
    guest: person.role === 'guest',
    openedAt: attempt.openedAt.toISOString(),
    timesOpened: attempt.timesOpened,
    lastSeenAt: attempt.lastSeenAt.toISOString(),
    finishedAt: attempt.finishedAt?.toISOString() ?? null,
    leftOut: covered?.leftOut ?? 0,
    tooFast: covered?.tooFast ?? 0,
    ways,
    seen: rows.seen,
    answers: responses.map((row) => ({
      questionId: row.questionId,
      tryNumber: row.tryNumber,
      verdict: row.verdict,
      points: row.points,
      text: readableAnswer(lesson.questions[row.questionId]!, row.answer),
      files: handed.filter(({ id }) => filesOfAnswer(row.answer).includes(id)).map(toTaken),
      answeredAt: row.answeredAt.toISOString(),
      isDoubtful: row.isDoubtful,
    })),
  }
}
