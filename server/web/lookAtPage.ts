// Asks a page of the web for its headers and title, for a designer who wants to show it. Little is read, and
// all of it ends in time.
import type { IncomingMessage } from 'node:http'
import type { PageCheck } from '@fernbrake/core/contract'
import { canBeFramed, titleOf } from '@fernbrake/core/proof'
import { askPublic, LostAddress, PrivateAddress, type Asking } from './askPublic.ts'
import { isPublicAddress } from './publicAddress.ts'
import { unpacked } from './unpacked.ts'

const MOST_BYTES = 64 * 1024
/** All redirections together must have answered by then, in ms. */
const LIMIT_MS = 8000

export interface Look {
  /** Where the lesson is shown, such as `https://lessons.example`. */
  lessonOrigin: string
  mayAsk?: Asking['mayAsk']
  limitMs?: number
}

const found = (finding: PageCheck['finding'], status: number | null = null, title = '') => ({
  finding,
  status,
  title,
})

/** What is found at an address; never throws. */
export async function lookAtPage(
  address: string,
  { lessonOrigin, mayAsk = isPublicAddress, limitMs = LIMIT_MS }: Look,
): Promise<PageCheck> {
  const signal = AbortSignal.timeout(limitMs)
  try {
    const asking = { mayAsk, signal, accept: 'text/html,*/*;q=0.5' }
    const { answer, address: at } = await askPublic(address, asking)
    const status = answer.statusCode ?? 0
    if (status >= 400) {
      answer.destroy()
      return found('error', status)
    }
    const title = titleOf(await readStart(answer, signal))
    const isFramed = canBeFramed({ address: at, headers: answer.headers }, lessonOrigin)
    return found(isFramed ? 'inside' : 'newTab', status, title)
  } catch (error) {
    if (error instanceof PrivateAddress) return found('private')
    if (error instanceof LostAddress) return found('error', error.status)
    return found(signal.aborted ? 'silent' : 'unknown')
  }
}

async function readStart(answer: IncomingMessage, signal: AbortSignal): Promise<string> {
  const pieces: Buffer[] = []
  let bytes = 0
  for await (const piece of unpacked(answer) ?? []) {
    pieces.push(piece)
    bytes += piece.length
    if (bytes >= MOST_BYTES || signal.aborted) break
  }
  answer.destroy()
  return Buffer.concat(pieces).toString('utf8')
}
