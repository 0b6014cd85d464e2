// Asking an address on somebody's behalf. Careful on purpose: only allowed addresses, few redirections, and every one of
// them is looked at anew, so that nobody can make the server look around in the network that it stands in.
import { lookup as resolveName } from 'node:dns'
import { request as httpRequest, type IncomingMessage } from 'node:http'
import { request as httpsRequest } from 'node:https'
import { isIP, type LookupFunction } from 'node:net'

const MOST_REDIRECTIONS = 5

/** The address, or one that it redirects to, lies in a network that may not be asked. */
export class PrivateAddress extends Error {}
/** It redirects to something that is no web address, or again and again. */
export class LostAddress extends Error {
  readonly status: number | null

  constructor(status: number | null) {
    super('The address leads nowhere')
    this.status = status
  }
}

export interface Asking {
  /** Whether this IP address may be asked when it stands behind this origin. */
  mayAsk: (ip: string, origin: string) => boolean
  signal: AbortSignal
  accept: string
  headers?: Record<string, string>
}

/** The answer at an address, after redirections, and where it came from. Rejects where there is none. */
export async function askPublic(
  address: string,
  asking: Asking,
): Promise<{ answer: IncomingMessage; address: string }> {
  let next = address
  for (let hop = 0; hop <= MOST_REDIRECTIONS; hop += 1) {
    const answer = await askOnce(new URL(next), asking)
    const status = answer.statusCode ?? 0
    const { location } = answer.headers
    if (status < 300 || status >= 400 || !location) return { answer, address: next }
    answer.destroy()
    next = new URL(location, next).href
    if (!/^https?:/i.test(next)) throw new LostAddress(status)
  }
  throw new LostAddress(null)
}

function askOnce(url: URL, { signal, accept, ...asking }: Asking): Promise<IncomingMessage> {
  const mayAsk = (ip: string) => asking.mayAsk(ip, url.origin)
  const host = url.hostname.replace(/^\[|\]$/g, '')
  if (isIP(host) !== 0 && !mayAsk(host)) return Promise.reject(new PrivateAddress())
  const send = url.protocol === 'https:' ? httpsRequest : httpRequest
  const usual = { Accept: accept, 'Accept-Encoding': 'identity', 'User-Agent': 'Fernbrake' }
  const headers = { ...usual, ...asking.headers }
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
