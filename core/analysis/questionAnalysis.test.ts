import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { correlation, variance } from '../statistics/index.ts'
import {
  analyseQuestions,
  analyseTest,
  helpOf,
  tellingOf,
  tenthsOf,
  type Asked,
  type Outcome,
  type Sitting,
} from './index.ts'

const asked = (id: string, max = 1, right: string[] = []): Asked => ({
  id,
  max,
  options: ['a', 'b', 'c'].map((option) => ({ id: option, right: right.includes(option) })),
})
const outcome = (points: number, more: Partial<Outcome> = {}): Outcome => ({
  points,
  picked: [],
  tries: 1,
  tookMs: null,
  hadSeen: null,
  ...more,
})
/** One row a learner, one column a question; null where it was not answered. */
const table = (...rows: (number | null)[][]): Sitting[] =>
  rows.map((row) =>
    Object.fromEntries(
      row.flatMap((points, index) => (points === null ? [] : [[`q${index}`, outcome(points)]])),
    ),
  )
const questions = (count: number, max = 1) =>
  Array.from({ length: count }, (_, index) => asked(`q${index}`, max))

describe('a question', () => {
  it('is as hard as those who answered found it, and tells the strong from the weak', () => {
    const sittings = table([1, 1, 1], [1, 1, 0], [1, 0, 0], [0, 0, null])
    const [first, second, third] = analyseQuestions(questions(3), sittings)
    expect(first).toMatchObject({ answered: 4, difficulty: 0.75 })
    expect(second!.difficulty).toBe(0.5)
    expect(third).toMatchObject({ answered: 3, difficulty: 1 / 3 })
    // Against the rest alone: (1, 1, 1, 0) with (2, 1, 0, 0).
    expect(first!.discrimination).toBeCloseTo(correlation([1, 1, 1, 0], [2, 1, 0, 0])!, 12)
    // One of four is 27 %.
    expect(second!.upperLower).toBe(1)
    expect(analyseQuestions(questions(1), [])[0]).toMatchObject({
      answered: 0,
      difficulty: null,
      discrimination: null,
      upperLower: null,
      seen: null,
    })
  })

  it('says who picked what, and which wrong option misleads the best', () => {
    const pick = (points: number, ...picked: string[]): Sitting => ({
      q: outcome(points, { picked }),
      other: outcome(10 - points * 3),
    })
    // Those who are best in all pick the wrong b.
    const sittings = [
      pick(0, 'b'),
      pick(0, 'b'),
      pick(1, 'a'),
      { ...pick(0, 'c'), other: outcome(9) },
      pick(1, 'a'),
      pick(1, 'a'),
    ]
    const [figures] = analyseQuestions([asked('q', 1, ['a']), asked('other', 10)], sittings)
    expect(figures!.misleading).toEqual(['b'])
    expect(figures!.options.map(({ id, upper, lower }) => [id, upper, lower])).toEqual([
      ['a', 0, 1],
      ['b', 1, 0],
      ['c', 0, 0],
    ])
    const poll = analyseQuestions([asked('q', 1), asked('other', 10)], sittings)
    expect(poll[0]!.misleading).toEqual([])
  })

  it('shares a tie at the border, so that the order of arrival changes nothing', () => {
    // Four of five have the same total; the group of one is a quarter of each of them.
    const sittings = table([1, 0], [0, 1], [1, 0], [0, 1], [0, 0])
    const [first, second] = analyseQuestions(questions(2), sittings)
    expect([first!.upperLower, second!.upperLower]).toEqual([0.5, 0.5])
    const sitting = fc.array(fc.constantFrom(0, 0.5, 1), { minLength: 3, maxLength: 3 })
    fc.assert(
      fc.property(fc.array(sitting, { minLength: 2, maxLength: 12 }), fc.nat(), (rows, seed) => {
        const figures = (list: typeof rows) => analyseQuestions(questions(3), table(...list))
        const mixed = rows
          .map((row, at) => [Math.sin(seed + at * 7.3), row] as const)
          .sort(([one], [other]) => one - other)
          .map(([, row]) => row)
        figures(mixed).forEach(({ upperLower }, at) => {
          const before = figures(rows)[at]!.upperLower
          if (before === null) expect(upperLower).toBeNull()
          else expect(upperLower).toBeCloseTo(before, 12)
        })
      }),
    )
  })

  it('shares a tie as the mean over all orders of those in it does', () => {
    /** Every order of the sittings, ranked by total as they come. */
    const orders = <T>(list: readonly T[]): T[][] =>
      list.length < 2
        ? [[...list]]
        : list.flatMap((one, at) => orders(list.toSpliced(at, 1)).map((rest) => [one, ...rest]))
    const row = fc.tuple(fc.constantFrom(0, 1), fc.constantFrom(0, 1))
    fc.assert(
      fc.property(fc.array(row, { minLength: 2, maxLength: 6 }), (rows) => {
        const size = Math.round(rows.length * 0.27)
        const total = ([a, b]: (typeof rows)[number]) => a + b
        const slowly = orders(rows).map((list) => {
          const ranked = list.toSorted((a, b) => total(b) - total(a))
          const right = (group: typeof rows) => group.filter(([first]) => first === 1).length
          return (right(ranked.slice(0, size)) - right(ranked.slice(-size))) / size
        })
        const mean = slowly.reduce((sum, one) => sum + one, 0) / slowly.length
        const { upperLower } = analyseQuestions(questions(2), table(...rows))[0]!
        if (size > 0) expect(upperLower).toBeCloseTo(mean, 9)
      }),
      { numRuns: 60 },
    )
  })

  it('says whether having seen the answer helped', () => {
    const one = (points: number, hadSeen: boolean | null, tookMs: number, tries = 1): Sitting => ({
      q: outcome(points, { hadSeen, tookMs, tries }),
    })
    const sittings = [
      one(1, true, 4000),
      one(1, true, 6000),
      one(0, true, 9000, 3),
      one(0, false, 2000),
      one(1, null, 1000),
    ]
    const { seen, medianMs, tries } = analyseQuestions([asked('q')], sittings)[0]!
    expect(seen).toMatchObject({ withIt: { count: 2, of: 3 }, without: { count: 0, of: 1 } })
    expect(seen!.gap!.difference).toBeCloseTo(2 / 3, 12)
    expect([medianMs, tries]).toEqual([4000, 1.4])
  })
})

