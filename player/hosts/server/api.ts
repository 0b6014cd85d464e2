// The few calls that the learner's page makes. Small on purpose: no schemas are sent to the learner.
import {
  ownProblemType,
  type Attempt,
  type LinkReply,
  type Problem,
  type RecordsReply,
  type Session,
  type TalkReply,
} from '@fernbrake/core/contract'
import { type LearnerRecord } from '@fernbrake/core/records'
import type { Judged } from '@fernbrake/core/routes'
import type { Post } from '@fernbrake/core/talk'
import { isoTime, nowMs } from '../../clock.ts'
import { HostError, type Tally } from '../Host.ts'
import type { SendOutcome } from './sender.ts'

const json = {
  'Content-Type': 'application/json',
  // In a frame on another site a session is only kept where the server is told so; see `beginSession`.
  ...(globalThis.location?.pathname.startsWith('/embed/') ? { 'X-Embedded': '1' } : {}),
}

/** What has not been answered by then never will be, in ms; a weak connection brings a full batch over in less. */
const ANSWER_LIMIT_MS = 30_000

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await fetch(path, {
    method,
    signal: AbortSignal.timeout(ANSWER_LIMIT_MS),
    ...(body === undefined ? {} : { headers: json, body: JSON.stringify(body) }),
  }).catch((error: unknown) => {
    throw new HostError('unreachable', error)
  })
  const said: unknown = await response.json().catch(() => null)
  // The page of a guest network comes with a good status too, and is no answer of ours.
  if (response.ok && said !== null) return said as T
  const problem = ownProblemType(said) ? (said as Problem) : null
  if (problem === null) throw new HostError('unreachable', said)
  if (response.status === 401) throw new HostError('notSignedIn', problem)
  if (response.status === 403) throw new HostError('notShared', problem)
  if (response.status === 404) throw new HostError('notFound', problem)
  throw new HostError(response.status === 503 ? 'unreachable' : 'failed', problem)
}

export const readLink = (code: string) =>
  call<LinkReply>('GET', `/api/links/${encodeURIComponent(code)}`)

/** Where the cover of the lesson behind a link is to be had. */
export const coverAddress = (code: string) => `/api/links/${encodeURIComponent(code)}/cover`

export const openLink = (code: string, name?: string) =>
  call<{ attemptId: string }>(
    'POST',
    `/api/links/${encodeURIComponent(code)}/attempts`,
    name === undefined ? {} : { name },
  )

export const signIn = (email: string, password: string) =>
  call<Session>('POST', '/api/session', { email, password })

export const readAttempt = (attemptId: string) => call<Attempt>('GET', `/api/attempts/${attemptId}`)

export const readTally = (attemptId: string, questionId: string) =>
  call<Tally>('GET', `/api/attempts/${attemptId}/tallies/${encodeURIComponent(questionId)}`)

export const readWays = (attemptId: string, placeId: string) =>
  call<Judged>('GET', `/api/attempts/${attemptId}/ways/${encodeURIComponent(placeId)}`)

const talkPath = (attemptId: string) => `/api/attempts/${attemptId}/talk`

export const readTalk = (attemptId: string, after: number) =>
  call<TalkReply>('GET', `${talkPath(attemptId)}?after=${after}`)

export const hidePost = (attemptId: string, postId: string, isHidden: boolean) =>
  call<Post>('PATCH', `${talkPath(attemptId)}/${postId}`, { isHidden })

const recordsPath = (attemptId: string) => `/api/attempts/${attemptId}/records`

/** What each of our own faults means for a batch; whatever else comes may pass. */
const MEANS: Partial<Record<string, 'signedOut' | 'rejected' | 'readOnly'>> = {
  'read-only': 'readOnly',
  'not-signed-in': 'signedOut',
  'not-found': 'signedOut',
  'invalid-input': 'rejected',
  'too-large': 'rejected',
}

/**
 * What an answer says of a batch. Only the server's own words count: a proxy, a filter or the page of a guest network may
 * answer anything in its place, and then nobody knows what became of the batch.
 */
export async function outcomeOf(response: Response): Promise<SendOutcome> {
  const said: unknown = await response.json().catch(() => null)
  if (response.ok) {
    const { kept, refused, told } = (said ?? {}) as Partial<RecordsReply>
    const isReply = Array.isArray(kept) && Array.isArray(refused)
    if (!isReply) return { kind: 'unreachable' }
    return { kind: 'acknowledged', reply: { kept, refused, ...(told ? { told } : {}) } }
  }
  const means = MEANS[ownProblemType(said) ?? '']
  if (means === 'rejected') return { kind: 'rejected', message: (said as Problem).detail }
  return { kind: means ?? 'unreachable' }
}

/** A batch with what this device's clock shows, by which the server reads the times in it. */
const withTime = (records: LearnerRecord[]) => ({ records, sentAt: isoTime(nowMs()) })

/** Sends a batch; never throws. */
export async function sendRecords(
  attemptId: string,
  records: LearnerRecord[],
): Promise<SendOutcome> {
  try {
    const response = await fetch(recordsPath(attemptId), {
      method: 'POST',
      headers: json,
      body: JSON.stringify(withTime(records)),
      signal: AbortSignal.timeout(ANSWER_LIMIT_MS),
    })
    return await outcomeOf(response)
  } catch {
    return { kind: 'unreachable' }
  }
}

/** Hands a batch to the browser, which sends it even while the page goes away. */
export function beaconRecords(attemptId: string, records: LearnerRecord[]): void {
  const body = new Blob([JSON.stringify(withTime(records))], { type: 'application/json' })
  navigator.sendBeacon(recordsPath(attemptId), body)
}
