// Assignments: giving lessons to classes, what learners find of them, and how a class stands.
import { nanoid } from 'nanoid'
import type { Transaction } from 'sequelize'
import { attemptOutcome } from '@fernbrake/core/analysis'
import { posterOf, type Lesson } from '@fernbrake/core/lesson'
import {
  holdsBack,
  isComplete,
  isInTime,
  jumpedOverMs,
  phaseAt,
  positionBefore,
  tellsAt,
  timesFault,
} from '@fernbrake/core/classes'
import {
  ROLES_FROM,
  MOST_ASSIGNMENTS,
  type Assignment,
  type BodyOf,
  type contract,
  type MyClass,
  type Person,
  type Standing,
} from '@fernbrake/core/contract'
import { NO_ACTIVITY, postsIn, type TalkActivity } from '@fernbrake/core/talk'
import type { Span } from '@fernbrake/core/watching'
import { direct, within, type Ask } from '../database/connect.ts'
import { AttemptRow, EditionRow } from '../database/models.ts'
import { hasLessonRole } from '../lessons/roles.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  type AssignmentFacts,
  holdBeginning,
  readAssignment,
  readAssignmentOf,
  readAssignments,
  readMeant,
  readWork,
  removeUnbegun,
  setPosition,
  storeAssignment,
  storeConfirmed,
  storeTargets,
  timesOf,
  withdraw,
} from '../learning/queries/assignments.ts'
import { attemptFacts } from '../learning/queries/attemptFacts.ts'
import { readGroups, readMembers } from './queries/classes.ts'
import { nothingCovered, readCovered } from '../learning/queries/covered.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import { finishedByAttempt } from '../learning/queries/finishedParts.ts'
import { attemptsMade, type AttemptMade } from '../learning/queries/attemptsMade.ts'
import { answersByAttempt, type Answered, type Marks } from '../learning/queries/responses.ts'
import { assignmentsTold, countAfterTelling } from '../learning/queries/told.ts'
import { changingClass } from './classes.ts'
import type { Context } from '../context.ts'
import { asToldTo, underOf } from '../learning/telling.ts'

type Body<Name extends keyof typeof contract> = BodyOf<(typeof contract)[Name]>

const clock = (date: Date | null) => date?.toISOString() ?? null

export async function listAssignments(
  { database }: Context,
  classId: string,
): Promise<{ assignments: Assignment[] }> {
  const rows = await readAssignments(within(database), classId)
  return { assignments: await Promise.all(rows.map(toAssignment)) }
}

type AssignmentRow = Awaited<ReturnType<typeof readAssignments>>[number]

async function toAssignment(row: AssignmentRow): Promise<Assignment> {
  const { id, lessonId, mostAttempts, rules, groups, people, isWithdrawn, learners, begun } = row
  const { title, posterMediaId } = await describeLesson(row)
  return {
    id,
    lessonId,
    title,
    posterMediaId,
    ...timesOf(row),
    mostAttempts,
    rules,
    groups,
    people,
    isWithdrawn,
    learners,
    begun,
  }
}

/** What is said of a lesson is what its newest edition says. */
async function describeLesson({ lessonId, newest }: AssignmentFacts) {
  const lesson = await editionDocument({ lessonId, edition: newest })
  return { title: lesson.title, summary: lesson.summary, posterMediaId: posterOf(lesson) }
}

/**
 * Gives a class a lesson that its teacher may see and that has an edition; the same id again changes how it was given.
 */
