// @vitest-environment happy-dom
// Hearing how a film is prepared, from a socket and from answers that may overtake each other.
import { effectScope } from 'vue'
import { beforeEach, expect, it, onTestFinished, vi } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { ApiError } from '../api/client.ts'
import { useMedia } from './useFilmUpload.ts'

type Tell = (message: { media: Media }) => void
const { call, socket } = vi.hoisted(() => ({
  call: vi.fn(),
  socket: { tell: null as Tell | null },
}))
vi.mock('../api/client.ts', async (original) => ({ ...(await original<object>()), call }))
vi.mock('../api/live.ts', () => ({
  liveSocket: () => ({
    on: (_name: string, hear: Tell) => (socket.tell = hear),
    off: () => (socket.tell = null),
  }),
}))

const A_WHILE_MS = 3000
const film = (state: Media['state'], ...jobs: string[]): Media =>
  ({ id: 'film', state, hosted: null, jobs: jobs.map((of) => ({ state: of })) }) as unknown as Media
const preparing = film('preparing', 'running')
const ready = film('ready', 'done', 'done', 'done')

function followed() {
  const heard: Media['state'][] = []
  const scope = effectScope()
  const { follow } = scope.run(() => useMedia(({ state }) => heard.push(state)))!
  follow('film')
  onTestFinished(() => scope.stop())
  return { heard, scope }
}

beforeEach(() => {
  vi.useFakeTimers()
  onTestFinished(() => void vi.useRealTimers())
  call.mockReset()
})

it('is asked for until all of it is prepared, and then no more', async () => {
  call.mockResolvedValueOnce(preparing).mockResolvedValue(ready)
  const { heard } = followed()
  await vi.advanceTimersByTimeAsync(10 * A_WHILE_MS)
  expect(heard).toEqual(['preparing', 'ready'])
  expect(call).toHaveBeenCalledTimes(2)
})

it('an answer that the socket has overtaken changes nothing', async () => {
  let answer!: (media: Media) => void
  call.mockReturnValueOnce(new Promise((resolve) => (answer = resolve)))
  const { heard } = followed()
  socket.tell!({ media: ready })
  answer(preparing)
  await vi.advanceTimersByTimeAsync(A_WHILE_MS)
  expect(heard).toEqual(['ready'])
})

it('what the socket tells late is asked about again', async () => {
  call.mockResolvedValue(ready)
  const { heard } = followed()
  await vi.advanceTimersByTimeAsync(A_WHILE_MS)
  socket.tell!({ media: preparing })
  await vi.advanceTimersByTimeAsync(A_WHILE_MS)
  expect(heard.at(-1)).toBe('ready')
})

it('a film that is not there is not asked for again; one that cannot be reached now is', async () => {
  call.mockRejectedValueOnce(new ApiError(0, null)).mockRejectedValue(new ApiError(404, null))
  const { heard } = followed()
  await vi.advanceTimersByTimeAsync(10 * A_WHILE_MS)
  expect(call).toHaveBeenCalledTimes(2)
  expect(heard).toEqual([])
})

it('ends with what follows it', async () => {
  call.mockResolvedValue(preparing)
  const { scope, heard } = followed()
  scope.stop()
  await vi.advanceTimersByTimeAsync(10 * A_WHILE_MS)
  expect(call).toHaveBeenCalledTimes(1)
  expect(heard).toEqual([])
})