describe('in words', () => {
  it('a question tells much, little, or the wrong way round', () =>
    expect([null, -0.1, 0, 0.19, 0.2, 0.6].map(tellingOf)).toEqual([
      'unknown',
      'against',
      'little',
      'little',
      'well',
      'well',
    ]))
  it('seeing the answer helped only where the interval leaves no doubt', () => {
    const gap = (low: number, high: number) => helpOf({ low, high })
    expect([gap(0.1, 0.5), gap(-0.5, -0.1), gap(-0.1, 0.5), helpOf(null)]).toEqual([
      'helped',
      'hindered',
      'open',
      'unknown',
    ])
  })
})

describe('how totals spread', () => {
  it('each is in the tenth that it is the upper end of, none below the first', () => {
    expect(tenthsOf([0, 1, 1.01, 5, 9.99, 10], 10)).toEqual([2, 1, 0, 0, 1, 0, 0, 0, 0, 2])
    expect(tenthsOf([0.3, 0.1 + 0.2], 3)).toEqual([2, 0, 0, 0, 0, 0, 0, 0, 0, 0])
    expect(tenthsOf([3], 0)).toEqual(Array(10).fill(0))
  })
  it('everybody is somewhere', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 7, noNaN: true })), (totals) => {
        expect(tenthsOf(totals, 7).reduce((all, one) => all + one, 0)).toBe(totals.length)
      }),
    )
  })
})

