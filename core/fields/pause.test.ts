import fc from 'fast-check'
import { expect, it } from 'vitest'
import { pauseAfter } from './index.ts'

const PAUSES = { firstMs: 1000, mostMs: 10_000 }

it.each([
  [1, 1000],
  [2, 2000],
  [4, 8000],
  [5, 10_000],
  [1000, 10_000],
])('after %i failures it is %i ms in the middle', (failures, ms) =>
  expect(pauseAfter(failures, PAUSES, () => 0.5)).toBe(ms),
)

it('is spread over as much as its middle is long', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 40 }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      (n, d) => {
        const middle = pauseAfter(n, PAUSES, () => 0.5)
        const pause = pauseAfter(n, PAUSES, () => d)
        expect(pause).toBeGreaterThanOrEqual(middle / 2)
        expect(pause).toBeLessThanOrEqual(middle * 1.5)
      },
    ),
    { seed: 20 },
  )
})
