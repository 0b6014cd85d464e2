// Drafts: beginning a lesson, taking edits in, telling the log. The patch log and the draft move in one transaction.
import { Op, UniqueConstraintError, type Transaction } from 'sequelize'
import {
  MOST_LOGGED,
  type DraftReply,
  type EditsReply,
  type Person,
} from '@fernbrake/core/contract'
import type { Issue } from '@fernbrake/core/fields'
import {
  applyPatches,
  checkLesson,
  differsInNotesOnly,
  emptyLesson,
  mediaIdsOf,
  type Lesson,
  type LoggedEdit,
  type PendingEdit,
} from '@fernbrake/core/lesson'
import type { Database } from '../database/connect.ts'
import { DraftPatchRow, EditionRow, LessonRoleRow, LessonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { hasLessonRole, ROLES_FROM } from './roles.ts'
import { noteMediaUses, shareMediaUses } from '../media/queries/mediaAccess.ts'
import type { Context } from '../context.ts'
import { toEditionSummary } from './editions.ts'
import { noteSnapshot } from './history.ts'

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
  const row = await LessonRow.create({ id, draft, revision: 0 }, { transaction })
  await noteSnapshot(database, row, transaction)
  const owner = { lessonId: id, personId: person.id, role: 'owner' as const }
  await LessonRoleRow.create(owner, { transaction })
  const mediaIds = mediaIdsOf(draft)
  if (copyOf !== null)
    await shareMediaUses(database, { from: copyOf, to: id, mediaIds }, transaction)
  const use = { lessonId: id, personId: person.id, mediaIds }
  const forbidden = await noteMediaUses(database, use, transaction)
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
export async function readEdits(lessonId: string, since: number): Promise<EditsReply> {
  const row = await LessonRow.findByPk(lessonId, { attributes: ['revision'] })
  if (!row) throw new HttpError('not-found')
  return { revision: row.revision, entries: await entriesAfter(lessonId, since), known: [] }
}

async function entriesAfter(lessonId: string, since: number): Promise<LoggedEdit[]> {
  const rows = await DraftPatchRow.findAll({
    where: { lessonId, revision: { [Op.gt]: since } },
    order: [['revision', 'ASC']],
    limit: MOST_LOGGED,
  })
  return rows.map(({ revision, editId, name, patches }) => ({
    revision,
    id: editId,
    name,
    patches,
  }))
}

/**
 * Takes edits in, all or none, on top of whatever the lesson is by now. An edit that is in the log already is passed
 * over, so a repeat is harmless. Answers with the log after the sender's revision, as far as it is told at once.
 */
export async function acceptEdits(
  context: Context,
  person: Person,
  lessonId: string,
  input: { revision: number; edits: PendingEdit[] },
): Promise<EditsReply> {
  const { database } = context
  const taken = await database.transaction(async (transaction) => {
    const row = await LessonRow.findByPk(lessonId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) throw new HttpError('not-found')
    const { fresh, known } = await withoutKnown(lessonId, input.edits, transaction)
    const entries = await storeEdits(context, person, row, fresh, transaction)
    return { entries, known, revision: row.revision }
  })
  if (taken.entries.length > 0) context.announce.draftEdited(lessonId, taken.entries)
  // Read once nobody waits for it: whoever was away for long has much to catch up with.
  const { known, revision } = taken
  return { revision, entries: await entriesAfter(lessonId, input.revision), known }
}

async function withoutKnown(
  lessonId: string,
  edits: PendingEdit[],
  transaction: Transaction,
): Promise<{ fresh: PendingEdit[]; known: string[] }> {
  const known = await DraftPatchRow.findAll({
    where: { lessonId, editId: edits.map((edit) => edit.id) },
    attributes: ['editId'],
    transaction,
  })
  const seen = new Set(known.map((row) => row.editId))
  // An id twice in one batch is one edit too.
  const fresh = edits.filter((edit) => !seen.has(edit.id) && seen.add(edit.id))
  return { fresh, known: known.map((row) => row.editId) }
}

async function storeEdits(
  { database }: Context,
  person: Person,
  row: LessonRow,
  edits: PendingEdit[],
  transaction: Transaction,
): Promise<LoggedEdit[]> {
  if (edits.length === 0) return []
  await noteSnapshot(database, row, transaction)
  let lesson = row.draft
  for (const edit of edits) lesson = applyOrRefuse(lesson, edit)
  const mediaIds = mediaIdsOf(lesson)
  const forbidden = await noteMediaUses(
    database,
    { lessonId: row.id, personId: person.id, mediaIds },
    transaction,
  )
  if (forbidden.length > 0) throw refused(edits[0]!.id, [unknownMedia(forbidden[0]!)])
  await allowChange(row, person, lesson, edits[0]!.id, transaction)
  const entries = edits.map((edit, index) => ({ ...edit, revision: row.revision + index + 1 }))
  await DraftPatchRow.bulkCreate(
    entries.map(({ revision, id, name, patches }) => ({
      lessonId: row.id,
      revision,
      editId: id,
      name,
      patches,
      personId: person.id,
    })),
    { transaction },
  )
  await row.update(
    { draft: lesson, revision: row.revision + edits.length, updatedAt: new Date() },
    { transaction },
  )
  return entries
}

/** Commenters leave notes; whatever else they send is refused whole. */
async function allowChange(
  { id: lessonId, draft }: LessonRow,
  { id: personId }: Person,
  after: Lesson,
  editId: string,
  transaction: Transaction,
): Promise<void> {
  const role = await LessonRoleRow.findOne({ where: { lessonId, personId }, transaction })
  if (role?.role === 'commenter' && !differsInNotesOnly(draft, after))
    throw refused(editId, [NOTES_ONLY])
}

const NOTES_ONLY: Issue = {
  path: [],
  code: 'role.notesOnly',
  message: 'goes beyond notes, which are all that commenters may leave',
}

function applyOrRefuse(lesson: Lesson, edit: PendingEdit): Lesson {
  const applied = applyPatches(lesson, edit.patches)
  if (!applied.ok) throw refused(edit.id, applied.issues)
  const checked = checkLesson(applied.value)
  if (!checked.ok) throw refused(edit.id, checked.issues)
  return checked.value
}

const refused = (editId: string, issues: Issue[]) =>
  new HttpError('edit-refused', { editId, issues })

const unknownMedia = (mediaId: string): Issue => ({
  path: ['mediaId', mediaId],
  code: 'media.unknown',
  message: 'is not a film of yours',
})
