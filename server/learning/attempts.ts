// Opening a lesson by its link, and what a learner needs to go on.
import { readClassHead } from './queries/classHead.ts'
import { nanoid } from 'nanoid'
import {
  creditsFor,
  type Attempt,
  type AttemptCard,
  type LinkReply,
  type Person,
  type RecordsReply,
} from '@fernbrake/core/contract'
import { heldBackUntil, stageOf, underRules } from '@fernbrake/core/classes'
import { NOTHING_JUDGED, type Judged } from '@fernbrake/core/routes'
import { attemptOutcome } from '@fernbrake/core/analysis'
import {
  mediaIdsOf,
  objectivesOf,
  posterOf,
  withoutNotes,
  type Lesson,
} from '@fernbrake/core/lesson'
import { within } from '../database/connect.ts'
import {
  AttemptRow,
  LessonRow,
  MediaRow,
  type MediaFileRow,
  PersonRow,
} from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { toPerson } from '../http/session.ts'
import { readAssignmentOf, timesOf, type AssignmentFacts } from './queries/assignments.ts'
import { attemptFacts, type AttemptFacts } from './queries/attemptFacts.ts'
import { readChosen } from './queries/choices.ts'
import { readCovered } from './queries/covered.ts'
import { readFinished, readReleased } from './queries/finishedParts.ts'
import { handedByAttempt, toTaken } from './queries/handedFiles.ts'
import { noteOpening } from './queries/openings.ts'
import { readOwnNotes } from './queries/ownNotes.ts'
import { readSeen } from './queries/seenThings.ts'
import { editionDocument, newestNumber } from '../lessons/queries/editions.ts'
import { responsesByAttempt } from './queries/responses.ts'
import type { Context } from '../context.ts'
import { findFile } from '../media/media.ts'
import { admit } from '../lessons/sharing.ts'
import { talkOf } from './sayings.ts'
import { holdingOf, judgedBy, lessonFor, responseFor, underOf } from './telling.ts'

async function findLink(
  context: Context,
  code: string,
  person: Person | null,
): Promise<{ lessonId: string; newest: number }> {
  const lesson = await LessonRow.findOne({
    where: { linkCode: code },
    attributes: ['id', 'seenBy'],
  })
  if (lesson) await admit(context, lesson, person)
  const newest = lesson && (await newestNumber(lesson.id))
  if (!newest) throw new HttpError('not-found')
  return { lessonId: lesson.id, newest }
}

/** What a link leads to, before anything is opened. */
export async function describeLink(
  context: Context,
  code: string,
  person: Person | null,
): Promise<LinkReply> {
  const { lessonId, newest } = await findLink(context, code, person)
  const attempt =
    person &&
    (await AttemptRow.findOne({ where: { lessonId, personId: person.id, assignmentId: null } }))
  const lesson = await editionDocument({ lessonId, edition: newest })
  const { title, summary, language, level = '', licence = '', cover, theme } = lesson
  return {
    title,
    summary,
    language,
    level,
    licence,
    theme: theme ?? null,
    objectives: objectivesOf(lesson),
    cover: cover ? { wash: cover.wash, strength: cover.strength, letters: cover.letters } : null,
    person,
    attemptId: attempt?.id ?? null,
  }
}

/** The picture that the lesson behind a link opens on. */
export async function linkCover(
  context: Context,
  code: string,
  person: Person | null,
): Promise<MediaFileRow> {
  const { lessonId, newest } = await findLink(context, code, person)
  const { cover } = await editionDocument({ lessonId, edition: newest })
  if (!cover) throw new HttpError('not-found')
  return findFile(cover.mediaId, 'poster')
}

/** The person's attempt at the lesson behind a link; a first one is begun on the newest edition. */
export async function openLink(context: Context, code: string, person: Person): Promise<string> {
  const { lessonId, newest } = await findLink(context, code, person)
  const [attempt] = await AttemptRow.findOrCreate({
    where: { lessonId, personId: person.id, assignmentId: null },
    defaults: { id: nanoid(), lessonId, edition: newest, personId: person.id },
  })
  return attempt.id
}

/**
 * All that a learner's page needs; what never changes is known by now, so the rest is asked for at once. Where nothing may
 * be told that was held back until now, it throws `WouldTellMore`: the device may still have answers to send first.
 */
export async function readAttempt(
  context: Context,
  attemptId: string,
  mayTellMore = true,
): Promise<Attempt> {
  const { database, pool } = context
  const facts = await attemptFacts(attemptId)
  if (!facts) throw new HttpError('not-found')
  const { lessonId } = facts
  const edition = await editionDocument(facts)
  const assignment = await readAssignmentOf(database, facts)
  const times = assignment && timesOf(assignment)
  const tellsFrom = assignment && heldBackUntil(assignment.rules, times!, new Date())
  const whole = assignment ? underRules(edition, assignment.rules, tellsFrom === null) : edition
  // Whoever opens it does not wait for that, and sees it whatever comes of it.
  noteOpening(within(database), attemptId).catch((error: unknown) =>
    context.log.warn({ err: error, attemptId }, 'an opening was not noted'),
  )
  const [row, newest, person, responses, done, ownNotes, media, handed, talk] = await Promise.all([
    AttemptRow.findByPk(attemptId),
    newestNumber(lessonId),
    PersonRow.findByPk(facts.personId),
    responsesByAttempt(pool, [attemptId], tellsFrom === null ? 'told' : 'none'),
    readDone(context, attemptId),
    readOwnNotes(within(database), attemptId),
    mediaRowsOf(whole),
    handedByAttempt([attemptId]),
    talkOf(within(database), facts, assignment),
  ])
  if (!row || !person) throw new HttpError('not-found')
  const given = responses.get(attemptId) ?? []
  const holding = holdingOf(facts, whole, underOf(assignment))
  const told = { finishedParts: done.finishedParts, responses: given }
  const lesson = await lessonFor(within(database), holding, whole, told, { mayTellMore })
  const { released } = row
  return {
    id: row.id,
    lessonId,
    edition: row.edition,
    newestEdition: newest ?? row.edition,
    person: toPerson(person),
    lesson: withoutNotes(lesson),
    talks: talk !== null,
    assignment: assignment && {
      classTitle: (await readClassHead(within(database), assignment.classId))?.title ?? '',
      topRate: assignment.rules.topRate,
      tells: tellsFrom === null,
      tellsFrom,
      dueAt: times!.dueAt,
      closesAt: times!.closesAt,
    },
    media: playableOf(media),
    credits: creditsFor(mediaIdsOf(lesson), media),
    handed: (handed.get(attemptId) ?? []).map(toTaken),
    progress: {
      partId: row.placePart,
      atMs: row.placeMs,
      released,
      ownNotes,
      ...done,
      responses: given.map((response) => responseFor(holding, told, response)),
      judged: judgedBy(holding, whole, { ...done, released, responses: given }),
    },
  }
}

