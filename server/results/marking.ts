// Marking: the answers of a pile, the marks that people give, and telling learners.
import { readClassHead } from '../learning/queries/classHead.ts'
import type { Transaction } from 'sequelize'
import { questionsMet } from '@fernbrake/core/analysis'
import { heldBackUntil } from '@fernbrake/core/classes'
import {
  MOST_COMMENTS,
  type BodyOf,
  type contract,
  type GivenMark,
  type Person,
  type Pile,
  type PileAnswer,
  type PileCard,
  type Source,
} from '@fernbrake/core/contract'
import { markFault, pseudonyms, verdictOfPoints } from '@fernbrake/core/marking'
import {
  filesOfAnswer,
  isByPerson,
  isGraded,
  readableAnswer,
  type Question,
  plainFileName,
  withoutNames,
} from '@fernbrake/core/questions'
import { within } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { readAssignment, timesOf } from '../learning/queries/assignments.ts'
import { attemptFacts } from '../learning/queries/attemptFacts.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { attemptsMade, type AttemptMade } from '../learning/queries/attemptsMade.ts'
import { handedByAttempt } from '../learning/queries/handedFiles.ts'
import {
  readKeptComments,
  removeKeptComment,
  storeKeptComment,
  readMark,
  readPiles,
  releaseMarks,
  storeMark,
} from './queries/marks.ts'
import {
  responsesByAttempt,
  type Response,
  type StoredMark,
} from '../learning/queries/responses.ts'
import type { Context } from '../context.ts'
import { tellMarks } from '../people/notices.ts'

export interface SourceOf {
  source: Source
  sourceId: string
}

export async function listPiles(
  { database }: Context,
  person: Person,
): Promise<{ piles: PileCard[] }> {
  const rows = await readPiles(within(database), person.id)
  const piles = rows.map(async ({ lessonId, edition, oldestAt, ...card }) => ({
    ...card,
    title: (await editionDocument({ lessonId, edition })).title,
    oldestAt: oldestAt?.toISOString() ?? null,
  }))
  return { piles: await Promise.all(piles) }
}

/** Whether an attempt is of this source. */
export async function isAttemptOf(
  { source, sourceId }: SourceOf,
  attemptId: string,
): Promise<boolean> {
  const facts = await attemptFacts(attemptId)
  return source === 'assignment'
    ? facts?.assignmentId === sourceId
    : facts?.lessonId === sourceId && facts.assignmentId === null
}

/** The attempts of a source. */
export const attemptsOf = ({ source, sourceId }: SourceOf): Promise<AttemptMade[]> =>
  attemptsMade(
    source === 'assignment'
      ? { assignmentId: sourceId }
      : { lessonId: sourceId, assignmentId: null },
  )

interface SourceFacts {
  title: string
  classTitle: string | null
  lessonId: string
  order: string[]
  /** When learners will be told how they did, and by which clock; null where they are told by now. */
  heldBack: { until: string; timeZone: string } | null
}

/** What a source is called: the newest edition's title, and that of the class if it is one's. */
export async function describeSource(
  { database }: Context,
  { source, sourceId }: SourceOf,
  attempts: readonly AttemptMade[],
): Promise<SourceFacts> {
  const assignment =
    source === 'assignment' ? await readAssignment(within(database), sourceId) : null
  const lessonId = assignment?.lessonId ?? sourceId
  const edition = assignment?.newest ?? Math.max(0, ...attempts.map((row) => row.edition))
  if (edition === 0) return { title: '', classTitle: null, lessonId, order: [], heldBack: null }
  const lesson = await editionDocument({ lessonId, edition })
  const head = assignment && (await readClassHead(within(database), assignment.classId))
  const order = questionsMet(lesson).map(({ id }) => id)
  const until = assignment && heldBackUntil(assignment.rules, timesOf(assignment), new Date())
  return {
    title: lesson.title,
    classTitle: head?.title ?? null,
    lessonId,
    order,
    heldBack: until && head ? { until, timeZone: head.timeZone } : null,
  }
}

const toMark = ({ at, releasedAt, ...mark }: StoredMark): GivenMark => ({
  ...mark,
  at: at.toISOString(),
  releasedAt: releasedAt?.toISOString() ?? null,
})

/** The last try of each question; earlier ones do not wait for anybody. */
const lastTries = (responses: readonly Response[]): Response[] => [
  ...new Map(responses.map((one) => [one.questionId, one])).values(),
]

export async function readPile(
  context: Context,
  person: Person,
  from: SourceOf,
  { names = 'shown', which = 'byPerson' }: { names?: string; which?: string },
): Promise<Pile> {
  const attempts = await attemptsOf(from)
  const ids = attempts.map(({ id }) => id)
  const [about, responses, handed, people, comments] = await Promise.all([
    describeSource(context, from, attempts),
    responsesByAttempt(context.pool, ids),
    handedByAttempt(ids),
    PersonRow.findAll({
      where: { id: attempts.map(({ personId }) => personId) },
      attributes: ['id', 'name'],
      raw: true,
    }),
    readKeptComments(within(context.database), person.id),
  ])
  const nameOf = new Map(people.map(({ id, name }) => [id, name]))
  const numbers = pseudonyms([...nameOf.keys()], from.sourceId)
  const isHidden = names === 'hidden'
  const { title, classTitle, order } = about
  const tellsFrom = about.heldBack?.until ?? null
  const pile: Pile = { title, classTitle, tellsFrom, order, questions: {}, answers: [], comments }
  for (const attempt of attempts) {
    const lesson = await editionDocument(attempt)
    const name = isHidden ? null : nameOf.get(attempt.personId)!
    const learner = { number: numbers.get(attempt.personId)!, name }
    for (const response of lastTries(responses.get(attempt.id) ?? [])) {
      const question = lesson.questions[response.questionId]
      if (!question || !(which === 'all' ? isGraded(question) : isByPerson(question))) continue
      const asked = `${attempt.edition}/${question.id}`
      pile.questions[asked] ??= question
      const about = { attemptId: attempt.id, learner, questionId: question.id, asked }
      const shown = showAnswer(question, response, handed.get(attempt.id) ?? [], isHidden)
      pile.answers.push({ ...about, ...shown })
    }
  }
  return pile
}

