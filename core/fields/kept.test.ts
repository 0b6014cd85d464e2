import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { createKept, remembered } from './kept.ts'

describe('what is kept in memory', () => {
  it('is what was put there last, never more than so much, and gone when taken away', () => {
    const step = fc.tuple(
      fc.constantFrom('set', 'get', 'delete'),
      fc.integer({ min: 0, max: 12 }),
      fc.integer(),
    )
    fc.assert(
      fc.property(fc.array(step, { maxLength: 200 }), (steps) => {
        const kept = createKept<number>(6)
        const truth = new Map<string, number>()
        for (const [what, place, value] of steps) {
          const key = String(place)
          if (what === 'set') kept.set(key, value)
          if (what === 'set') truth.set(key, value)
          if (what === 'delete') kept.delete(key)
          if (what === 'delete') truth.delete(key)
          const found = kept.get(key)
          if (found !== undefined) expect(found).toBe(truth.get(key))
          else if (what === 'set') throw new Error('what was just put there is gone')
        }
        const all = Array.from({ length: 13 }, (_, place) => kept.get(String(place)))
        expect(all.filter((found) => found !== undefined).length).toBeLessThanOrEqual(6)
      }),
    )
  })

  it('keeps what is asked for, and lets go of what nobody asks for', () => {
    const kept = createKept<number>(10)
    kept.set('wanted', 1)
    kept.set('forgotten', 2)
    for (let index = 0; index < 40; index += 1) {
      kept.set(`other ${index}`, index)
      expect(kept.get('wanted')).toBe(1)
    }
    expect(kept.get('forgotten')).toBeUndefined()
  })

  it('works out once what is asked for again', () => {
    const find = vi.fn((text: string) => text.length)
    const lengthOf = remembered(100, find)
    expect([lengthOf('four'), lengthOf('four'), lengthOf('seven')]).toEqual([4, 4, 5])
    expect(find).toHaveBeenCalledTimes(2)
  })
})
