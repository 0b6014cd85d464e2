// Drafts of lessons: beginning one, opening it, and what any document can do that several edit.
import { UniqueConstraintError, type Transaction } from 'sequelize'
import { ROLES_FROM, type DraftReply, type EditsReply, type Person } from '@fernbrake/core/contract'
import {
  checkLesson,
  emptyLesson,
  mediaIdsOf,
  type Lesson,
  type PendingEdit,
} from '@fernbrake/core/lesson'
import type { Database } from '../database/connect.ts'
import { EditionRow, LessonRoleRow, LessonRow } from '../database/models.ts'
import { acceptEdits as acceptEditsOf, readEdits as readEditsOf } from '../drafts/edits.ts'
import {
  recordSnapshot,
  readHistory as readHistoryOf,
  readStateAt as readStateOf,
} from '../drafts/history.ts'
import { HttpError } from '../http/HttpError.ts'
import { hasLessonRole } from './roles.ts'
import { recordMediaUses, shareMediaUses } from '../media/queries/mediaAccess.ts'
import type { Context } from '../context.ts'
import { toEditionSummary } from './editions.ts'
import { lessonDraft, unknownMedia } from './lessonDraft.ts'

/** What a lesson begins with; nothing but a title where it is left out. */
type Beginning = { document: Lesson } | { copyOf: string }

/** Begins a lesson under the id that the client made; the same call again answers with the lesson as it is. */
export async function createLesson(
  context: Context,
  person: Person,
  input: { id: string; title: string; language: string; from?: Beginning | undefined },
): Promise<DraftReply> {
  const draft = await beginning(person, input)
  const copyOf = input.from && 'copyOf' in input.from ? input.from.copyOf : null
  const isMine = await putLesson(context, person, { id: input.id, draft, copyOf })
  if (!isMine) throw new HttpError('already-exists')
  return readDraft(person, input.id)
}

async function beginning(
  person: Person,
  { title, language, from }: { title: string; language: string; from?: Beginning | undefined },
): Promise<Lesson> {
  if (!from) return emptyLesson(title, language)
  if ('document' in from) {
    const checked = checkLesson({ ...from.document, title })
    if (!checked.ok) throw new HttpError('invalid-input', { issues: checked.issues })
    return checked.value
  }
  if (!(await hasLessonRole(person, from.copyOf, ROLES_FROM.viewer)))
    throw new HttpError('not-found')
  const source = await LessonRow.findByPk(from.copyOf, { attributes: ['draft'] })
  return { ...source!.draft, title }
}

interface NewLesson {
  id: string
  draft: Lesson
  copyOf: string | null
}

/**
 * Stores a new lesson with its owner. What a copy shows may be shown in it too, whoever it belongs to. Answers whether
 * the lesson of this id is the person's, now or from an earlier time.
 */
export async function putLesson(
  { database }: Context,
  person: Pick<Person, 'id'>,
  lesson: NewLesson,
): Promise<boolean> {
  try {
    await database.transaction((transaction) => storeLesson(database, person, lesson, transaction))
    return true
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    return (await LessonRoleRow.count({ where: { lessonId: lesson.id, personId: person.id } })) > 0
  }
}

/** The same as part of a transaction. Rejects where there is a lesson of this id. */
export async function storeLesson(
  database: Database,
  person: Pick<Person, 'id'>,
  { id, draft, copyOf }: NewLesson,
  transaction: Transaction,
): Promise<void> {
  await LessonRow.create({ id, draft, revision: 0 }, { transaction })
  await recordSnapshot(lessonDraft, database, id, { document: draft, revision: 0 }, transaction)
  const owner = { lessonId: id, personId: person.id, role: 'owner' as const }
  await LessonRoleRow.create(owner, { transaction })
  const mediaIds = mediaIdsOf(draft)
  if (copyOf !== null)
    await shareMediaUses(database, { from: copyOf, to: id, mediaIds }, transaction)
  const use = { lessonId: id, personId: person.id, mediaIds }
  const forbidden = await recordMediaUses(database, use, transaction)
  if (forbidden.length > 0)
    throw new HttpError('invalid-input', { issues: [unknownMedia(forbidden[0]!)] })
}

export async function readDraft(person: Person, lessonId: string): Promise<DraftReply> {
  const [row, role, editions] = await Promise.all([
    LessonRow.findByPk(lessonId),
    LessonRoleRow.findOne({ where: { lessonId, personId: person.id } }),
    EditionRow.findAll({
      where: { lessonId },
      attributes: { exclude: ['document'] },
      order: [['number', 'ASC']],
    }),
  ])
  if (!row || !role) throw new HttpError('not-found')
  return {
    id: row.id,
    lesson: row.draft,
    revision: row.revision,
    role: role.role,
    editions: editions.map(toEditionSummary),
    linkCode: row.linkCode,
    updatedAt: row.updatedAt.toISOString(),
  }
}

/** The patch log after a revision, in order. */
export const readEdits = ({ database }: Context, lessonId: string, since: number) =>
  readEditsOf(lessonDraft, database, lessonId, since)

/** Takes edits in: see `drafts/edits.ts`. Whoever has the lesson open hears of them. */
export const acceptEdits = (
  { database, announce }: Context,
  person: Person,
  lessonId: string,
  batch: { revision: number; edits: PendingEdit[] },
): Promise<EditsReply> =>
  acceptEditsOf(lessonDraft, database, lessonId, { person, ...batch }, (entries) =>
    announce.draftEdited(lessonId, entries),
  )

/** What was done to the draft before a revision, newest first. */
export const readHistory = ({ database }: Context, lessonId: string, before?: number) =>
  readHistoryOf(lessonDraft, database, lessonId, before)

/** The draft as it was at a revision. */
export const readStateAt = ({ database }: Context, lessonId: string, revision: number) =>
  readStateOf(lessonDraft, database, lessonId, revision)
