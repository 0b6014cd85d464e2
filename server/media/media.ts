// Media rows: what is known of a medium, taking an upload in, trying again.
import { Op, UniqueConstraintError, type CreationAttributes, type WhereOptions } from 'sequelize'
import { rm, stat } from 'node:fs/promises'
import { extname } from 'node:path'
import type { BodyOf, contract, Media, PageFile, Person } from '@fernbrake/core/contract'
import { cutText } from '@fernbrake/core/fields'
import {
  FILM_CONTAINERS,
  LARGEST_DOCUMENT_BYTES,
  LARGEST_PICTURE_BYTES,
  LARGEST_SOUND_BYTES,
  mayBeSound,
  PICTURE_TYPES,
} from '@fernbrake/core/media'
import { isOfSort } from '@fernbrake/core/questions'
import { MediaFileRow, MediaJobRow, MediaRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { typeOf } from './contentType.ts'
import type { Room } from './room.ts'
import type { Context } from '../context.ts'

const JOB_ORDER = ['probe', 'playable', 'poster', 'peaks', 'filmstrip', 'pages']

/** A medium as `viewerId` may see it: its owner's private note is for the owner alone. */
export async function describeMedia(mediaId: string, viewerId?: string): Promise<Media> {
  const row = await MediaRow.findByPk(mediaId)
  if (!row) throw new HttpError('not-found')
  const [media] = await describeAll([row])
  return row.ownerId === viewerId ? media! : { ...media!, sourceNote: '' }
}

/** Writes down what is to be known of a medium. */
export async function changeWords(
  mediaId: string,
  ownerId: string,
  words: BodyOf<(typeof contract)['describeMedia']>,
): Promise<Media> {
  await MediaRow.update(words, { where: { id: mediaId, ownerId } })
  return describeMedia(mediaId, ownerId)
}

export async function listMedia(person: Person): Promise<Media[]> {
  const rows = await MediaRow.findAll({
    where: { ownerId: person.id },
    order: [['createdAt', 'DESC']],
    limit: 500,
  })
  return describeAll(rows)
}

async function describeAll(rows: MediaRow[]): Promise<Media[]> {
  const mediaId = rows.map((row) => row.id)
  const [files, jobs] = await Promise.all([
    MediaFileRow.findAll({ where: { mediaId } }),
    MediaJobRow.findAll({ where: { mediaId } }),
  ])
  return rows.map((row) =>
    describe(
      row,
      files.filter((file) => file.mediaId === row.id),
      jobs.filter((job) => job.mediaId === row.id),
    ),
  )
}

function describe(row: MediaRow, files: MediaFileRow[], jobs: MediaJobRow[]): Media {
  const { kind, description, alternative, credit, licence, source, sourceNote, tags } = row
  const { id, title, state, fault, bytes, durationMs, frameRate, width, height, hasSound } = row
  return {
    id,
    kind,
    title,
    description,
    alternative,
    credit,
    licence,
    source,
    sourceNote,
    tags,
    state,
    fault: fault ?? null,
    bytes,
    durationMs: durationMs ?? null,
    frameRate: frameRate ?? null,
    width: width ?? null,
    height: height ?? null,
    hasSound: hasSound ?? null,
    soundTracks: row.soundTracks,
    soundTrack: row.soundTrack ?? null,
    soundFrom: row.soundFrom ?? null,
    hosted: row.hosted ?? null,
    cutFrom: row.cutFrom ?? null,
    cut: row.cut ?? null,
    pageCount: row.pageCount ?? null,
    files: files.flatMap(({ kind }) => (isPageFile(kind) ? [] : [kind])).sort(),
    jobs: jobs
      .map(({ kind, state: jobState, progress }) => ({ kind, state: jobState, progress }))
      .sort((a, b) => JOB_ORDER.indexOf(a.kind) - JOB_ORDER.indexOf(b.kind)),
  }
}

/** What somebody's media take, in bytes. */
export async function bytesOwnedBy(ownerId: string): Promise<number> {
  const media = await MediaRow.findAll({ where: { ownerId }, attributes: ['id'] })
  const where = { mediaId: media.map(({ id }) => id) }
  return Number((await MediaFileRow.sum('bytes', { where })) ?? 0)
}

/** How much room there is for what somebody wants to put in. */
export async function roomFor(
  { store, mostOwnBytes }: Pick<Context, 'store' | 'mostOwnBytes'>,
  ownerId: string,
): Promise<Room> {
  const [freeBytes, ownBytes] = await Promise.all([store.freeBytes(), bytesOwnedBy(ownerId)])
  return { freeBytes, ownBytes, mostOwnBytes }
}

export interface FinishedUpload {
  id: string
  ownerId: string
  title: string
  path: string
  /** What it is meant to be; anything else is refused. */
  kind: Media['kind']
}

const USUAL_TITLE = {
  film: 'Film',
  picture: 'Picture',
  sound: 'Sound',
  document: 'Document',
} as const

const isPageFile = (kind: MediaFileRow['kind']): kind is PageFile => kind.startsWith('page-')

/**
 * Makes a medium of a finished upload. What is not of its kind by its content becomes a failed medium that says so,
 * and its bytes are not kept. Called again for the same upload it changes nothing.
 */
export async function acceptUpload(context: Context, upload: FinishedUpload): Promise<void> {
  if (await MediaRow.findByPk(upload.id)) return
  const type = await typeOf(upload.path)
  const title = cutText(upload.title.trim(), 200) || USUAL_TITLE[upload.kind]
  const base = { id: upload.id, ownerId: upload.ownerId, title, kind: upload.kind }
  const fault = await findFault(upload, type?.mime)
  if (!type || fault) {
    await MediaRow.create({ ...base, bytes: 0, state: 'failed', fault: fault ?? 'unreadable' })
    await rm(upload.path, { force: true })
    return
  }
  const storageKey = `${upload.id}/original.${type.ext}`
  const size = await context.store.hold(storageKey, upload.path)
  await beginPreparing(
    context,
    { ...base, bytes: size, state: 'preparing' },
    { storageKey, contentType: servedAs(type.mime) },
  )
  // Not before it is in the database: until then the upload is all there is of it.
  await rm(upload.path, { force: true })
}

/** Whether this upload has become a medium of its owner's, be it one that failed. */
export const isAcceptedUpload = async (id: string, ownerId: string): Promise<boolean> =>
  (await MediaRow.count({ where: { id, ownerId } })) > 0

/** Begins to fetch a medium from its address. The same call again answers with how far it has come. */
export async function fetchMedia(
  context: Context,
  ownerId: string,
  { id, address, kind, about }: BodyOf<(typeof contract)['fetchMedia']>,
): Promise<Media> {
  const named = decodeURIComponentOr(new URL(address).pathname.split('/').at(-1) ?? '')
  const title = cutText(named.trim(), 200) || USUAL_TITLE[kind]
  try {
    await context.database.transaction(async (transaction) => {
      const base = { id, ownerId, title, ...about, kind, address, sourceNote: address, bytes: 0 }
      await MediaRow.create({ ...base, state: 'preparing' }, { transaction })
      await MediaJobRow.create({ mediaId: id, kind: 'fetch', state: 'waiting' }, { transaction })
    })
    await context.enqueue({ mediaId: id, kind: 'fetch' })
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    const known = await MediaRow.findByPk(id, { attributes: ['ownerId'] })
    if (known?.ownerId !== ownerId) throw new HttpError('already-exists', { cause: error })
  }
  return describeMedia(id, ownerId)
}

/**
 * Notes how long a hosted film runs, as the designer's browser heard from its player; with null, that the player does not
 * answer. Once known it stays: cues hang on it.
 */
export async function measureHosted(
  context: Context,
  mediaId: string,
  ownerId: string,
  durationMs: number | null,
): Promise<Media> {
  const change =
    durationMs === null
      ? { state: 'failed' as const, fault: 'notPlayed' as const }
      : { state: 'ready' as const, fault: null, durationMs }
  const where = { id: mediaId, ownerId, hosted: { [Op.ne]: null }, durationMs: null }
  // Typed here because Sequelize takes null for a value that was left out.
  const [changed] = await MediaRow.update(change, { where: where as WhereOptions })
  const media = await describeMedia(mediaId, ownerId)
  if (!media.hosted) throw new HttpError('not-found')
  if (changed > 0) context.announce.mediaChanged(ownerId, media)
  return media
}

/** As it is read; as it stands where it is no text in this form. */
function decodeURIComponentOr(words: string): string {
  try {
    return decodeURIComponent(words)
  } catch {
    return words
  }
}

/** Notes a medium whose original lies in the store, and begins to prepare it. */
export async function beginPreparing(
  context: Context,
  media: CreationAttributes<MediaRow>,
  original: { storageKey: string; contentType: string },
): Promise<void> {
  const [mediaId, bytes] = [media.id, media.bytes]
  await context.database.transaction(async (transaction) => {
    await MediaRow.create(media, { transaction })
    await MediaFileRow.create({ mediaId, kind: 'original', ...original, bytes }, { transaction })
    await MediaJobRow.create({ mediaId, kind: 'probe', state: 'waiting' }, { transaction })
  })
  await context.enqueue({ mediaId, kind: 'probe' })
}

/** What keeps a file from being a medium of its kind, by its content; null where nothing does. */
export async function findFault(
  { kind, path }: Pick<FinishedUpload, 'kind' | 'path'>,
  mime: string | undefined,
): Promise<Media['fault']> {
  if (kind === 'film') return mime && FILM_CONTAINERS.has(mime) ? null : 'notAFilm'
  if (kind === 'document') {
    if (!mime || !isOfSort('document', mime)) return 'notADocument'
    return (await stat(path)).size > LARGEST_DOCUMENT_BYTES ? 'tooLarge' : null
  }
  const isSound = kind === 'sound'
  if (!mime || !(isSound ? mayBeSound(mime) : PICTURE_TYPES.has(mime)))
    return isSound ? 'notASound' : 'notAPicture'
  const most = isSound ? LARGEST_SOUND_BYTES : LARGEST_PICTURE_BYTES
  return (await stat(path)).size > most ? 'tooLarge' : null
}

/** Browsers play QuickTime's H.264 under MP4's name; all else is served as what it is. */
export function servedAs(mime: string): string {
  return mime === 'video/quicktime' || mime === 'video/x-m4v' ? 'video/mp4' : mime
}

/** Begins preparing again where a step failed. */
export async function prepareAgain(context: Context, mediaId: string): Promise<Media> {
  const media = await MediaRow.findByPk(mediaId)
  const original = await MediaFileRow.findOne({ where: { mediaId, kind: 'original' } })
  if (!media || !(original || media.address)) throw new HttpError('not-found')
  const failed = await MediaJobRow.findAll({ where: { mediaId, state: 'failed' } })
  const wasUnusable = media.state === 'failed'
  if (wasUnusable) await media.update({ state: 'preparing', fault: null })
  for (const job of failed) {
    await job.update({ state: 'waiting', progress: 0 })
    await context.enqueue({ mediaId, kind: job.kind })
  }
  return describeMedia(mediaId, media.ownerId)
}

/** Gives `work` a local file with what was put in. */
export async function withOriginal<T>(
  { store }: Context,
  mediaId: string,
  work: (localPath: string) => Promise<T>,
): Promise<T> {
  const file = await MediaFileRow.findOne({ where: { mediaId, kind: 'original' } })
  if (!file) throw new HttpError('not-found')
  return store.withFile(file.storageKey, work)
}

/** The file to answer with: `playable` is the original where that plays as it is. */
export async function findFile(mediaId: string, kind: MediaFileRow['kind']): Promise<MediaFileRow> {
  const wanted = await MediaFileRow.findOne({ where: { mediaId, kind } })
  if (wanted) return wanted
  const media = await MediaRow.findByPk(mediaId)
  const original = await MediaFileRow.findOne({ where: { mediaId, kind: 'original' } })
  if (kind !== 'playable' || media?.state !== 'ready' || !original) throw new HttpError('not-found')
  return original
}

/**
 * The name under which a file is taken away; null where the browser may show it. A document never is shown by the browser
 * itself, in which it could act.
 */
export async function nameOfDownload({
  mediaId,
  kind,
  storageKey,
}: MediaFileRow): Promise<string | null> {
  const media = await MediaRow.findByPk(mediaId, { attributes: ['kind', 'title'] })
  if (media?.kind !== 'document' || kind !== 'original') return null
  const ending = extname(storageKey)
  return media.title.endsWith(ending) ? media.title : `${media.title}${ending}`
}
