// The shelf: where a medium is used, and putting another in its place everywhere.
import { nanoid } from 'nanoid'
import { UniqueConstraintError } from 'sequelize'
import type { BodyOf, contract, Media, Person } from '@fernbrake/core/contract'
import { edits, runEdit } from '@fernbrake/core/lesson'
import { within } from '../database/connect.ts'
import { LessonRow, MediaFileRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import {
  holdLessonsWith,
  isShownAnywhere,
  lessonsToReplaceIn,
  usesOf,
  type MediaUse,
} from '../queries/mediaUses.ts'
import type { Context } from './context.ts'
import { takeEdits } from './drafts.ts'
import { beginPreparing, describeMedia } from './media.ts'

/** The lessons of a person that show a medium, in their draft or in an edition. */
export async function readUses(
  { database }: Context,
  person: Person,
  mediaId: string,
): Promise<{ lessons: MediaUse[] }> {
  return { lessons: await usesOf(database, person.id, mediaId) }
}

/**
 * Puts another medium of the same person and kind in a medium's place, in the drafts of all lessons that the person
 * may edit, as an edit like any other: it stands in their history and can be undone there. Editions stay as they are.
 */
export async function replaceEverywhere(
  context: Context,
  person: Person,
  mediaId: string,
  by: string,
): Promise<{ lessons: string[]; left: string[] }> {
  const [old, next] = await Promise.all([
    MediaRow.findByPk(mediaId),
    MediaRow.findOne({ where: { id: by, ownerId: person.id } }),
  ])
  if (!old || !next) throw new HttpError('not-found')
  if (old.kind !== next.kind || next.state !== 'ready' || next.hosted)
    throw new HttpError('invalid-input', {
      issues: [
        {
          path: ['body', 'by'],
          code: 'kind',
          message: 'is not ready, or of another kind, or hosted',
        },
      ],
    })
  const film =
    next.kind === 'film'
      ? { durationMs: next.durationMs ?? null, frameRate: next.frameRate ?? null }
      : null
  const reply = { lessons: [] as string[], left: [] as string[] }
  for (const lessonId of await lessonsToReplaceIn(context.database, person.id, mediaId)) {
    const isDone = await replaceIn(context, person, lessonId, { from: mediaId, to: by, film })
    reply[isDone ? 'lessons' : 'left'].push(lessonId)
  }
  return reply
}

/**
 * Removes a medium that nothing shows, with its files; answers with how many bytes that made free. Earlier states of a
 * draft that showed it cannot be gone back to from then on.
 */
export async function removeMedia(
  { database, store }: Context,
  mediaId: string,
): Promise<{ bytes: number }> {
  const files = await database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    // In the order in which edits lock them: the lessons, then the medium.
    await holdLessonsWith(ask, mediaId)
    const media = await MediaRow.findByPk(mediaId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!media) throw new HttpError('not-found')
    if (media.state === 'preparing')
      throw new HttpError('medium-in-use', {
        detail: 'It is still being prepared. Wait until that is over, then remove it.',
      })
    if (await isShownAnywhere(ask, mediaId)) throw new HttpError('medium-in-use')
    const files = await MediaFileRow.findAll({ where: { mediaId }, transaction })
    await media.destroy({ transaction })
    return files
  })
  // The rows are gone for good; a file that stays for now is in nobody's way.
  await Promise.allSettled(files.map(({ storageKey }) => store.remove(storageKey)))
  return { bytes: files.reduce((sum, { bytes }) => sum + Number(bytes), 0) }
}

/** Answers false, and changes nothing, where the draft would not be a valid lesson or somebody was faster. */
async function replaceIn(
  context: Context,
  person: Person,
  lessonId: string,
  args: Parameters<typeof edits.replaceMedia.change>[1],
): Promise<boolean> {
  const row = await LessonRow.findByPk(lessonId)
  const outcome = row && runEdit(row.draft, edits.replaceMedia, args)
  if (!row || !outcome?.ok) return false
  const { name, patches } = outcome.made
  const edit = { id: nanoid(), name, patches }
  try {
    await takeEdits(context, person, lessonId, { revision: row.revision, edits: [edit] })
    return true
  } catch (error) {
    if (error instanceof HttpError) return false
    throw error
  }
}

/**
 * Makes a new picture of a part of one, with the same words; the first stays, and so do editions that show it. A cut
 * of a cut is made from the first picture, so nothing is lost by cutting again. The same call again changes nothing.
 */
export async function cutPicture(
  context: Context,
  person: Person,
  mediaId: string,
  { id, cut }: BodyOf<(typeof contract)['cutPicture']>,
): Promise<Media> {
  const known = await MediaRow.findByPk(id)
  if (known?.ownerId === person.id) return describeMedia(id, person.id)
  if (known) throw new HttpError('already-exists')
  const named = await MediaRow.findByPk(mediaId)
  const first = named?.cutFrom ? await MediaRow.findByPk(named.cutFrom) : named
  const file =
    first && (await MediaFileRow.findOne({ where: { mediaId: first.id, kind: 'original' } }))
  if (!named || !first || !file) throw new HttpError('not-found')
  if (first.kind !== 'picture')
    throw new HttpError('invalid-input', {
      issues: [{ path: ['params', 'mediaId'], code: 'kind', message: 'is no picture' }],
    })
  const storageKey = file.storageKey.replace(first.id, id)
  await context.store.copy(file.storageKey, storageKey)
  const { ownerId, title, kind, description, alternative, credit, licence, sourceNote, tags } =
    named
  const words = { title, description, alternative, credit, licence, sourceNote, tags }
  const made = { id, ownerId, kind, ...words, bytes: first.bytes, cut, cutFrom: first.id }
  const begun = beginPreparing(
    context,
    { ...made, state: 'preparing' },
    { storageKey, contentType: file.contentType },
  )
  // The same wish, sent twice at once: the other one is preparing it.
  await begun.catch((error: unknown) => {
    if (!(error instanceof UniqueConstraintError)) throw error
  })
  return describeMedia(id, person.id)
}
