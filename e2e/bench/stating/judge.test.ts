import { describe, expect, it } from 'vitest'
import type { Figure } from './figure.ts'
import {
  calibrated,
  CALIBRATED_ANSWERS,
  middle,
  quantile,
  spread,
  verdictOf,
  worseBy,
} from './judge.ts'

const figure = (rounds: number[], isWork = false): Figure => ({
  id: 'a',
  what: 'A',
  unit: 'ms',
  rounds,
  aim: { most: 10 },
  isWork,
  limit: '',
  reference: '',
})

describe('middle and spread', () => {
  it('stand between two numbers where no number stands', () => {
    expect(middle([3, 1, 2])).toBe(2)
    expect(middle([4, 1, 2, 3])).toBe(2.5)
    expect(quantile([0, 10], 0.95)).toBeCloseTo(9.5)
    expect(quantile([7], 0.25)).toBe(7)
  })

  it('are not moved by one round that was disturbed', () => {
    expect(spread([10, 11, 12, 13, 14])).toBe(2)
    expect(spread([10, 11, 12, 13, 900])).toBe(2)
    expect(spread([5])).toBe(0)
  })
})

describe('a time of work', () => {
  it('is turned into that of the calibrated machine: a machine of half its speed takes twice as long', () => {
    expect(calibrated(figure([100, 120], true), CALIBRATED_ANSWERS / 2)).toEqual([50, 60])
    expect(calibrated(figure([100, 120]), CALIBRATED_ANSWERS / 2)).toEqual([100, 120])
  })
})

describe('an aim', () => {
  it('is met or missed where the rounds say so', () => {
    expect(verdictOf({ most: 10 }, [7, 8, 9])).toBe('met')
    expect(verdictOf({ most: 10 }, [12, 13, 14])).toBe('missed')
    expect(verdictOf({ least: 10 }, [12, 13, 14])).toBe('met')
    expect(verdictOf({ least: 10 }, [7, 8, 9])).toBe('missed')
    expect(verdictOf({ most: 10 }, [10])).toBe('met')
  })

  it('is not told apart where they lie wider than their distance from it', () => {
    expect(verdictOf({ most: 10 }, [5, 9, 15])).toBe('not told apart')
    expect(verdictOf({ least: 10 }, [5, 11, 15])).toBe('not told apart')
  })
})

describe('worse than what was kept', () => {
  it('is said only beyond the spread of both, and in the direction of the aim', () => {
    const kept = { middle: 10, spread: 2 }
    expect(worseBy({ most: 20 }, kept, { middle: 13, spread: 1 })).toBe(3)
    expect(worseBy({ most: 20 }, kept, { middle: 11, spread: 1 })).toBeNull()
    expect(worseBy({ most: 20 }, kept, { middle: 13, spread: 4 })).toBeNull()
    expect(worseBy({ least: 5 }, kept, { middle: 13, spread: 1 })).toBeNull()
    expect(worseBy({ least: 5 }, kept, { middle: 7, spread: 1 })).toBe(3)
    expect(worseBy({ most: 0 }, { middle: 0, spread: 0 }, { middle: 0, spread: 0 })).toBeNull()
  })
})
