// The draft of a lesson, as one type of the documents that several edit.
import type { Transaction } from 'sequelize'
import type { Issue } from '@fernbrake/core/fields'
import {
  checkLesson,
  differsInNotesOnly,
  mediaIdsOf,
  upgradeLesson,
  type Lesson,
} from '@fernbrake/core/lesson'
import { LessonRoleRow, LessonRow } from '../database/models.ts'
import { refused } from '../drafts/edits.ts'
import type { DraftChange, DraftKind } from '../drafts/kind.ts'
import { recordMediaUses } from '../media/queries/mediaAccess.ts'

export const lessonDraft: DraftKind<Lesson> = {
  tables: { patches: 'draft_patches', snapshots: 'draft_snapshots', key: 'lesson_id' },
  check: checkLesson,
  upgrade: upgradeLesson,
  async read(id, transaction) {
    const held = transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}
    const row = await LessonRow.findByPk(id, { attributes: ['draft', 'revision'], ...held })
    return row && { document: row.draft, revision: row.revision }
  },
  async revision(id) {
    const row = await LessonRow.findByPk(id, { attributes: ['revision'] })
    return row && row.revision
  },
  async write(id, { document: draft, revision }, transaction) {
    const change = { draft, revision, updatedAt: new Date() }
    await LessonRow.update(change, { where: { id }, transaction })
  },
  async allow(database, change, transaction) {
    const { id: lessonId, person, after, editId } = change
    const use = { lessonId, personId: person.id, mediaIds: mediaIdsOf(after) }
    const forbidden = await recordMediaUses(database, use, transaction)
    if (forbidden.length > 0) throw refused(editId, [unknownMedia(forbidden[0]!)])
    await allowForRole(change, transaction)
  },
}

/** Commenters leave notes; whatever else they send is refused whole. */
async function allowForRole(
  { id: lessonId, person, before, after, editId }: DraftChange<Lesson>,
  transaction: Transaction,
): Promise<void> {
  const where = { lessonId, personId: person.id }
  const role = await LessonRoleRow.findOne({ where, transaction })
  if (role?.role === 'commenter' && !differsInNotesOnly(before, after))
    throw refused(editId, [NOTES_ONLY])
}

const NOTES_ONLY: Issue = {
  path: [],
  code: 'role.notesOnly',
  message: 'goes beyond notes, which are all that commenters may leave',
}

/** What is said of a medium that this person may not show. */
export const unknownMedia = (mediaId: string): Issue => ({
  path: ['mediaId', mediaId],
  code: 'media.unknown',
  message: 'is not a film of yours',
})
