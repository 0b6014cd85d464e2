// Drafts: beginning a lesson, taking edits in, telling the log. The patch log and the draft move in one transaction.
import { Op, UniqueConstraintError, type Transaction } from 'sequelize'
import type { DraftReply, EditsReply, Person } from '@fernbrake/core/contract'
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
import { DraftPatchRow, EditionRow, LessonRoleRow, LessonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { noteMediaUses } from '../queries/mediaAccess.ts'
import type { Context } from './context.ts'
import { toEditionSummary } from './editions.ts'
import { noteSnapshot } from './history.ts'

/** Begins a lesson under the id that the client made; the same call again answers with the lesson as it is. */
export async function createLesson(
  { database }: Context,
  person: Person,
  input: { id: string; title: string; language: string },
): Promise<DraftReply> {
  try {
    await database.transaction(async (transaction) => {
      const draft = emptyLesson(input.title, input.language)
      const row = await LessonRow.create({ id: input.id, draft, revision: 0 }, { transaction })
      await noteSnapshot(database, row, transaction)
      await LessonRoleRow.create(
        { lessonId: input.id, personId: person.id, role: 'owner' },
        { transaction },
      )
    })
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    const mine = await LessonRoleRow.count({ where: { lessonId: input.id, personId: person.id } })
    if (mine === 0) throw new HttpError('already-exists', { cause: error })
  }
  return readDraft(person, input.id)
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
  return { revision: row.revision, entries: await entriesAfter(lessonId, since) }
}

async function entriesAfter(
  lessonId: string,
  since: number,
  transaction?: Transaction,
): Promise<LoggedEdit[]> {
  const rows = await DraftPatchRow.findAll({
    where: { lessonId, revision: { [Op.gt]: since } },
    order: [['revision', 'ASC']],
    ...(transaction ? { transaction } : {}),
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
 * over, so a repeat is harmless. Answers with the log after the sender's revision.
 */
export async function takeEdits(
  context: Context,
  person: Person,
  lessonId: string,
  input: { revision: number; edits: PendingEdit[] },
): Promise<EditsReply> {
  const { database } = context
  const taken = await database.transaction(async (transaction) => {
    const row = await LessonRow.findByPk(lessonId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row) throw new HttpError('not-found')
    const fresh = await withoutKnown(lessonId, input.edits, transaction)
    const entries = await storeEdits(context, person, row, fresh, transaction)
    const missed = await entriesAfter(lessonId, input.revision, transaction)
    return { entries, reply: { revision: row.revision, entries: missed } }
  })
  if (taken.entries.length > 0) context.announce.draftEdited(lessonId, taken.entries)
  return taken.reply
}

async function withoutKnown(
  lessonId: string,
  edits: PendingEdit[],
  transaction: Transaction,
): Promise<PendingEdit[]> {
  const known = await DraftPatchRow.findAll({
    where: { lessonId, editId: edits.map((edit) => edit.id) },
    attributes: ['editId'],
    transaction,
  })
  const seen = new Set(known.map((row) => row.editId))
  // An id twice in one batch is one edit too.
  return edits.filter((edit) => !seen.has(edit.id) && seen.add(edit.id))
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
