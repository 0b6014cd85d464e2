import { expect, it } from 'vitest'
import { createRestarts } from './restarts.mjs'

it('starts again at once as long as ends are rare, however many there are', () => {
  const restarts = createRestarts()
  for (let end = 0; end < 200; end += 1) expect(restarts.next(end * 10_000)).toBe(0)
})

it('waits where one end follows another, and not any more when that is over', () => {
  const restarts = createRestarts()
  const pauses = Array.from({ length: 12 }, (_, end) => restarts.next(end * 1000))
  expect(pauses.slice(0, 10)).toEqual(Array(10).fill(0))
  expect(pauses.slice(10)).toEqual([15_000, 15_000])
  expect(restarts.next(100_000)).toBe(0)
})
