import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellsOf, largestLeaving, normalise, watchedAgain, type Span } from './index.ts'

const span = (fromS: number, toS: number): Span => ({ fromMs: fromS * 1000, toMs: toS * 1000 })

it('each bin was skipped, seen, or seen again', () => {
  const spans = [span(0, 3), span(2, 5), span(7, 8)]
  expect(cellsOf(normalise(spans), watchedAgain(spans), 10_000, 1000)).toBe('1121100100')
  expect(cellsOf([], [], 3500, 1000)).toBe('0000')
})

describe('where most left', () => {
  const upTo = (...ends: number[]) => ends.map((end) => [span(0, end)])
  it('is the half minute in which most have their furthest point', () => {
    const class_ = upTo(20, 130, 135, 141, 160, 161, 300, 300, 299)
    expect(largestLeaving(class_, 300_000)).toEqual({ ...span(130, 160), count: 4, of: 9 })
    expect(largestLeaving(upTo(130, 140, 159, 161), 300_000)).toMatchObject(span(130, 159))
  })
  it('is nowhere where nobody left, or one here and one there', () => {
    expect(largestLeaving(upTo(300, 299, 295), 300_000)).toBeNull()
    expect(largestLeaving(upTo(20, 200), 300_000)).toBeNull()
    expect(largestLeaving([[], []], 300_000)).toBeNull()
  })
  it('is what looking at every stretch finds', () => {
    const ends = fc.array(fc.integer({ min: 1, max: 300 }), { maxLength: 40 })
    fc.assert(
      fc.property(ends, (list) => {
        const found = largestLeaving(upTo(...list), 300_000)
        const left = list.filter((end) => end * 1000 < 291_000)
        const slow = Math.max(
          0,
          ...left.map((from) => left.filter((end) => end >= from && end <= from + 30).length),
        )
        expect(found?.count ?? 0).toBe(slow >= 2 ? slow : 0)
      }),
    )
  })
})
