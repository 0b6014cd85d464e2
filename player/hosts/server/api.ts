// The few calls that the learner's page makes. Small on purpose: no schemas are sent to the learner.
import type {
  Attempt,
  LearnerRecord,
  LinkReply,
  Problem,
  RecordsReply,
  Session,
  TalkReply,
} from '@fernbrake/core/contract'
import type { Post } from '@fernbrake/core/talk'
import { HostError, type Tally } from '../Host.ts'
import type { SendOutcome } from './sender.ts'

const json = {
  'Content-Type': 'application/json',
  // In a frame on another site a session is only kept where the server is told so; see `beginSession`.
  ...(globalThis.location?.pathname.startsWith('/embed/') ? { 'X-Embedded': '1' } : {}),
}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await fetch(path, {
    method,
    ...(body === undefined ? {} : { headers: json, body: JSON.stringify(body) }),
  }).catch((error: unknown) => {
    throw new HostError('unreachable', error)
  })
  if (response.ok) return (await response.json()) as T
  const problem = (await response.json().catch(() => null)) as Problem | null
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

const talkPath = (attemptId: string) => `/api/attempts/${attemptId}/talk`

export const readTalk = (attemptId: string, after: number) =>
  call<TalkReply>('GET', `${talkPath(attemptId)}?after=${after}`)

export const hidePost = (attemptId: string, postId: string, isHidden: boolean) =>
  call<Post>('PATCH', `${talkPath(attemptId)}/${postId}`, { isHidden })

const recordsPath = (attemptId: string) => `/api/attempts/${attemptId}/records`

/** Sends a batch; never throws. */
export async function sendRecords(
  attemptId: string,
  records: LearnerRecord[],
): Promise<SendOutcome> {
  try {
    const response = await fetch(recordsPath(attemptId), {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ records }),
    })
    if (response.ok) return { kind: 'acknowledged', reply: (await response.json()) as RecordsReply }
    if (response.status === 401 || response.status === 404) return { kind: 'signedOut' }
    if (response.status >= 500 || response.status === 429) return { kind: 'unreachable' }
    const problem = (await response.json().catch(() => null)) as Problem | null
    return { kind: 'rejected', message: problem?.detail ?? response.statusText }
  } catch {
    return { kind: 'unreachable' }
  }
}

/** Hands a batch to the browser, which sends it even while the page goes away. */
export function beaconRecords(attemptId: string, records: LearnerRecord[]): void {
  const body = new Blob([JSON.stringify({ records })], { type: 'application/json' })
  navigator.sendBeacon(recordsPath(attemptId), body)
}
