// Reading all of what stands at an address, as long as it is little and comes in time.
import type { IncomingMessage } from 'node:http'
import { pipeline, type Transform } from 'node:stream'
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib'
import { askPublic, type Asking } from './askPublic.ts'

/** Answered with something else than what was asked for, or with more than may be. */
export class UnusableAnswer extends Error {}

export interface Reading {
  mayAsk: Asking['mayAsk']
  accept: string
  mostBytes: number
  limitMs: number
}

/** What some send packed, though nobody asked them to; its length is counted as it is unpacked. */
const UNPACK: Record<string, () => Transform> = {
  gzip: createGunzip,
  'x-gzip': createGunzip,
  deflate: createInflate,
  br: createBrotliDecompress,
}

function unpacked(answer: IncomingMessage): AsyncIterable<Buffer> {
  const packing = answer.headers['content-encoding']?.trim().toLowerCase() ?? 'identity'
  if (packing === 'identity' || packing === '') return answer as AsyncIterable<Buffer>
  const unpack = UNPACK[packing]
  if (!unpack) throw new UnusableAnswer(`It is packed as ${packing}`)
  return pipeline(answer, unpack(), () => undefined)
}

/** Rejects where nobody answers, with `UnusableAnswer` where the answer is no success or too long. */
export async function readPublic(
  address: string,
  { mayAsk, accept, mostBytes, limitMs }: Reading,
): Promise<{ bytes: Buffer; address: string; contentType: string }> {
  const signal = AbortSignal.timeout(limitMs)
  const found = await askPublic(address, { mayAsk, accept, signal })
  const { answer } = found
  const pieces: Buffer[] = []
  let length = 0
  try {
    if (answer.statusCode !== 200) throw new UnusableAnswer(`It answers with ${answer.statusCode}`)
    for await (const piece of unpacked(answer)) {
      pieces.push(piece)
      length += piece.length
      if (length > mostBytes) throw new UnusableAnswer('It is too long')
      if (signal.aborted) throw new UnusableAnswer('It takes too long')
    }
  } finally {
    answer.destroy()
  }
  const contentType = answer.headers['content-type'] ?? ''
  return { bytes: Buffer.concat(pieces), address: found.address, contentType }
}
