// What the results are computed from: of each learner the attempt that counts, with all that was watched and answered in it.
import { attemptThatCounts, usualRules } from '@fernbrake/core/classes'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Person, Standing } from '@fernbrake/core/contract'
import { direct, within } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { readAssignment } from '../learning/queries/assignments.ts'
import { attemptsMade, type AttemptMade } from '../learning/queries/attemptsMade.ts'
import { attemptsSeenBy } from '../learning/queries/attemptAccess.ts'
import { nothingCovered, readCovered, type Covered } from '../learning/queries/covered.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { answersByAttempt, type Answered } from '../learning/queries/responses.ts'
import { standingOfAttempt } from '../classes/assignments.ts'
import type { Context } from '../context.ts'
import { attemptsOf, describeSource, type SourceOf } from './marking.ts'

export interface LearnerWork {
  attempt: AttemptMade
  name: string
  covered: Covered
  responses: readonly Answered[]
  stood: Standing['attempts'][number]
}

export interface Gathered {
  about: {
    title: string
    classTitle: string | null
    lessonId: string
    edition: number | null
    editions: { number: number; attempts: number }[]
  }
  /** Null before anybody has begun. */
  lesson: Lesson | null
  /** By name. */
  learners: LearnerWork[]
}

interface Wants {
  /** Of a lesson only the attempts that were begun by its link. */
  byLinkAlone?: boolean
  /** Answers are left out, unless it takes them to say which of somebody's attempts counts. */
  watchedAlone?: boolean
}

const NOTHING = nothingCovered()

/** Of a lesson all attempts that the person may see; or those alone that were begun by its link. */
async function attemptsAt(
  { database }: Context,
  person: Person,
  from: SourceOf,
  byLinkAlone: boolean,
): Promise<AttemptMade[]> {
  if (from.source !== 'lesson' || byLinkAlone) return attemptsOf(from)
  const where = await attemptsSeenBy(within(database), person.id, from.sourceId)
  return attemptsMade(where)
}

/** The work of everybody whom the person may see on one edition: the one asked for, or the newest that anybody has begun. */
export async function gather(
  context: Context,
  person: Person,
  from: SourceOf,
  wanted?: number,
  { byLinkAlone = false, watchedAlone = false }: Wants = {},
): Promise<Gathered> {
  const attempts = await attemptsAt(context, person, from, byLinkAlone)
  const { title, classTitle, lessonId } = await describeSource(context, from, attempts)
  const editions = [...new Set(attempts.map((row) => row.edition))]
    .sort((a, b) => b - a)
    .map((number) => ({
      number,
      attempts: attempts.filter((row) => row.edition === number).length,
    }))
  const edition = wanted ?? editions[0]?.number ?? null
  const about = { title, classTitle, lessonId, edition, editions }
  if (edition === null) return { about, lesson: null, learners: [] }
  const lesson = await editionDocument({ lessonId, edition })
  const rows = attempts.filter((row) => row.edition === edition)
  const learners = await workOf(context, from, lesson, rows, watchedAlone)
  return { about: { ...about, title: lesson.title }, lesson, learners }
}

const byAlphabet = new Intl.Collator()
const NO_ANSWERS: ReadonlyMap<string, Answered[]> = new Map()

async function workOf(
  { database, pool }: Context,
  { source, sourceId }: SourceOf,
  lesson: Lesson,
  rows: readonly AttemptMade[],
  watchedAlone: boolean,
): Promise<LearnerWork[]> {
  const isOneEach = new Set(rows.map(({ personId }) => personId)).size === rows.length
  const ids = rows.map(({ id }) => id)
  const ask = within(database)
  const [covered, responses, people, assignment] = await Promise.all([
    readCovered(direct(pool), ids),
    watchedAlone && isOneEach ? NO_ANSWERS : answersByAttempt(pool, ids),
    PersonRow.findAll({
      where: { id: rows.map(({ personId }) => personId) },
      attributes: ['id', 'name'],
      raw: true,
    }),
    source === 'assignment' ? readAssignment(ask, sourceId) : null,
  ])
  const given = assignment ?? { rules: usualRules(), closesAt: null }
  const nameOf = new Map(people.map(({ id, name }) => [id, name]))
  const byPerson = new Map<string, LearnerWork[]>()
  for (const attempt of rows) {
    const own = covered.get(attempt.id) ?? NOTHING
    const did = { ...own, responses: responses.get(attempt.id) ?? [] }
    let stood: LearnerWork['stood'] | null = null
    const work: LearnerWork = {
      attempt,
      name: nameOf.get(attempt.personId) ?? '',
      covered: own,
      responses: did.responses,
      // Worked out where it is asked for: how questions did does not depend on it.
      get stood() {
        return (stood ??= standingOfAttempt(attempt, lesson, did, given))
      },
    }
    const others = byPerson.get(attempt.personId)
    if (others) others.push(work)
    else byPerson.set(attempt.personId, [work])
  }
  return [...byPerson.values()]
    .map((works) => {
      if (works.length === 1) return works[0]!
      const best = attemptThatCounts(works.map(({ stood }) => stood))!
      return works.find(({ stood }) => stood === best)!
    })
    .sort((a, b) => byAlphabet.compare(a.name, b.name))
}
