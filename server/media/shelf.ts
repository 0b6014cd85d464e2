// The shelf: where a medium is used, and putting another in its place everywhere.
import { UniqueConstraintError, type CreationAttributes } from 'sequelize'
import type { BodyOf, contract, Media, Person } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { MediaFileRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { holdLessonsWith, isShownAnywhere, usesOf, type MediaUse } from './queries/mediaUses.ts'
import type { Context } from '../context.ts'
import { beginPreparing, describeMedia, prepareAgain, roomFor } from './media.ts'
import { whyNoRoom } from './room.ts'

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
  await beginFrom(context, { named, first, file }, { id, cut, cutFrom: first.id })
  return describeMedia(id, person.id)
}

/** Begins to prepare a medium that is made from the file of another, with the words of the one that was named. */
async function beginFrom(
  context: Context,
  { named, first, file }: Record<'named' | 'first', MediaRow> & { file: MediaFileRow },
  { id, ...own }: Pick<CreationAttributes<MediaRow>, 'id'> & Partial<CreationAttributes<MediaRow>>,
): Promise<void> {
  const storageKey = file.storageKey.replace(first.id, id)
  await context.store.copy(file.storageKey, storageKey)
  const { ownerId, title, kind, description, alternative } = named
  const { credit, licence, source, sourceNote, tags } = named
  const words = { title, description, alternative, credit, licence, source, sourceNote, tags }
  const made = { id, ownerId, kind, ...words, bytes: first.bytes, ...own }
  const begun = beginPreparing(
    context,
    { ...made, state: 'preparing' },
    { storageKey, contentType: file.contentType },
  )
  // The same wish, sent twice at once: the other one is preparing it, and under another name this file is nobody's.
  await begun.catch(async (error: unknown) => {
    if (!(error instanceof UniqueConstraintError)) throw error
    if (!(await MediaRow.findByPk(id))) await context.store.remove(storageKey)
  })
}

/**
 * The same film with another of its sounds: another medium, so that editions that show the first go on as they are. One that
 * is there already is answered with, and so is the first film itself for the sound that it plays.
 */
export async function takeSoundTrack(
  context: Context,
  person: Person,
  mediaId: string,
  { id, track, title }: BodyOf<(typeof contract)['takeSoundTrack']>,
): Promise<Media> {
  const named = await MediaRow.findByPk(mediaId)
  const first = named?.soundFrom ? await MediaRow.findByPk(named.soundFrom) : named
  if (!named || !first) throw new HttpError('not-found')
  if (track >= named.soundTracks.length)
    throw new HttpError('invalid-input', {
      issues: [{ path: ['body', 'track'], code: 'too_big', message: 'There is no such sound.' }],
    })
  if (first.soundTrack === track) return describeMedia(first.id, person.id)
  const findIt = () => MediaRow.findOne({ where: { soundFrom: first.id, soundTrack: track } })
  const there = await findIt()
  if (there?.state === 'failed') return prepareAgain(context, there.id)
  if (there) return describeMedia(there.id, person.id)
  // The first may be gone from the shelf; what was made from it has the same file.
  const file = await MediaFileRow.findOne({ where: { mediaId: first.id, kind: 'original' } })
  if (!file) throw new HttpError('not-found')
  const noRoom = whyNoRoom(person.id, first.bytes, [], await roomFor(context, person.id))
  if (noRoom) throw noRoom
  const { soundTracks } = named
  const own = { title, soundTracks, soundTrack: track, soundFrom: first.id, hasSound: true }
  await beginFrom(context, { named, first, file }, { id, ...own })
  // Whichever of several wishes came first; none where its id is another medium's.
  const made = await findIt()
  if (!made) throw new HttpError('already-exists')
  return describeMedia(made.id, person.id)
}
