// The shelf: where a medium is used, and putting another in its place everywhere.
import { UniqueConstraintError } from 'sequelize'
import type { BodyOf, contract, Media, Person } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { MediaFileRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { holdLessonsWith, isShownAnywhere, usesOf, type MediaUse } from './queries/mediaUses.ts'
import type { Context } from '../context.ts'
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
      throw new HttpError('medium-in-use', { reason: 'stillPrepared' })
    if (await isShownAnywhere(ask, mediaId)) throw new HttpError('medium-in-use')
    const files = await MediaFileRow.findAll({ where: { mediaId }, transaction })
    await media.destroy({ transaction })
    return files
  })
  // The rows are gone for good; a file that stays for now is in nobody's way.
  await Promise.allSettled(files.map(({ storageKey }) => store.remove(storageKey)))
  return { bytes: files.reduce((sum, { bytes }) => sum + Number(bytes), 0) }
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
  const { ownerId, title, kind, description, alternative } = named
  const { credit, licence, source, sourceNote, tags } = named
  const words = { title, description, alternative, credit, licence, source, sourceNote, tags }
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