export async function saveAssignment(
  context: Context,
  person: Person,
  classId: string,
  { id, lessonId, groups, people, mostAttempts, rules, ...times }: Body<'saveAssignment'>,
): Promise<{ assignments: Assignment[] }> {
  const fault = timesFault(times)
  if (fault) throw new HttpError('invalid-input', { reason: fault })
  const date = (iso: string | null) => (iso === null ? null : new Date(iso))
  await changingClass(context, classId, async (ask) => {
    const known = await readAssignments(ask, classId)
    const isNew = !known.some((one) => one.id === id)
    if (isNew) await checkLesson(person, lessonId)
    if (isNew && known.length >= MOST_ASSIGNMENTS)
      throw new HttpError('class-full', {
        reason: 'assignmentsFull',
        facts: { most: MOST_ASSIGNMENTS },
      })
    await checkTargets(ask, classId, groups, people)
    const stored = await storeAssignment(ask, {
      id,
      classId,
      lessonId,
      position: positionBefore(inOrder(known), null),
      opensAt: date(times.opensAt),
      dueAt: date(times.dueAt),
      closesAt: date(times.closesAt),
      mostAttempts,
      rules,
    })
    if (!stored) throw new HttpError('already-exists')
    await storeTargets(ask, id, { groups, people })
  })
  return listAssignments(context, classId)
}

/** Those taken back stand last on the page, but keep their place. */
const inOrder = (rows: readonly { id: string; position: string }[]) =>
  [...rows].sort((a, b) => (a.position < b.position ? -1 : 1))

async function checkLesson(person: Person, lessonId: string): Promise<void> {
  if (!(await hasLessonRole(person, lessonId, ROLES_FROM.viewer))) throw new HttpError('not-found')
  if ((await EditionRow.count({ where: { lessonId } })) === 0)
    throw new HttpError('not-publishable', { reason: 'publishFirst' })
}

async function checkTargets(
  ask: Ask,
  classId: string,
  groups: readonly string[],
  people: readonly string[],
): Promise<void> {
  const [ownGroups, members] = [await readGroups(ask, classId), await readMembers(ask, classId)]
  const isOwn = (ids: readonly string[], own: readonly { id: string }[]) =>
    ids.every((id) => own.some((one) => one.id === id))
  if (!isOwn(groups, ownGroups) || !isOwn(people, members))
    throw new HttpError('not-found', { reason: 'notInTheClass' })
}

export async function placeAssignment(
  context: Context,
  { classId, assignmentId }: { classId: string; assignmentId: string },
  beforeId: string | null,
): Promise<{ assignments: Assignment[] }> {
  await changingClass(context, classId, async (ask) => {
    const known = inOrder(await readAssignments(ask, classId))
    if (!known.some(({ id }) => id === assignmentId)) throw new HttpError('not-found')
    const others = known.filter(({ id }) => id !== assignmentId)
    await setPosition(ask, assignmentId, positionBefore(others, beforeId))
  })
  return listAssignments(context, classId)
}

/** Nobody has begun it: it is gone. Somebody has: it is taken back, and their work stays. */
export async function dropAssignment(
  context: Context,
  { classId, assignmentId }: { classId: string; assignmentId: string },
): Promise<{ assignments: Assignment[] }> {
  await changingClass(context, classId, async (ask) => {
    if (!(await removeUnbegun(ask, classId, assignmentId)))
      await withdraw(ask, classId, assignmentId)
  })
  return listAssignments(context, classId)
}

type AttemptStanding = Standing['attempts'][number]

/** What learners are told of how they stand. */
function toMine(stood: AttemptStanding) {
  const { leftOut: _, tooFast: __, doubtful: ___, openedAt: ____, jumpedMs: _____, ...rest } = stood
  const { afterTelling: ______, ...own } = rest
  return own
}

/** What an attempt did, as far as it counts. */
export interface WorkDone {
  spans: Record<string, Span[]>
  played: Record<string, Span[]>
  leftOut: number
  tooFast: number
  responses: readonly Answered[]
  /** How many answers came when what is right had been told. */
  afterTelling?: number
}

