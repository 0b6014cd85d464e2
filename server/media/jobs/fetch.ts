// Fetching a medium from its address: a step before all others, after which the medium is as if it had been sent, or, where
// a host keeps its film to itself, known well enough to be played from there.
import { open, readFile, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { Media } from '@fernbrake/core/contract'
import { isPlaylist, LONGEST_PLAYLIST } from '@fernbrake/core/formats'
import { LARGEST_BYTES } from '@fernbrake/core/media'
import { MediaFileRow } from '../../database/models.ts'
import { typeOf } from '../contentType.ts'
import { findFault, servedAs } from '../media.ts'
import { download } from './download.ts'
import { acceptHosted } from './hosted.ts'
import { UnusableFilm, type Step, type StepKind } from './step.ts'
import { gatherStream } from './stream.ts'

/** So long all of it may take, in ms. */
const LIMIT_MS = 2 * 60 * 60_000

/** Fetches the original; answers with the steps that follow. */
export async function fetchOriginal(step: Step): Promise<StepKind[]> {
  const { context, media, folder, onProgress } = step
  const kind = media.kind as Media['kind']
  const signal = AbortSignal.timeout(LIMIT_MS)
  const path = join(folder, 'fetched')
  const onBytes = (got: number, all: number) => void (all > 0 && onProgress(got / all))
  const wanted = { path, mostBytes: LARGEST_BYTES[kind], signal, onBytes }
  const { address } = await download(context, { ...wanted, address: media.address! })
  if (kind !== 'film') return keepOriginal(step, path)
  const words = await shortText(path)
  if (words !== null && isPlaylist(words))
    return keepOriginal(step, await gatherStream(step, { words, address, signal }))
  if (words !== null && (await acceptHosted(step, { html: words, address, signal }))) return []
  return keepOriginal(step, path)
}

async function keepOriginal({ context, media }: Step, path: string): Promise<StepKind[]> {
  const type = await typeOf(path)
  const fault = await findFault({ kind: media.kind as Media['kind'], path }, type?.mime)
  if (!type || fault) throw new UnusableFilm(fault ?? 'unreadable')
  const storageKey = `${media.id}/original.${type.ext}`
  const bytes = await context.store.take(storageKey, path)
  await context.database.transaction(async (transaction) => {
    const original = { mediaId: media.id, kind: 'original' as const, storageKey, bytes }
    await MediaFileRow.upsert({ ...original, contentType: servedAs(type.mime) }, { transaction })
    await media.update({ bytes }, { transaction })
  })
  return ['probe']
}

/** What was fetched, where it may be a playlist or a page; null where it is anything else. */
async function shortText(path: string): Promise<string | null> {
  if ((await stat(path)).size > LONGEST_PLAYLIST) return null
  const file = await open(path)
  const { buffer, bytesRead } = await file.read(Buffer.alloc(512)).finally(() => file.close())
  return buffer.subarray(0, bytesRead).includes(0) ? null : readFile(path, 'utf8')
}
