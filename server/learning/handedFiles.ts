// Files that learners hand in: who may, what is taken by its content, and who gets them back.
import { rm } from 'node:fs/promises'
import { cutText, idSchema } from '@fernbrake/core/fields'
import { filesAsked, isOfSort, type FileSort } from '@fernbrake/core/questions'
import { AttemptRow, HandedFileRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { typeOf } from '../media/contentType.ts'
import { probe } from '../media/tools/ffmpeg.ts'
import { attemptFacts } from './queries/attemptFacts.ts'
import { editionDocument } from '../lessons/queries/editions.ts'
import type { Context } from '../context.ts'

/** What an upload says of the file that it brings. */
export interface HandedUpload {
  attemptId: string
  questionId: string
  fileId: string
  name: string
}

/** Reads what an upload says of itself; null where something is missing or not as it should be. */
export function readHandedUpload(
  said: Readonly<Record<string, string | null>> | undefined,
): HandedUpload | null {
  const [attemptId, questionId, fileId] = ['attemptId', 'questionId', 'fileId'].map((key) =>
    idSchema.safeParse(said?.[key]),
  )
  if (!attemptId?.success || !questionId?.success || !fileId?.success) return null
  const name = cutText((said?.filename ?? '').trim(), 200)
  return {
    attemptId: attemptId.data,
    questionId: questionId.data,
    fileId: fileId.data,
    name: name || 'file',
  }
}

/** So many files of one learner for one question are kept: enough for every try, and for changing one's mind. */
const MOST_KEPT = 60

/** What a question of an attempt's lesson takes as files; null where it asks for none. */
async function askedBy({ attemptId, questionId }: HandedUpload) {
  const facts = await attemptFacts(attemptId)
  const lesson = facts && (await editionDocument(facts))
  if (!lesson || !Object.hasOwn(lesson.questions, questionId)) return null
  return filesAsked(lesson.questions[questionId]!)
}

/** Why this may not be handed in by whoever's attempt it is, or null. */
export async function whyNotHandIn(
  upload: HandedUpload,
  bytes: number | undefined,
  /** So many more for the same question are on their way. */
  underWay: number,
): Promise<HttpError | null> {
  const asked = await askedBy(upload)
  if (!asked) return new HttpError('not-found')
  if (bytes === undefined || bytes < 1 || bytes > asked.mostBytes)
    return new HttpError('too-large', { reason: 'fileTooLarge' })
  const { attemptId, questionId } = upload
  const kept = await HandedFileRow.count({ where: { attemptId, questionId } })
  return kept + underWay < MOST_KEPT ? null : tooManyFiles()
}

const tooManyFiles = () =>
  new HttpError('too-large', { reason: 'filesFull', facts: { most: MOST_KEPT } })

/**
 * Takes a finished upload in, whatever its name and its sender say it is: what counts is its content. Called again for
 * the same file it changes nothing. Throws `file-refused`, and the bytes are gone then.
 */
export async function acceptHandedFile(
  { store, database }: Context,
  upload: HandedUpload,
  path: string,
): Promise<void> {
  const { attemptId, questionId, fileId: id, name } = upload
  if (await HandedFileRow.count({ where: { attemptId, id } })) return rm(path, { force: true })
  const asked = await askedBy(upload)
  const contentType = asked && (await contentOf(path, asked.sorts))
  if (!contentType) {
    await rm(path, { force: true })
    throw new HttpError('file-refused')
  }
  const storageKey = `handed/${attemptId}/${id}`
  const bytes = await store.hold(storageKey, path)
  const isTaken = await database.transaction(async (transaction) => {
    // Counted while the attempt is held: several may end at once that were begun when there was room.
    await AttemptRow.findByPk(attemptId, { attributes: ['id'], lock: transaction.LOCK.UPDATE })
    if ((await HandedFileRow.count({ where: { attemptId, questionId } })) >= MOST_KEPT) return false
    await HandedFileRow.create({ attemptId, id, questionId, name, contentType, bytes, storageKey })
    return true
  })
  if (!isTaken) {
    await store.remove(storageKey)
    throw tooManyFiles()
  }
  // Not before it is in the database: until then the upload is all there is of it.
  await rm(path, { force: true })
}

/** Whether this file has been taken in. */
export const handsIn = async ({ attemptId, fileId }: HandedUpload): Promise<boolean> =>
  (await HandedFileRow.count({ where: { attemptId, id: fileId } })) > 0

/** The content type of a file if it is of one of these sorts by what stands in it; null where it is not. */
async function contentOf(path: string, sorts: readonly FileSort[]): Promise<string | null> {
  const type = (await typeOf(path))?.mime
  if (!type || !sorts.some((sort) => isOfSort(sort, type))) return null
  const mayBeSound = type.startsWith('video/') && isOfSort('sound', type)
  return mayBeSound && (await isSoundAlone(path)) ? type.replace('video/', 'audio/') : type
}

/** Recorders write sound into the containers of films; it is to be heard then, and not looked at. */
const isSoundAlone = (path: string): Promise<boolean> =>
  probe(path).then(
    ({ video, sounds }) => video === null && sounds.length > 0,
    () => false,
  )

/** A file that was handed in. */
export async function findHandedFile(where: {
  attemptId: string
  id: string
}): Promise<HandedFileRow> {
  const file = await HandedFileRow.findOne({ where })
  if (!file) throw new HttpError('not-found')
  return file
}

/** Those of these files that this attempt has handed in for this question. */
export async function handedIds(
  attemptId: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map()
  const rows = await HandedFileRow.findAll({
    where: { attemptId, id: [...ids] },
    attributes: ['id', 'questionId'],
  })
  return new Map(rows.map(({ id, questionId }) => [id, questionId]))
}
