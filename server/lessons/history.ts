// The history of a draft: what was done, by whom and when; and the draft as it was after any of it.
import { Op, type Transaction } from 'sequelize'
import { GREATEST_REVISION, type HistoryReply } from '@fernbrake/core/contract'
import { applyPatches, checkLesson, upgradeLesson, type Lesson } from '@fernbrake/core/lesson'
import { within, type Database } from '../database/connect.ts'
import { DraftPatchRow, LessonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import type { Context } from '../context.ts'
import {
  hasSnapshotAfter,
  oldestSnapshot,
  readEntries,
  snapshotUpTo,
  storeSnapshot,
} from './queries/history.ts'

/** As many entries are told at once. */
const PAGE = 200
/** Between two snapshots at most this many revisions have to be gone through. */
const SNAPSHOT_EVERY = 200

/** The newest entries before a revision, newest first, and the oldest state that can be gone back to. */
export async function readHistory(
  { database }: Context,
  lessonId: string,
  before = GREATEST_REVISION,
): Promise<HistoryReply> {
  const ask = within(database)
  const [entries, oldest] = await Promise.all([
    readEntries(ask, lessonId, before, PAGE + 1),
    oldestSnapshot(ask, lessonId),
  ])
  return {
    entries: entries
      .slice(0, PAGE)
      .map(({ revision, name, person_name, made_at }) => ({
        revision,
        name,
        personName: person_name,
        madeAt: made_at.toISOString(),
      })),
    more: entries.length > PAGE,
    oldest,
  }
}

/** The draft as it was at a revision. Throws `not-found` where it cannot be built any more, or never was. */
export async function readStateAt(
  { database }: Context,
  lessonId: string,
  revision: number,
): Promise<Lesson> {
  const row = await LessonRow.findByPk(lessonId)
  if (row?.revision === revision) return row.draft
  const snapshot = await snapshotUpTo(within(database), lessonId, revision)
  if (!snapshot || !row || revision > row.revision) throw new HttpError('not-found')
  const steps = await DraftPatchRow.findAll({
    where: { lessonId, revision: { [Op.gt]: snapshot.revision, [Op.lte]: revision } },
    order: [['revision', 'ASC']],
    attributes: ['patches'],
  })
  let lesson = upgradeLesson(snapshot.document) as Lesson
  for (const { patches } of steps) {
    const applied = applyPatches(lesson, patches)
    if (!applied.ok) throw new HttpError('not-found')
    lesson = applied.value
  }
  const checked = checkLesson(lesson)
  if (!checked.ok) throw new HttpError('not-found')
  return checked.value
}

/** Keeps the draft as it is at this revision, where the last one kept lies far enough back. */
export async function noteSnapshot(
  database: Database,
  { id, revision, draft }: Pick<LessonRow, 'id' | 'revision' | 'draft'>,
  transaction: Transaction,
): Promise<void> {
  const ask = within(database, transaction)
  // Asked first, so that a long draft is not sent along with every edit.
  if (await hasSnapshotAfter(ask, id, revision - SNAPSHOT_EVERY)) return
  await storeSnapshot(ask, id, revision, draft)
}
