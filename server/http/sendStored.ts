// Answers a request with what lies in the store of media: whole, or the part that is asked for (RFC 9110, 14).
import { pipeline } from 'node:stream/promises'
import type { Request, Response } from 'express'
import parseRange from 'range-parser'
import type { Stored } from '../context.ts'
import { HttpError } from './HttpError.ts'

/** Sends the bytes under a key. Throws `not-found` where there are none. */
export async function sendStored(
  store: { open(key: string): Promise<Stored | null> },
  { storageKey, contentType }: { storageKey: string; contentType: string },
  response: Response,
): Promise<void> {
  const stored = await store.open(storageKey)
  if (!stored) throw new HttpError('not-found')
  const request = response.req
  response.set({
    'Content-Type': contentType,
    'Cache-Control': 'private, max-age=31536000, immutable',
    'Last-Modified': stored.changedAt.toUTCString(),
    'Accept-Ranges': 'bytes',
  })
  if (request.fresh) return void response.status(304).end()
  const part = partAsked(request, stored)
  if (part === 'unfit') {
    response.set('Content-Range', `bytes */${stored.bytes}`)
    return void response.status(416).end()
  }
  if (part)
    response.status(206).set('Content-Range', `bytes ${part.from}-${part.to}/${stored.bytes}`)
  response.set('Content-Length', String(part ? part.to - part.from + 1 : stored.bytes))
  if (request.method === 'HEAD') return void response.end()
  await pipeline(stored.read(part ?? undefined), response).catch((error: unknown) => {
    // A viewer who seeks or leaves ends the transfer early; that is not a fault.
    if (!GONE.has((error as NodeJS.ErrnoException).code ?? '')) throw error
  })
}

const GONE = new Set(['ERR_STREAM_PREMATURE_CLOSE', 'ECONNRESET', 'ECONNABORTED', 'EPIPE'])

/** The part that is asked for; null for all of it, as where several parts are, or the file has changed since. */
function partAsked(
  request: Request,
  { bytes, changedAt }: Stored,
): { from: number; to: number } | 'unfit' | null {
  const { range } = request.headers
  const since = request.get('If-Range')
  if (range === undefined || (since !== undefined && since !== changedAt.toUTCString())) return null
  const found = parseRange(bytes, range, { combine: true })
  if (found === -1) return 'unfit'
  if (found === -2 || found.type !== 'bytes' || found.length !== 1) return null
  const { start, end } = found[0]!
  return { from: start, to: end }
}