/** How an attempt stands under the rules of the assignment that it was made for. */
export function standingOfAttempt(
  row: AttemptMade,
  lesson: Lesson,
  { spans, played, leftOut, tooFast, responses, afterTelling = 0 }: WorkDone,
  { rules, closesAt }: Pick<AssignmentFacts, 'rules' | 'closesAt'>,
): AttemptStanding {
  const { watched, answered, questions, points, max } = attemptOutcome(lesson, {
    attemptId: row.id,
    spans,
    responses: [...responses],
  })
  const figures = { watched, answered, questions, points, max }
  // What came after closing is told, but makes nothing complete.
  const isDone = (at: Date | null) => at !== null && isInTime(at.getTime(), closesAt)
  const [finished, confirmed] = [isDone(row.finishedAt), isDone(row.confirmedAt)]
  return {
    id: row.id,
    number: row.number,
    ...figures,
    leftOut,
    tooFast,
    doubtful: responses.filter(({ isDoubtful }) => isDoubtful).length,
    afterTelling,
    jumpedMs: jumpedOverMs(lesson, rules, played),
    marked: responses.filter(({ isMarked }) => isMarked).length,
    finishedAt: clock(row.finishedAt),
    confirmedAt: clock(row.confirmedAt),
    openedAt: row.openedAt.toISOString(),
    lastSeenAt: row.lastSeenAt.toISOString(),
    isComplete: isComplete(rules, { ...figures, finished, confirmed }),
  }
}

/** The answers of an attempt as somebody may see them. */
type Shown = (
  row: AttemptMade,
  lesson: Lesson,
  responses: readonly Answered[],
) => readonly Answered[]

/** How attempts stand, by attempt. */
export async function standingOf(
  { database, pool }: Context,
  rows: readonly AttemptMade[],
  given: (row: AttemptMade) => Pick<AssignmentFacts, 'rules' | 'closesAt'>,
  { marks = 'given', shown }: { marks?: Marks; shown?: Shown } = {},
): Promise<Map<string, AttemptStanding>> {
  const ids = rows.map(({ id }) => id)
  const [covered, answers, late] = await Promise.all([
    readCovered(direct(pool), ids),
    answersByAttempt(pool, ids, marks),
    countAfterTelling(within(database), ids),
  ])
  const stood = await Promise.all(
    rows.map(async (row): Promise<[string, AttemptStanding]> => {
      const lesson = await editionDocument(row)
      const all = answers.get(row.id) ?? []
      const did = {
        ...(covered.get(row.id) ?? nothingCovered()),
        responses: shown ? shown(row, lesson, all) : all,
        afterTelling: late.get(row.id) ?? 0,
      }
      return [row.id, standingOfAttempt(row, lesson, did, given(row))]
    }),
  )
  return new Map(stood)
}

/** `said` is what each has said in the talk, by person. */
export async function readStanding(
  context: Context,
  { classId, assignmentId }: { classId: string; assignmentId: string },
  said: ReadonlyMap<string, TalkActivity>,
): Promise<{ assignment: Assignment; learners: Standing[] }> {
  const known = await readAssignments(within(context.database), classId)
  const row = known.find(({ id }) => id === assignmentId)
  if (!row) throw new HttpError('not-found')
  const [meant, rows] = await Promise.all([
    readMeant(within(context.database), assignmentId),
    attemptsMade({ assignmentId }),
  ])
  const stood = await standingOf(context, rows, () => row)
  const byPerson = new Map<string, AttemptStanding[]>(meant.map(({ personId }) => [personId, []]))
  for (const { id, personId } of rows) byPerson.get(personId)?.push(stood.get(id)!)
  const learners = meant.map((one) => ({
    ...one,
    attempts: byPerson.get(one.personId)!,
    posts: postsIn(said.get(one.personId) ?? NO_ACTIVITY),
  }))
  return { assignment: await toAssignment(row), learners }
}

/**
 * What a learner's classes were given, with how far each attempt is. `countReplies` counts what was replied to them and they
 * have not read, by assignment.
 */
