import { describe, expect, it } from 'vitest'
import { correlation, median, quantile, shareDifference, variance, wilson } from './index.ts'

describe('statistics with known answers', () => {
  it('quartiles', () => {
    expect([0.25, 0.5, 0.75].map((share) => quantile([4, 1, 3, 2], share))).toEqual([
      1.75, 2.5, 3.25,
    ])
    expect(quantile([], 0.5)).toBeNull()
    expect(quantile([7], 0.9)).toBe(7)
  })
  it('variance', () => {
    expect(variance([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(32 / 7, 12)
    expect(variance([1])).toBeNull()
  })
  it('correlation', () => {
    expect(correlation([1, 2, 3], [2, 4, 6])).toBeCloseTo(1, 12)
    expect(correlation([1, 2, 3], [3, 2, 1])).toBeCloseTo(-1, 12)
    expect(correlation([1, 1, 1], [3, 2, 1])).toBeNull()
  })
  // Newcombe 1998, “Interval estimation for the difference between independent proportions”, table II, row a.
  it('the interval of a difference of shares', () => {
    const found = shareDifference({ count: 56, of: 70 }, { count: 48, of: 80 })!
    expect(found.difference).toBeCloseTo(0.2, 4)
    expect(found.low).toBeCloseTo(0.0524, 4)
    expect(found.high).toBeCloseTo(0.3339, 4)
    expect(shareDifference({ count: 0, of: 0 }, { count: 1, of: 2 })).toBeNull()
  })
  // Newcombe 1998, “Two-sided confidence intervals for the single proportion”, table I.
  it('the interval of a share', () => {
    const found = wilson({ count: 81, of: 263 })!
    expect(found.low).toBeCloseTo(0.2553, 4)
    expect(found.high).toBeCloseTo(0.3662, 4)
    expect(wilson({ count: 0, of: 20 })!.low).toBe(0)
    expect(wilson({ count: 20, of: 20 })!.high).toBe(1)
  })
})

it('the median is the middle, or half way between the two in it', () => {
  expect(median([3, 1, 2])).toBe(2)
  expect(median([4, 1, 2, 3])).toBe(2.5)
  expect(median([])).toBeNull()
})
