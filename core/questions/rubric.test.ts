import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pointsOfLevels, rubricMax, rubricOf, unreadableLines } from './index.ts'

const RUBRIC = `Order of the steps: 0 missing / 1 named / 2,5 named and in order

Clear drawing (3)`

describe('a rubric', () => {
  it('is read line by line, its levels from the fewest points on', () => {
    expect(rubricOf({ rubric: RUBRIC })).toEqual([
      {
        title: 'Order of the steps',
        levels: [
          { points: 0, words: 'missing' },
          { points: 1, words: 'named' },
          { points: 2.5, words: 'named and in order' },
        ],
      },
      { title: 'Clear drawing', levels: [0, 1, 2, 3].map((points) => ({ points, words: '' })) },
    ])
    const [one] = rubricOf({ rubric: 'Gate: 2 shut / 0 open' })
    expect(one!.levels.map(({ points }) => points)).toEqual([0, 2])
    expect(rubricMax(rubricOf({ rubric: RUBRIC }))).toBe(5.5)
  })

  it('names lines that say nothing of points, and those that are one too many', () => {
    const lines = ['Fine (2)', 'Nothing', 'One: 1 level', 'Far too much (99)', ': 0 a / 1 b', '(3)']
    expect(unreadableLines({ rubric: lines.join('\n') })).toEqual([2, 3, 4, 5, 6])
    expect(unreadableLines({ rubric: 'One (1)\n'.repeat(13) })).toEqual([13])
    expect(rubricOf({ rubric: 'One (1)\n'.repeat(13) })).toHaveLength(12)
    expect([rubricOf({}), unreadableLines({})]).toEqual([[], []])
  })

  it('comes to a share of the question’s points', () => {
    const question = { points: 11, rubric: RUBRIC }
    expect(pointsOfLevels(question, [2, 3])).toBe(11)
    expect(pointsOfLevels(question, [1, 0])).toBe(2)
    expect(pointsOfLevels({ ...question, points: 1 }, [1, 1])).toBe(0.36)
    for (const levels of [[2, null], [2], [2, 4], [2, 3, 0], [-1, 0]])
      expect(pointsOfLevels(question, levels)).toBeNull()
    expect(pointsOfLevels({ points: 3 }, [])).toBeNull()
  })

  it('never brings less than nothing nor more than there is, whatever is written', () => {
    const line = fc.oneof(
      fc.string(),
      fc.tuple(fc.string(), fc.nat(20)).map(([title, most]) => `${title} (${most})`),
      fc
        .tuple(fc.string(), fc.array(fc.nat(120), { minLength: 1, maxLength: 4 }))
        .map(([title, levels]) => `${title}: ${levels.map((one) => `${one} x`).join(' / ')}`),
    )
    fc.assert(
      fc.property(fc.array(line), fc.nat(100), fc.array(fc.nat(5)), (lines, points, picks) => {
        const question = { points, rubric: lines.join('\n') }
        const criteria = rubricOf(question)
        const levels = criteria.map(({ levels }, index) => (picks[index] ?? 0) % levels.length)
        const come = pointsOfLevels(question, levels)
        expect(come === null).toBe(rubricMax(criteria) === 0)
        expect(come ?? 0).toBeGreaterThanOrEqual(0)
        expect(come ?? 0).toBeLessThanOrEqual(points)
      }),
    )
  })
})