/** How far a learner has come, besides their answers and their place. */
async function readDone({ database }: Context, attemptId: string) {
  const ask = within(database)
  const [covered, chosen, finishedParts, seen] = await Promise.all([
    readCovered(ask, [attemptId]),
    readChosen(ask, attemptId),
    readFinished(ask, attemptId),
    readSeen(ask, [attemptId]),
  ])
  return {
    chosen,
    finishedParts,
    seen: seen.get(attemptId) ?? {},
    covered: covered.get(attemptId)?.spans ?? {},
  }
}

/** An attempt with its edition, and the assignment that it was begun for. */
interface Learned {
  facts: AttemptFacts
  lesson: Lesson
  assignment: AssignmentFacts | null
}

/**
 * What may be told after `touched` questions were answered or handed in, and what is open at a `place` that is asked about;
 * null where the device knows all of it.
 */
export async function tellMore(
  context: Context,
  { facts, lesson: edition, assignment }: Learned,
  { touched, places = [] }: { touched: ReadonlySet<string>; places?: readonly string[] },
): Promise<NonNullable<RecordsReply['told']> | null> {
  const { database, pool } = context
  const holding = holdingOf(facts, edition, underOf(assignment), { isSending: true })
  if (!holding) return null
  const marks = stageOf(underOf(assignment), new Date()) === 'silent' ? 'none' : 'told'
  const [responses, done, released] = await Promise.all([
    responsesByAttempt(pool, [facts.id], marks),
    readDone(context, facts.id),
    readReleased(within(database), facts.id),
  ])
  const given = responses.get(facts.id) ?? []
  const told = { finishedParts: done.finishedParts, responses: given }
  const only = { only: touched }
  const lesson = await lessonFor(within(database), holding, edition, told, only)
  return {
    questions: Object.values(lesson.questions).filter(({ id }) => touched.has(id)),
    responses: given
      .filter(({ questionId }) => touched.has(questionId))
      .map((response) => responseFor(holding, told, response)),
    judged: judgedBy(holding, edition, { ...done, released, responses: given }, places),
  }
}

/** Which ways are open at a place, for a device that cannot know. */
export async function readWaysAt(
  context: Context,
  attemptId: string,
  placeId: string,
): Promise<Judged> {
  const facts = await attemptFacts(attemptId)
  if (!facts) throw new HttpError('not-found')
  const lesson = await editionDocument(facts)
  const isPlace =
    Object.hasOwn(lesson.parts, placeId) ||
    (Object.hasOwn(lesson.cues, placeId) && lesson.cues[placeId]!.kind === 'fork')
  if (!isPlace) throw new HttpError('not-found')
  const assignment = await readAssignmentOf(context.database, facts)
  const learned = { facts, lesson, assignment }
  const told = await tellMore(context, learned, { touched: new Set(), places: [placeId] })
  return told?.judged ?? NOTHING_JUDGED
}

const mediaRowsOf = (lesson: Lesson): Promise<MediaRow[]> =>
  MediaRow.findAll({ where: { id: mediaIdsOf(lesson) } })

const playableOf = (rows: readonly MediaRow[]): Attempt['media'] =>
  rows
    .filter(({ kind, state }) => kind === 'film' && state === 'ready')
    .map(({ id, durationMs, width, height, hasSound, hosted }) => ({
      id,
      player: hosted?.player ?? null,
      durationMs: durationMs!,
      width: width!,
      height: height!,
      hasSound: hasSound ?? false,
    }))

/** The lessons that a person has opened, newest first. */
export async function listAttempts(
  { database, pool }: Context,
  person: Person,
): Promise<AttemptCard[]> {
  const rows = await AttemptRow.findAll({
    where: { personId: person.id, assignmentId: null },
    order: [['lastSeenAt', 'DESC']],
    limit: 200,
  })
  const ids = rows.map((row) => row.id)
  const [covered, answers] = await Promise.all([
    readCovered(within(database), ids),
    responsesByAttempt(pool, ids, 'told'),
  ])
  return Promise.all(
    rows.map(async (row) => {
      const lesson = await editionDocument(row)
      const responses = answers.get(row.id) ?? []
      const spans = covered.get(row.id)?.spans ?? {}
      const outcome = attemptOutcome(lesson, { attemptId: row.id, spans, responses })
      return {
        id: row.id,
        title: lesson.title,
        edition: row.edition,
        watched: outcome.watched,
        answered: outcome.answered,
        questions: outcome.questions,
        finished: row.finishedAt !== null,
        lastSeenAt: row.lastSeenAt.toISOString(),
        posterMediaId: posterOf(lesson),
      }
    }),
  )
}