const marks = fc
  .tuple(fc.integer({ min: 2, max: 6 }), fc.integer({ min: 2, max: 25 }))
  .chain(([columns, rows]) =>
    fc.array(fc.array(fc.integer({ min: 0, max: 3 }), { minLength: columns, maxLength: columns }), {
      minLength: rows,
      maxLength: rows,
    }),
  )

describe('all questions together', () => {
  it('have a mean, a spread and quartiles', () => {
    const figures = analyseTest(questions(2, 3), table([3, 3], [2, 2], [1, 1], [0, 0]))
    expect(figures).toMatchObject({
      learners: 4,
      mean: 3,
      median: 3,
      quartiles: { lower: 1.5, upper: 4.5 },
      isEnough: false,
    })
    // Two questions that say the same are wholly reliable, and nothing is left to error.
    expect(figures.reliability).toBeCloseTo(1, 12)
    expect(figures.error).toBeCloseTo(0, 6)
  })

  it('say nothing of reliability where nobody differs, or there is one question', () => {
    expect(analyseTest(questions(2), table([1, 0], [0, 1])).reliability).toBeNull()
    expect(analyseTest(questions(1), table([1], [0])).reliability).toBeNull()
    expect(analyseTest(questions(2), [])).toMatchObject({ mean: null, sd: null, quartiles: null })
    expect(analyseTest(questions(2), table(...Array<number[]>(10).fill([1, 0]))).isEnough).toBe(
      true,
    )
  })

  /** The slow way: from every pair of questions. */
  function alphaOfPairs(rows: number[][]): number {
    const k = rows[0]!.length
    const column = (at: number) => rows.map((row) => row[at]!)
    const covariance = (a: number[], b: number[]) => {
      const [ma, mb] = [a, b].map((one) => one.reduce((x, y) => x + y, 0) / one.length)
      return a.reduce((all, value, i) => all + (value - ma!) * (b[i]! - mb!), 0) / (a.length - 1)
    }
    let [between, all] = [0, 0]
    for (let i = 0; i < k; i += 1)
      for (let j = 0; j < k; j += 1) {
        const one = covariance(column(i), column(j))
        all += one
        if (i !== j) between += one
      }
    return (k / (k - 1)) * (between / all)
  }

  it('alpha is what comes of every pair of questions', () => {
    fc.assert(
      fc.property(marks, (rows) => {
        const { reliability } = analyseTest(questions(rows[0]!.length, 3), table(...rows))
        if (reliability !== null) expect(reliability).toBeCloseTo(alphaOfPairs(rows), 8)
      }),
    )
  })

  it('of marks that are 0 or 1, alpha is KR-20', () => {
    const rows = [
      [1, 1, 1, 1],
      [1, 1, 1, 0],
      [1, 1, 0, 0],
      [1, 0, 0, 0],
      [0, 0, 0, 0],
    ]
    const n = rows.length
    const pq = [0.8, 0.6, 0.4, 0.2].reduce((all, p) => all + p * (1 - p), 0)
    const spread = (variance(rows.map((row) => row.reduce((x, y) => x + y, 0)))! * (n - 1)) / n
    const kr20 = (4 / 3) * (1 - pq / spread)
    expect(analyseTest(questions(4), table(...rows)).reliability).toBeCloseTo(kr20, 12)
  })

  it('figures stay within their bounds, whatever the marks', () => {
    fc.assert(
      fc.property(marks, (rows) => {
        const of = questions(rows[0]!.length, 3)
        const { reliability, error } = analyseTest(of, table(...rows))
        if (reliability !== null) expect(reliability).toBeLessThanOrEqual(1 + 1e-9)
        if (error !== null) expect(error).toBeGreaterThanOrEqual(0)
        for (const one of analyseQuestions(of, table(...rows))) {
          expect(one.difficulty).toBeGreaterThanOrEqual(0)
          expect(one.difficulty).toBeLessThanOrEqual(1)
          for (const figure of [one.discrimination, one.upperLower])
            if (figure !== null) expect(Math.abs(figure)).toBeLessThanOrEqual(1)
        }
      }),
    )
  })
})
