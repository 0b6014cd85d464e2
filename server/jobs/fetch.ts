// Fetching a medium from its address: a step before all others, after which the medium is as if it had been sent.
import { createWriteStream } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Media } from '@fernbrake/core/contract'
import { LARGEST_BYTES } from '@fernbrake/core/media'
import { MediaFileRow } from '../database/models.ts'
import { typeOf } from '../media/contentType.ts'
import { findFault, servedAs } from '../services/media.ts'
import { askPublic, LostAddress, PrivateAddress } from '../web/askPublic.ts'
import { UnusableFilm, type Step, type StepKind } from './step.ts'

/** So long nothing may come before it is given up and tried again, in ms. */
const SILENCE_MS = 30_000
/** So long all of it may take, in ms. */
const LIMIT_MS = 2 * 60 * 60_000

/** Fetches the original; answers with the step that looks at it. */
export async function fetchOriginal(step: Step): Promise<StepKind[]> {
  const { context, media, folder } = step
  const path = join(folder, 'fetched')
  await download(step, path)
  const type = await typeOf(path)
  const kind = media.kind as Media['kind']
  const fault = await findFault({ kind, path }, type?.mime)
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

async function download({ context, media, onProgress }: Step, path: string): Promise<void> {
  const patience = createPatience()
  try {
    const asking = { mayAsk: context.mayAskAddress, signal: patience.signal, accept: '*/*' }
    const { answer } = await askPublic(media.address!, asking).catch(orNotReached)
    const bytes = expectedBytes(answer)
    const most = LARGEST_BYTES[media.kind as Media['kind']]
    if (bytes > most) answer.destroy(new UnusableFilm('tooLarge'))
    const onBytes = (got: number) => {
      patience.renew()
      if (bytes > 0) onProgress(got / bytes)
    }
    const file = createWriteStream(path)
    await pipeline(answer, counting(most, onBytes), file, { signal: patience.signal })
  } finally {
    patience.end()
  }
}

/** Ends what takes too long: at once after a silence, and in the end whatever still drips. */
function createPatience() {
  const silence = new AbortController()
  const begin = () => setTimeout(() => silence.abort(), SILENCE_MS)
  let timer = begin()
  return {
    signal: AbortSignal.any([silence.signal, AbortSignal.timeout(LIMIT_MS)]),
    renew() {
      clearTimeout(timer)
      timer = begin()
    },
    end: () => clearTimeout(timer),
  }
}

/** How long the file says it is, in bytes; 0 where it does not say. Throws where the answer is no file. */
function expectedBytes(answer: IncomingMessage): number {
  const status = answer.statusCode ?? 0
  if (status === 200) return Number(answer.headers['content-length'] ?? 0)
  answer.destroy()
  // What may be over in a moment is tried again; what is missing or not for us stays so.
  if (status >= 500 || status === 429) throw new Error(`The address answers with ${status}`)
  throw new UnusableFilm('notReached')
}

/** Lets bytes through up to a limit: an address may say nothing of its size, or the wrong thing. */
function counting(most: number, onBytes: (got: number) => void): Transform {
  let got = 0
  return new Transform({
    transform(piece: Buffer, _encoding, done) {
      got += piece.length
      onBytes(got)
      done(got > most ? new UnusableFilm('tooLarge') : null, piece)
    },
  })
}

/** Where there is nobody to ask, or nobody who may be asked, trying again would not help. */
function orNotReached(error: unknown): never {
  const { code } = error as NodeJS.ErrnoException
  const isHopeless = error instanceof PrivateAddress || error instanceof LostAddress
  if (isHopeless || code === 'ENOTFOUND' || code === 'ECONNREFUSED')
    throw new UnusableFilm('notReached', error)
  throw error
}
