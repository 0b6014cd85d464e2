// Opening a lesson by its link, and what a learner needs to go on.
import { nanoid } from 'nanoid'
import type { Attempt, AttemptCard, LinkReply, Person } from '@fernbrake/core/contract'
import { heldBackUntil, underRules } from '@fernbrake/core/classes'
import { attemptOutcome } from '@fernbrake/core/analysis'
import {
  mediaIdsOf,
  objectivesOf,
  posterOf,
  withoutNotes,
  type Lesson,
} from '@fernbrake/core/lesson'
import { direct, within } from '../database/connect.ts'
import {
  AttemptRow,
  LessonRow,
  MediaRow,
  type MediaFileRow,
  PersonRow,
} from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { toPerson } from '../http/session.ts'
import { readClassHead } from '../queries/classes.ts'
import { readAssignmentOf } from '../queries/assignments.ts'
import { attemptFacts } from '../queries/attemptFacts.ts'
import { readChosen } from '../queries/choices.ts'
import { readCovered } from '../queries/covered.ts'
import { readFinished } from '../queries/finishedParts.ts'
import { handedByAttempt, toTaken } from '../queries/handedFiles.ts'
import { readOwnNotes } from '../queries/ownNotes.ts'
import { readSeen } from '../queries/seenThings.ts'
import { editionDocument, newestNumber } from '../queries/editions.ts'
import { responsesByAttempt, type Response } from '../queries/responses.ts'
import type { Context } from './context.ts'
import { timesOf } from './assignments.ts'
import { findFile } from './media.ts'
import { admit } from './sharing.ts'
import { talksNow } from './talk.ts'

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
    ...{ title, summary, language, level, licence, theme: theme ?? null },
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

/** All that a learner's page needs; what never changes is known by now, so the rest is asked for at once. */
export async function readAttempt(
  { database, pool }: Context,
  attemptId: string,
): Promise<Attempt> {
  const facts = await attemptFacts(attemptId)
  if (!facts) throw new HttpError('not-found')
  const { lessonId } = facts
  const edition = await editionDocument(facts)
  const assignment = await readAssignmentOf(database, facts)
  const times = assignment && timesOf(assignment)
  const tellsFrom = assignment && heldBackUntil(assignment.rules, times!, new Date())
  const lesson = assignment ? underRules(edition, assignment.rules, tellsFrom === null) : edition
  const [
    row,
    newest,
    person,
    responses,
    covered,
    chosen,
    finishedParts,
    seen,
    ownNotes,
    media,
    handed,
  ] = await Promise.all([
    AttemptRow.findByPk(attemptId),
    newestNumber(lessonId),
    PersonRow.findByPk(facts.personId),
    responsesByAttempt(direct(pool), [attemptId], tellsFrom === null ? 'told' : 'none'),
    readCovered(within(database), [attemptId]),
    readChosen(within(database), attemptId),
    readFinished(within(database), attemptId),
    readSeen(within(database), [attemptId]),
    readOwnNotes(within(database), attemptId),
    playableMedia(lesson),
    handedByAttempt([attemptId]),
  ])
  if (!row || !person) throw new HttpError('not-found')
  return {
    id: row.id,
    lessonId,
    edition: row.edition,
    newestEdition: newest ?? row.edition,
    person: toPerson(person),
    lesson: withoutNotes(lesson),
    assignment: assignment && {
      classTitle: (await readClassHead(within(database), assignment.classId))?.title ?? '',
      topRate: assignment.rules.topRate,
      talks: await talksNow(assignment, facts.personId),
      ...{ tells: tellsFrom === null, tellsFrom },
      ...{ dueAt: times!.dueAt, closesAt: times!.closesAt },
    },
    media,
    handed: (handed.get(attemptId) ?? []).map(toTaken),
    progress: {
      partId: row.placePart,
      atMs: row.placeMs,
      released: row.released,
      finishedParts,
      chosen,
      ownNotes,
      seen: seen.get(attemptId) ?? {},
      covered: covered.get(attemptId)?.spans ?? {},
      responses: (responses.get(attemptId) ?? []).map(toPast),
    },
  }
}

function toPast({ cueId, questionId, tryNumber, answer, verdict, points, mark }: Response) {
  const marked = mark && { points: mark.points, levels: mark.levels, comment: mark.comment }
  return { cueId, questionId, tryNumber, answer, verdict, points, ...(marked ? { marked } : {}) }
}

async function playableMedia(lesson: Lesson): Promise<Attempt['media']> {
  const rows = await MediaRow.findAll({
    where: { id: mediaIdsOf(lesson), state: 'ready', kind: 'film' },
  })
  return rows.map(({ id, durationMs, width, height, hasSound, hosted }) => ({
    id,
    player: hosted?.player ?? null,
    durationMs: durationMs!,
    width: width!,
    height: height!,
    hasSound: hasSound ?? false,
  }))
}

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
    responsesByAttempt(direct(pool), ids, 'told'),
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
