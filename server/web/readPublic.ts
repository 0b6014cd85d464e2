// Reading all of what stands at an address, as long as it is little and comes in time.
import { askPublic, type Asking } from './askPublic.ts'
import { unpacked } from './unpacked.ts'

/** Answered with something else than what was asked for, or with more than may be. */
export class UnusableAnswer extends Error {}

export interface Reading {
  mayAsk: Asking['mayAsk']
  accept: string
  mostBytes: number
  limitMs: number
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
    const all = unpacked(answer)
    if (!all) throw new UnusableAnswer('It is packed in an unknown way')
    for await (const piece of all) {
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
