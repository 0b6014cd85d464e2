import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  markQuestion,
  pointsAfterTries,
  pointsKept,
  readableAnswer,
  type ChoiceQuestion,
} from '../index.ts'

function question(rights: boolean[], change: Partial<ChoiceQuestion> = {}): ChoiceQuestion {
  const options = rights.map((right, index) => {
    const id = String.fromCharCode(97 + index)
    return [id, { id, order: `a${index}`, text: `Option ${id}`, right, feedback: '' }] as const
  })
  return {
    id: 'q',
    kind: 'choice',
    stem: 'Stem',
    several: false,
    options: Object.fromEntries(options),
    hint: '',
    feedback: { right: '', partly: '', wrong: '' },
    explanation: '',
    points: 6,
    credit: 'penalised',
    tries: 1,
    tryPenalty: 0,
    keep: 'best',
    evidence: null,
    ...change,
  }
}

const pick = (...picked: string[]) => ({ kind: 'choice', picked })

describe('one right option', () => {
  const one = question([false, true, false])
  it.each([
    ['the right one', pick('b'), 6, 'right'],
    ['a wrong one', pick('a'), 0, 'wrong'],
    ['nothing', pick(), 0, 'wrong'],
    ['two, one of them right', pick('a', 'b'), 0, 'wrong'],
    ['the right one said twice', pick('b', 'b'), 6, 'right'],
    ['an option that is not there', pick('z'), 0, 'wrong'],
  ])('%s', (_name, answer, points, verdict) => {
    expect(markQuestion(one, answer)).toMatchObject({ points, max: 6, verdict })
  })
})

describe('several right options', () => {
  // a, b and c are right; d and e are not.
  const several = (credit: ChoiceQuestion['credit']) =>
    question([true, true, true, false, false], { several: true, credit })

  it.each([
    ['allOrNothing', pick('a', 'b', 'c'), 6, 'right'],
    ['allOrNothing', pick('a', 'b'), 0, 'wrong'],
    ['allOrNothing', pick('a', 'b', 'c', 'd'), 0, 'wrong'],
    ['partial', pick('a', 'b'), 4, 'partly'],
    ['partial', pick('a', 'b', 'd'), 4, 'partly'],
    ['partial', pick('a', 'b', 'c', 'd', 'e'), 6, 'partly'],
    ['penalised', pick('a', 'b', 'c'), 6, 'right'],
    ['penalised', pick('a', 'b', 'd'), 1, 'partly'],
    ['penalised', pick('a', 'b', 'c', 'd', 'e'), 0, 'wrong'],
    ['penalised', pick('d', 'e'), 0, 'wrong'],
  ] as const)('%s: %o', (credit, answer, points, verdict) => {
    const mark = markQuestion(several(credit), answer)
    expect(mark.points).toBeCloseTo(points)
    expect(mark.verdict).toBe(verdict)
  })

  it('a question without a wrong option cannot lose points', () => {
    const mark = markQuestion(question([true, true], { several: true }), pick('a', 'b'))
    expect(mark.points).toBe(6)
  })

  it('a question without a right option gives none', () => {
    expect(markQuestion(question([false, false], { several: true }), pick('a')).points).toBe(0)
  })
})

it('gives a verdict and points within bounds for any value at all', () => {
  const values = fc.oneof(
    fc.anything(),
    fc.record({ kind: fc.constant('choice'), picked: fc.anything() }),
  )
  const shapes = fc.array(fc.boolean(), { maxLength: 6 })
  const credits = fc.constantFrom('allOrNothing' as const, 'partial' as const, 'penalised' as const)
  fc.assert(
    fc.property(values, shapes, fc.boolean(), credits, (value, rights, several, credit) => {
      const mark = markQuestion(question(rights, { several, credit }), value)
      expect(mark.points).toBeGreaterThanOrEqual(0)
      expect(mark.points).toBeLessThanOrEqual(mark.max)
      expect(['right', 'partly', 'wrong']).toContain(mark.verdict)
    }),
    { seed: 3, numRuns: 500 },
  )
})

it('one more right pick never costs points', () => {
  fc.assert(
    fc.property(
      fc.subarray(['a', 'b', 'c', 'd', 'e']),
      fc.constantFrom('a', 'b', 'c'),
      (picked, more) => {
        const q = question([true, true, true, false, false], { several: true })
        const before = markQuestion(q, pick(...picked)).points
        expect(markQuestion(q, pick(...new Set([...picked, more]))).points).toBeGreaterThanOrEqual(
          before,
        )
      },
    ),
    { seed: 4 },
  )
})

describe('tries', () => {
  it('cost their share, and never go below nothing', () => {
    expect([1, 2, 3, 4].map((n) => pointsAfterTries(6, 0.5, n))).toEqual([6, 3, 0, 0])
  })
  it('keep the best or the last', () => {
    expect([
      pointsKept([2, 5, 3], 'best'),
      pointsKept([2, 5, 3], 'last'),
      pointsKept([], 'best'),
    ]).toEqual([5, 3, 0])
  })
})

it('reads in the designer’s order', () => {
  expect(
    readableAnswer(question([true, true, false]), { kind: 'choice', picked: ['b', 'a'] }),
  ).toBe('Option a; Option b')
})
