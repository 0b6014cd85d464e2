// Calls the HTTP API by the names of the contract. Faults become ApiError with the server's own problem document.
import {
  ADDRESSES,
  OWN_PROBLEMS,
  ownProblemType,
  type BodyOf,
  type Contract,
  type ParamsOf,
  type Problem,
  type QueryOf,
  type ReplyOf,
  type RouteName,
} from '@fernbrake/core/contract'
import { sayProblem } from '@fernbrake/core/words'
import { LOCALE } from '../ui/locale.ts'
import { onLeaving } from './leaving.ts'
import { isReadOnly } from './readOnly.ts'

export class ApiError extends Error {
  /** 0 where the server could not be reached at all. */
  readonly status: number
  readonly problem: Problem | null

  constructor(status: number, problem: Problem | null, cause?: unknown) {
    super(problem?.detail ?? 'unreachable', { cause })
    this.name = 'ApiError'
    this.status = status
    this.problem = problem
  }

  /** What the server says is wrong, in the language of the interface; null where it has said nothing. */
  get sentence(): string | null {
    return this.problem && sentenceOf(this.problem)
  }

  /** The server could not be reached, or says that it is not well: trying again later may help. */
  get isPassing(): boolean {
    return this.status === 0 || this.status >= 500 || this.status === 429
  }
}

/** Whether what was asked for is not for whoever asked. */
export const isKeptFrom = (error: unknown): boolean =>
  error instanceof ApiError && (error.status === 403 || error.status === 404)

/** What a fault says, in the language of the interface; what only a newer server knows is said in its own words. */
export function sentenceOf({ type, reason, facts, detail }: Problem): string {
  const named = { type: type.slice(OWN_PROBLEMS.length), reason, facts }
  return sayProblem(LOCALE, named)?.detail ?? detail
}

/** What has not been answered by then never will be, in ms; the longest work that is asked for takes less. */
const ANSWER_LIMIT_MS = 90_000

interface Given<Name extends RouteName> {
  params?: ParamsOf<Contract[Name]>
  query?: QueryOf<Contract[Name]>
  body?: BodyOf<Contract[Name]>
}

/** What was asked for before whoever shows it was there, by method and address. */
const ahead = new Map<string, { reply: Promise<unknown>; askedMs: number }>()
/** What nobody has fetched by then may have changed meanwhile, in ms. */
const AHEAD_LIMIT_MS = 10_000

// What was asked for by one person is told to no other.
onLeaving(() => ahead.clear())

/** Asks for something that is only looked at; the next who calls the same, soon, gets the answer, or the fault. */
export function askAhead<Name extends RouteName>(name: Name, given: Given<Name> = {}): void {
  const [method, path] = ADDRESSES[name]
  const reply = call(name, given)
  reply.catch(() => null)
  ahead.set(method + addressOf(path, given), { reply, askedMs: performance.now() })
}

function takeAhead(key: string): Promise<unknown> | null {
  const found = ahead.get(key)
  ahead.delete(key)
  return found && performance.now() - found.askedMs < AHEAD_LIMIT_MS ? found.reply : null
}

/** Calls a route; throws ApiError. */
export async function call<Name extends RouteName>(
  name: Name,
  given: Given<Name> = {},
): Promise<ReplyOf<Contract[Name]>> {
  const [method, path] = ADDRESSES[name]
  const asked = takeAhead(method + addressOf(path, given))
  if (asked) return asked as Promise<ReplyOf<Contract[Name]>>
  const response = await fetch(addressOf(path, given), {
    method: method.toUpperCase(),
    signal: AbortSignal.timeout(ANSWER_LIMIT_MS),
    ...(given.body === undefined
      ? {}
      : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(given.body) }),
  }).catch((error: unknown) => {
    throw new ApiError(0, null, error)
  })
  const said: unknown = await response.json().catch(() => null)
  if (response.ok && said !== null) {
    // Something was stored.
    if (method !== 'get') isReadOnly.value = false
    return said as ReplyOf<Contract[Name]>
  }
  // What a proxy, a filter or a guest network answers is no answer of the server's.
  if (ownProblemType(said) === null) throw new ApiError(0, null, said)
  if (ownProblemType(said) === 'read-only') isReadOnly.value = true
  throw new ApiError(response.status, said as Problem)
}

function addressOf(path: string, given: { params?: unknown; query?: unknown }): string {
  const params = (given.params ?? {}) as Record<string, string>
  const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''))
  const query = Object.entries((given.query ?? {}) as Record<string, unknown>).filter(
    ([, value]) => value !== undefined,
  )
  return query.length === 0
    ? filled
    : `${filled}?${new URLSearchParams(query.map(([key, value]) => [key, String(value)]))}`
}
