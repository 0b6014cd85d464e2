// When the server only reads: below one mark, until above another, and whenever somebody says so.
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { READ_ONLY_BELOW_BYTES, WRITABLE_ABOVE_BYTES } from '@fernbrake/core/media'
import { watchRoom } from './roomWatch.ts'

let free: number | Error
const changes: boolean[] = []
const watch = (always = false) =>
  watchRoom({
    freeBytes: () => (free instanceof Error ? Promise.reject(free) : Promise.resolve(free)),
    always,
    onChange: (isReadOnly) => changes.push(isReadOnly),
  })
beforeEach(() => {
  vi.useFakeTimers()
  changes.length = 0
})
afterEach(() => void vi.useRealTimers())

it('goes on below the lower mark and off above the upper one, by itself', async () => {
  free = WRITABLE_ABOVE_BYTES
  const room = watch()
  const seen: boolean[] = []
  for (const bytes of [
    READ_ONLY_BELOW_BYTES,
    READ_ONLY_BELOW_BYTES - 1,
    WRITABLE_ABOVE_BYTES - 1,
    WRITABLE_ABOVE_BYTES,
    READ_ONLY_BELOW_BYTES,
  ]) {
    free = bytes
    await vi.advanceTimersByTimeAsync(10_000)
    seen.push(room.isReadOnly())
  }
  expect([seen, changes]).toEqual([
    [false, true, true, false, false],
    [true, false],
  ])
  room.stop()
})

it('lets those wait who would store something, and go on once they may', async () => {
  free = 0
  const room = watch()
  await room.look()
  const went: number[] = []
  void room.untilWritable().then(() => went.push(1))
  await vi.advanceTimersByTimeAsync(60_000)
  expect(went).toEqual([])
  free = WRITABLE_ABOVE_BYTES
  await vi.advanceTimersByTimeAsync(10_000)
  expect(went).toEqual([1])
  await room.untilWritable()
  room.stop()
})

it('stays as it is where nobody can say how much there is, and on where somebody wants it so', async () => {
  free = 0
  const room = watch()
  await room.look()
  free = new Error('no such folder')
  await room.look()
  expect(room.isReadOnly()).toBe(true)
  room.stop()
  free = WRITABLE_ABOVE_BYTES
  const asked = watch(true)
  await asked.look()
  expect([asked.isReadOnly(), changes]).toEqual([true, [true]])
  asked.stop()
})
