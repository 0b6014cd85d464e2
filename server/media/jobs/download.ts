// Getting a file from its address, with patience for what is slow and none for what does not end.
import { createWriteStream } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { Context } from '../../context.ts'
import { askPublic, LostAddress, PrivateAddress } from '../../web/askPublic.ts'
import { UnusableFilm } from './step.ts'

/** So long nothing may come before it is given up and tried again, in ms. */
const SILENCE_MS = 30_000

export interface Wanted {
  address: string
  /** Where it is to lie. */
  path: string
  mostBytes: number
  /** Ends it from outside, such as when all of a stream has taken too long. */
  signal: AbortSignal
  /** A part of the file only. */
  range?: { from: number; bytes: number } | null
  /** Hears of every piece: how many bytes are there, and of how many; of 0 where nobody knows. */
  onBytes?: (got: number, all: number) => void
}

/**
 * Fetches a file; answers with the address that it came from in the end. Rejects with `UnusableFilm` where trying again
 * would not help.
 */
export async function download(
  { mayAskAddress }: Pick<Context, 'mayAskAddress'>,
  { address, path, mostBytes, signal, range = null, onBytes = () => undefined }: Wanted,
): Promise<{ address: string; bytes: number }> {
  const patience = createPatience(signal)
  try {
    const headers: Record<string, string> = {}
    if (range) headers.Range = `bytes=${range.from}-${range.from + range.bytes - 1}`
    const asking = { mayAsk: mayAskAddress, signal: patience.signal, accept: '*/*', headers }
    const found = await askPublic(address, asking).catch(orNotReached)
    const all = expectedBytes(found.answer, range !== null)
    if (all > mostBytes) found.answer.destroy(new UnusableFilm('tooLarge'))
    let bytes = 0
    const onGot = (got: number) => {
      patience.renew()
      onBytes((bytes = got), all)
    }
    const file = createWriteStream(path)
    await pipeline(found.answer, counting(mostBytes, onGot), file, { signal: patience.signal })
    return { address: found.address, bytes }
  } finally {
    patience.end()
  }
}

/** Ends what is silent for too long, and whatever is ended from outside. */
function createPatience(outer: AbortSignal) {
  const silence = new AbortController()
  const begin = () => setTimeout(() => silence.abort(), SILENCE_MS)
  let timer = begin()
  return {
    signal: AbortSignal.any([silence.signal, outer]),
    renew() {
      clearTimeout(timer)
      timer = begin()
    },
    end: () => clearTimeout(timer),
  }
}

/** How long the file says it is, in bytes; 0 where it does not say. Throws where the answer is no file. */
function expectedBytes(answer: IncomingMessage, isPart: boolean): number {
  const status = answer.statusCode ?? 0
  // Whoever answers with all of it when a part was asked for would have it fetched again for every part.
  if (status === (isPart ? 206 : 200)) return Number(answer.headers['content-length'] ?? 0)
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
  if (error instanceof PrivateAddress) throw new UnusableFilm('ownNetwork', error)
  if (error instanceof LostAddress || code === 'ENOTFOUND' || code === 'ECONNREFUSED')
    throw new UnusableFilm('notReached', error)
  throw error
}
