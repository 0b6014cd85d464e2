import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createRandom, disarranged, numbersFrom, shuffled } from './index.ts'

describe('chance that can be repeated', () => {
  // Learners come back to questions in the order that these give them: what they yield may never change.
  it('yields what it always yielded', () => {
    expect(shuffled([...'abcdefgh'], 'attempt-1 question-7').join('')).toBe('deahfbcg')
    const random = createRandom(7)
    expect(random.next()).toBe(0.04900959390215576)
    expect(createRandom(7).id()).toBe('DK57YnTGosSAEWMd')
  })

  it('mixes without losing or doubling anything, and by its seed alone', () => {
    fc.assert(
      fc.property(fc.array(fc.integer()), fc.string(), (things, seed) => {
        const mixed = shuffled(things, seed)
        expect([...mixed].sort()).toEqual([...things].sort())
        expect(shuffled(things, seed)).toEqual(mixed)
      }),
    )
  })

  it('never leaves in order what is to be put in order', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer(), { minLength: 2 }), fc.string(), (things, seed) => {
        expect(disarranged(things, seed)).not.toEqual(things)
      }),
    )
    expect(disarranged([1], 'seed')).toEqual([1])
  })

  it('spreads evenly, each order as often as another', () => {
    const counts = new Map<string, number>()
    for (let index = 0; index < 60_000; index += 1) {
      const order = shuffled(['a', 'b', 'c'], `seed ${index}`).join('')
      counts.set(order, (counts.get(order) ?? 0) + 1)
    }
    expect(counts.size).toBe(6)
    for (const count of counts.values()) expect(Math.abs(count - 10_000)).toBeLessThan(500)
  })

  it('draws numbers from 0 up to but never 1, and normal ones of mean 0 and deviation 1', () => {
    const random = createRandom(3)
    const normal = Array.from({ length: 50_000 }, () => random.normal())
    const mean = normal.reduce((sum, one) => sum + one, 0) / normal.length
    const variance = normal.reduce((sum, one) => sum + (one - mean) ** 2, 0) / normal.length
    expect(Math.abs(mean)).toBeLessThan(0.02)
    expect(Math.abs(variance - 1)).toBeLessThan(0.03)
    for (const next of [random.next, numbersFrom('text')])
      for (let count = 0; count < 10_000; count += 1) {
        const drawn = next()
        expect(drawn >= 0 && drawn < 1).toBe(true)
      }
    expect(() => random.pick([])).toThrow('Nothing to pick')
  })
})