/** An answer as it lies in the pile, with the files that were handed in with it. */
function showAnswer(
  question: Question,
  response: Response,
  handed: readonly { id: string; name: string; contentType: string }[],
  isHidden: boolean,
): Omit<PileAnswer, 'attemptId' | 'learner' | 'questionId' | 'asked'> {
  const answer = isHidden ? withoutNames(response.answer) : response.answer
  const wanted = filesOfAnswer(answer)
  const called = (id: string, name: string) =>
    isHidden ? plainFileName(name, wanted.indexOf(id) + 1) : name
  return {
    responseId: response.id,
    tryNumber: response.tryNumber,
    answer,
    text: readableAnswer(question, answer),
    files: handed
      .filter(({ id }) => wanted.includes(id))
      .map(({ id, name, contentType }) => ({ id, name: called(id, name), contentType })),
    answeredAt: response.answeredAt.toISOString(),
    isDoubtful: response.isDoubtful,
    ...response.own,
    mark: response.mark && toMark(response.mark),
  }
}

/** Marks an answer, over the mark that was seen and no other; the same again changes nothing. */
export async function saveMark(
  { database, announce, pool }: Context,
  person: Person,
  from: SourceOf,
  given: BodyOf<(typeof contract)['saveMark']>,
): Promise<GivenMark> {
  const { attemptId, responseId, points, levels, comment, revision } = given
  const facts = await attemptFacts(attemptId)
  if (!facts || !(await isAttemptOf(from, attemptId))) throw new HttpError('not-found')
  const responses = (await responsesByAttempt(pool, [attemptId])).get(attemptId) ?? []
  const response = responses.find(({ id }) => id === responseId)
  const question = response && (await editionDocument(facts)).questions[response.questionId]
  if (!question || !isGraded(question)) throw new HttpError('not-found')
  const fault = markFault(question, { points, levels })
  if (fault)
    throw new HttpError('invalid-input', { reason: fault, facts: { max: question.points } })
  const verdict = verdictOfPoints(question, points) as 'right' | 'partly' | 'wrong'
  const mark = { attemptId, responseId, revision, points, verdict, levels, comment }
  const stored = await storeMark(within(database), { ...mark, personId: person.id })
  if (stored) {
    announce.resultsNew(facts.lessonId)
    return toMark(stored)
  }
  const there = await readMark(within(database), attemptId, responseId)
  if (!there) throw new HttpError('not-found')
  const { personId, ...other } = there
  if (personId === person.id && saysTheSame(other, given)) return toMark(other)
  const { by } = other
  throw new HttpError(
    'mark-changed',
    by === null ? {} : { reason: 'markedBy', facts: { name: by } },
  )
}

const saysTheSame = (
  mark: StoredMark,
  { points, levels, comment, revision }: BodyOf<(typeof contract)['saveMark']>,
) =>
  mark.revision === revision + 1 &&
  Math.abs(mark.points - points) < 1e-4 &&
  mark.comment === comment &&
  JSON.stringify(mark.levels) === JSON.stringify(levels)

/** Tells learners their marks, by their page and by mail where they have an address; or takes that back. */
export async function release(
  context: Context,
  person: Person,
  from: SourceOf,
  given: { told: boolean; questionId: string | null },
): Promise<{ marks: number; learners: number }> {
  const about = await describeSource(context, from, await attemptsOf(from))
  return context.database.transaction(async (transaction: Transaction) => {
    const ask = within(context.database, transaction)
    const rows = await releaseMarks(ask, from.source, from.sourceId, given)
    const learners = [...new Set(rows.map(({ personId }) => personId))]
    if (given.told) await tellMarks(ask, person, about, learners)
    return { marks: rows.length, learners: learners.length }
  })
}

export async function keepComment(
  { database }: Context,
  person: Person,
  { id, words }: { id: string; words: string },
): Promise<{ comments: { id: string; words: string }[] }> {
  const ask = within(database)
  const kept = await readKeptComments(ask, person.id)
  if (kept.length >= MOST_COMMENTS && !kept.some((one) => one.id === id))
    throw new HttpError('too-large', { reason: 'commentsFull' })
  if (!kept.some((one) => one.words === words)) await storeKeptComment(ask, id, person.id, words)
  return { comments: await readKeptComments(ask, person.id) }
}

export async function dropComment(
  { database }: Context,
  person: Person,
  id: string,
): Promise<{ comments: { id: string; words: string }[] }> {
  const ask = within(database)
  await removeKeptComment(ask, id, person.id)
  return { comments: await readKeptComments(ask, person.id) }
}
