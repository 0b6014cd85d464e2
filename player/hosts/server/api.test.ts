// What an answer means for the records that wait on a device: only the server's own word lets go of any.
import { afterEach, describe, expect, it, vi } from 'vitest'
import { outcomeOf, sendRecords } from './api.ts'

const answer = (status: number, body: unknown) =>
  new Response(typeof body === 'string' ? body : JSON.stringify(body), { status })
const own = (type: string, detail = 'A sentence.') => ({
  type: `urn:fernbrake:problem:${type}`,
  title: 'A title',
  status: 400,
  detail,
})

describe('what came of a batch', () => {
  it.each([
    400, 401, 403, 404, 405, 407, 408, 409, 410, 413, 415, 418, 422, 425, 429, 431, 451, 500, 502,
    503, 504, 511,
  ])('is unknown where something else answers with %i in the server’s place', async (status) => {
    for (const body of [
      '<h1>Blocked</h1>',
      '',
      { error: 'no' },
      { type: 'about:blank', detail: 'x' },
      null,
    ])
      expect(await outcomeOf(answer(status, body))).toEqual({ kind: 'unreachable' })
  })

  it.each(['<h1>Welcome to our guest network</h1>', '', {}, { kept: 3 }, [], null])(
    'is unknown where a good status comes with %j',
    async (body) => expect(await outcomeOf(answer(200, body))).toEqual({ kind: 'unreachable' }),
  )

  it('is what the server says', async () => {
    const reply = { kept: ['a'], refused: [] }
    expect(await outcomeOf(answer(200, reply))).toEqual({ kind: 'acknowledged', reply })
    for (const type of ['invalid-input', 'too-large'])
      expect(await outcomeOf(answer(422, own(type)))).toEqual({
        kind: 'rejected',
        message: 'A sentence.',
      })
    expect(await outcomeOf(answer(503, own('read-only')))).toEqual({ kind: 'readOnly' })
    for (const type of ['not-signed-in', 'not-found'])
      expect(await outcomeOf(answer(401, own(type)))).toEqual({ kind: 'signedOut' })
    for (const type of ['database-away', 'internal', 'wrong-origin', 'too-many-tries', 'not-json'])
      expect(await outcomeOf(answer(500, own(type)))).toEqual({ kind: 'unreachable' })
  })
})

describe('a request that hangs', () => {
  afterEach(() => vi.unstubAllGlobals())

  it('is given up, so that the next may be sent', async () => {
    const limit = new AbortController()
    const timeout = vi.spyOn(AbortSignal, 'timeout').mockReturnValue(limit.signal)
    const hang = (_path: string, { signal }: RequestInit) =>
      new Promise((_, reject) => signal!.addEventListener('abort', () => reject(new Error('over'))))
    vi.stubGlobal('fetch', vi.fn(hang))
    const sending = sendRecords('an-attempt', [])
    limit.abort()
    expect(await sending).toEqual({ kind: 'unreachable' })
    expect(timeout.mock.calls[0]![0]).toBeLessThanOrEqual(60_000)
  })
})
