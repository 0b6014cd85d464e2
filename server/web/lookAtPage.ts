// Asks a page of the web for its headers and title, for a designer who wants to show it. Careful on purpose: only
// public addresses, few redirections, little is read, and all of it ends in time.
import { lookup as resolveName } from 'node:dns'
import { request as httpRequest, type IncomingMessage } from 'node:http'
import { request as httpsRequest } from 'node:https'
import { isIP, type LookupFunction } from 'node:net'
import type { PageCheck } from '@fernbrake/core/contract'
import { canBeFramed, titleOf } from '@fernbrake/core/proof'
import { isPublicAddress } from './publicAddress.ts'

const MOST_REDIRECTIONS = 5
const MOST_BYTES = 64 * 1024
/** All redirections together must have answered by then, in ms. */
const LIMIT_MS = 8000

export interface Look {
  /** Where the lesson is shown, such as `https://lessons.example`. */
  lessonOrigin: string
  mayAsk?: (ip: string) => boolean
  limitMs?: number
}

class PrivateAddress extends Error {}

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
    let next = address
    for (let hop = 0; hop <= MOST_REDIRECTIONS; hop += 1) {
      const answer = await ask(new URL(next), mayAsk, signal)
      const status = answer.statusCode ?? 0
      const { location } = answer.headers
      if (status >= 300 && status < 400 && location) {
        answer.destroy()
        next = new URL(location, next).href
        if (!/^https?:/i.test(next)) return found('error', status)
        continue
      }
      if (status >= 400) {
        answer.destroy()
        return found('error', status)
      }
      const title = titleOf(await readStart(answer, signal))
      const isFramed = canBeFramed({ address: next, headers: answer.headers }, lessonOrigin)
      return found(isFramed ? 'inside' : 'newTab', status, title)
    }
    return found('error')
  } catch (error) {
    if (error instanceof PrivateAddress) return found('private')
    return found(signal.aborted ? 'silent' : 'unknown')
  }
}

function ask(
  url: URL,
  mayAsk: (ip: string) => boolean,
  signal: AbortSignal,
): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '')
  if (isIP(host) !== 0 && !mayAsk(host)) return Promise.reject(new PrivateAddress())
  const send = url.protocol === 'https:' ? httpsRequest : httpRequest
  const headers = {
    Accept: 'text/html,*/*;q=0.5',
    'Accept-Encoding': 'identity',
    'User-Agent': 'Fernbrake',
  }
  return new Promise((resolve, reject) => {
    const sent = send(url, { headers, signal, lookup: onlyWhere(mayAsk), agent: false }, resolve)
    sent.on('error', reject)
    sent.end()
  })
}

/** Resolves names to allowed addresses alone, at the very moment of connecting, so that no later answer replaces them. */
function onlyWhere(mayAsk: (ip: string) => boolean): LookupFunction {
  return (hostname, options, callback) =>
    resolveName(hostname, { ...options, all: true }, (error, addresses) => {
      if (error) return callback(error, '')
      const [first] = addresses
      if (!first || !addresses.every(({ address }) => mayAsk(address)))
        return callback(new PrivateAddress() as NodeJS.ErrnoException, '')
      if (options.all) return callback(null, addresses)
      callback(null, first.address, first.family)
    })
}

async function readStart(answer: IncomingMessage, signal: AbortSignal): Promise<string> {
  const pieces: Buffer[] = []
  let bytes = 0
  for await (const piece of answer as AsyncIterable<Buffer>) {
    pieces.push(piece)
    bytes += piece.length
    if (bytes >= MOST_BYTES || signal.aborted) break
  }
  answer.destroy()
  return Buffer.concat(pieces).toString('utf8')
}
