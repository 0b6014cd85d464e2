// @vitest-environment happy-dom
// What was asked for ahead is given to the next who asks for the same, once, and only as long as it is fresh.
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ApiError, askAhead, call } from './client.ts'
import { leave } from './leaving.ts'

const asked = vi.fn<(address: string) => Promise<Response>>()
beforeEach(() => {
  let count = 0
  asked.mockReset().mockImplementation(() => {
    count += 1
    return Promise.resolve(new Response(JSON.stringify({ lessons: [count] })))
  })
  vi.stubGlobal('fetch', asked)
})
afterEach(() => vi.useRealTimers())

it('is asked for once, and anew the next time', async () => {
  askAhead('lessons')
  expect(await call('lessons')).toEqual({ lessons: [1] })
  expect(asked).toHaveBeenCalledTimes(1)
  expect(await call('lessons')).toEqual({ lessons: [2] })
})

it('is only what is asked for, with all its parts', async () => {
  askAhead('pile', {
    params: { source: 'lesson', sourceId: 'a' },
    query: { names: 'shown', which: 'all' },
  })
  await call('pile', {
    params: { source: 'lesson', sourceId: 'a' },
    query: { names: 'hidden', which: 'all' },
  })
  expect(asked.mock.calls.map(([address]) => address)).toEqual([
    '/api/marking/lesson/a?names=shown&which=all',
    '/api/marking/lesson/a?names=hidden&which=all',
  ])
})

it('is asked for anew where nobody has fetched it for long', async () => {
  vi.useFakeTimers()
  askAhead('lessons')
  await vi.advanceTimersByTimeAsync(10_001)
  expect(await call('lessons')).toEqual({ lessons: [2] })
})

it('tells its fault to whoever asks, and is then asked for anew', async () => {
  asked.mockRejectedValueOnce(new TypeError('the line was cut'))
  askAhead('lessons')
  await expect(call('lessons')).rejects.toBeInstanceOf(ApiError)
  expect(await call('lessons')).toEqual({ lessons: [1] })
})

it('is told to nobody who comes after whoever asked', async () => {
  askAhead('lessons')
  leave()
  expect(await call('lessons')).toEqual({ lessons: [2] })
})
