// Answers that come packed, though nobody asked for that: some servers send no other.
import type { IncomingMessage } from 'node:http'
import { pipeline, type Transform } from 'node:stream'
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib'

const UNPACK: Record<string, () => Transform> = {
  gzip: createGunzip,
  'x-gzip': createGunzip,
  deflate: createInflate,
  br: createBrotliDecompress,
}

/**
 * What an answer says, piece by piece, unpacked (RFC 9110, 8.4); null where it is packed in a way that is not known. Whoever
 * reads it counts what comes out, and stops where it is too much; it rejects where what comes is spoilt.
 */
export function unpacked(answer: IncomingMessage): AsyncIterable<Buffer> | null {
  const packing = answer.headers['content-encoding']?.trim().toLowerCase() || 'identity'
  if (packing === 'identity') return answer as AsyncIterable<Buffer>
  const unpack = UNPACK[packing]
  // Its faults reach whoever reads it.
  return unpack ? pipeline(answer, unpack(), () => undefined) : null
}
