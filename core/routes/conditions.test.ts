import { expect, it } from 'vitest'
import type { Condition } from '../lesson/index.ts'
import { isMet } from './index.ts'

const facts = { score: 0.6, watched: { film: 0.8 }, visited: ['film'] }
const results = { a: { right: true }, b: { right: false } }
const met = (condition: Condition | null) => isMet(condition, facts, results)
const answer = (cueId: string | null, is: 'right' | 'wrong' | 'given'): Condition => ({
  if: 'answer',
  cueId,
  is,
})

it('no condition always holds', () => {
  expect(met(null)).toBe(true)
})

it('an answer is right, wrong, or given at all', () => {
  expect([met(answer('a', 'right')), met(answer('a', 'wrong')), met(answer('a', 'given'))]).toEqual(
    [true, false, true],
  )
  expect([met(answer('b', 'right')), met(answer('b', 'wrong'))]).toEqual([false, true])
})

it('an answer that was not given, or to no question, is neither right nor wrong', () => {
  for (const cueId of ['c', null])
    for (const is of ['right', 'wrong', 'given'] as const)
      expect(met(answer(cueId, is))).toBe(false)
})

it('a share is reached from its figure on, whatever quotients lose', () => {
  expect(met({ if: 'score', atLeast: 0.6 })).toBe(true)
  expect(met({ if: 'score', atLeast: 0.61 })).toBe(false)
  expect(
    isMet(
      { if: 'score', atLeast: 0.3 },
      { score: 0.1 + 0.2 - 4e-17, watched: {}, visited: [] },
      {},
    ),
  ).toBe(true)
  expect(met({ if: 'watched', partId: 'film', atLeast: 0.8 })).toBe(true)
  expect(met({ if: 'watched', partId: 'other', atLeast: 0.1 })).toBe(false)
})