export async function listWork(
  context: Context,
  person: Person,
  countReplies: (assignmentIds: readonly string[]) => Promise<ReadonlyMap<string, number>>,
): Promise<{ classes: MyClass[] }> {
  const rows = await readWork(within(context.database), person.id)
  const given = rows.filter((row): row is typeof row & AssignmentFacts => row.id !== null)
  const byId = new Map(given.map((row) => [row.id, row]))
  const attempts = await attemptsMade({ personId: person.id, assignmentId: [...byId.keys()] })
  const ask = within(context.database)
  const givenAs = (attempt: AttemptMade) => byId.get(attempt.assignmentId!)!
  const finished = await finishedByAttempt(
    ask,
    attempts.map(({ id }) => id),
  )
  const stood = await standingOf(context, attempts, givenAs, {
    marks: 'told',
    shown: (attempt, lesson, responses) => {
      const finishedParts = finished.get(attempt.id) ?? []
      return asToldTo(lesson, underOf(givenAs(attempt)), { responses, finishedParts })
    },
  })
  const told = await assignmentsTold(ask, person.id)
  const talked = given.filter(({ rules }) => rules.talk).map(({ id }) => id)
  const replies = await countReplies(talked)
  const classes = new Map<string, MyClass>()
  for (const { classId, classTitle } of rows)
    classes.set(classId, { id: classId, title: classTitle, assignments: [] })
  for (const row of given) {
    const mine = attempts.filter(({ assignmentId }) => assignmentId === row.id)
    const tells = tellsAt(row.rules, timesOf(row), new Date())
    classes.get(row.classId)!.assignments.push({
      id: row.id,
      ...(await describeLesson(row)),
      ...timesOf(row),
      mostAttempts: row.mostAttempts,
      rules: row.rules,
      tells,
      wasTold: holdsBack(underOf(row)) && told.has(row.id),
      newReplies: replies.get(row.id) ?? 0,
      attempts: mine.map(({ id }) => {
        const own = toMine(stood.get(id)!)
        // What came of the answers is told later, and so is the sum of it.
        const isComplete = own.isComplete && row.rules.completion.by !== 'score'
        return tells ? own : { ...own, points: 0, marked: 0, isComplete }
      }),
    })
  }
  return { classes: [...classes.values()] }
}

/**
 * The learner's attempt with this number; begun on the newest edition where it is the next one and one is left. Nobody
 * begins before an assignment opens or after it has closed; what was begun can be looked at for ever.
 */
export async function beginAssignment(
  { database }: Context,
  person: Person,
  assignmentId: string,
  number: number,
  now = new Date(),
): Promise<string> {
  return database.transaction(async (transaction: Transaction) => {
    const ask = within(database, transaction)
    const assignment = await readAssignment(ask, assignmentId)
    if (!assignment) throw new HttpError('not-found')
    // Two devices begin one after the other.
    await holdBeginning(ask, assignmentId, person.id)
    const where = { assignmentId, personId: person.id }
    const mine = await AttemptRow.findAll({ where, order: [['number', 'ASC']], transaction })
    const known = mine.find((one) => one.number === number)
    if (known) return known.id
    const phase = phaseAt(timesOf(assignment), now)
    if (phase === 'early') throw new HttpError('not-open', { reason: 'notOpenYet' })
    if (phase === 'closed') throw new HttpError('not-open', { reason: 'hasClosed' })
    const most = assignment.mostAttempts ?? Infinity
    if (number !== mine.length + 1 || number > most) throw new HttpError('no-attempts-left')
    const told = await assignmentsTold(ask, person.id)
    if (holdsBack(underOf(assignment)) && told.has(assignmentId))
      throw new HttpError('not-open', { reason: 'rightIsTold' })
    const { lessonId, newest: edition } = assignment
    const id = nanoid()
    await AttemptRow.create({ ...where, id, lessonId, edition, number }, { transaction })
    return id
  })
}

/** A learner says that the work is done, while there is time for it; the first word holds. */
export async function confirmAttempt(
  { database }: Context,
  attemptId: string,
  now = new Date(),
): Promise<{ at: string }> {
  const facts = await attemptFacts(attemptId)
  const assignment = facts && (await readAssignmentOf(database, facts))
  if (assignment && !isInTime(now.getTime(), assignment.closesAt))
    throw new HttpError('not-open', { reason: 'hasClosed' })
  const at = await storeConfirmed(within(database), attemptId, now)
  if (!at) throw new HttpError('not-found')
  return { at: at.toISOString() }
}
