import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blankBase, blankQuestion, plainFileName, withoutNames } from '../questions/index.ts'
import {
  inPileOrder,
  markFault,
  nextUnmarked,
  pseudonyms,
  verdictOfPoints,
  type InPile,
} from './index.ts'

const question = (rubric?: string) => ({
  ...blankQuestion('longText', { ...blankBase('q'), points: 4 }, () => 'x'),
  ...(rubric === undefined ? {} : { rubric }),
})

describe('a mark', () => {
  it('lies between nothing and what the question brings', () => {
    const fault = (points: number) => markFault(question(), { points, levels: null })
    expect([0, 2.5, 4].map(fault)).toEqual([null, null, null])
    expect([fault(-0.5), fault(4.01)]).toEqual(['belowZero', 'aboveMax'])
  })
  it('by a rubric is what its levels come to', () => {
    const asked = question('Steps (3)\nDrawing: 0 none / 1 there')
    const fault = (points: number, levels: (number | null)[]) =>
      markFault(asked, { points, levels })
    expect(fault(3, [2, 1])).toBeNull()
    expect(fault(4, [2, 1])).toBe('levelsDiffer')
    expect(fault(3, [2, null])).toBe('levelsMissing')
    expect(markFault(question(), { points: 3, levels: [2, 1] })).toBe('levelsDiffer')
    const choice = blankQuestion('choice', blankBase('c'), () => 'x')
    expect(markFault(choice, { points: 1, levels: [0] })).toBe('levelsDiffer')
  })
  it('is right, partly right or wrong', () => {
    expect([0, 1, 4].map((points) => verdictOfPoints({ points: 4 }, points))).toEqual([
      'wrong',
      'partly',
      'right',
    ])
    expect(verdictOfPoints({ points: 0 }, 0)).toBe('right')
  })
})

const one = (responseId: string, questionId: string, number: number, isMarked = false): InPile => ({
  responseId,
  questionId,
  isMarked,
  learner: { number, name: null },
})
const ids = (answers: readonly InPile[]) => answers.map(({ responseId }) => responseId)

describe('a pile', () => {
  const answers = [one('a', 'q2', 1), one('b', 'q1', 2), one('c', 'q1', 1), one('d', 'gone', 2)]
  it('is gone through question by question, or learner by learner', () => {
    expect(ids(inPileOrder(answers, 'question', ['q1', 'q2']))).toEqual(['c', 'b', 'a', 'd'])
    expect(ids(inPileOrder(answers, 'learner', ['q1', 'q2']))).toEqual(['c', 'a', 'b', 'd'])
    const named = answers.map((answer, index) => ({
      ...answer,
      learner: { number: index, name: ['Wren', 'Ash', 'Wren', 'Ash'][index]! },
    }))
    expect(ids(inPileOrder(named, 'learner', ['q1', 'q2']))).toEqual(['b', 'd', 'a', 'c'])
  })
  it('goes on with the next that nobody has marked, and round again', () => {
    const some = [
      one('a', 'q', 1),
      one('b', 'q', 2, true),
      one('c', 'q', 3),
      one('d', 'q', 4, true),
    ]
    expect(nextUnmarked(some, null)?.responseId).toBe('a')
    expect(nextUnmarked(some, 'a')?.responseId).toBe('c')
    expect(nextUnmarked(some, 'd')?.responseId).toBe('a')
    expect(nextUnmarked([some[0]!, some[1]!], 'a')).toBeNull()
    expect(nextUnmarked([], 'a')).toBeNull()
  })
  it('comes to its end: whoever marks each next one marks all of them', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean()), fc.nat(), (marks, start) => {
        const pile = marks.map((isMarked, index) => ({ ...one(`${index}`, 'q', index), isMarked }))
        let at: InPile | null = pile[start % Math.max(1, pile.length)] ?? null
        for (let steps = 0; at && steps <= pile.length; steps += 1) {
          at.isMarked = true
          at = nextUnmarked(pile, at.responseId)
        }
        expect(pile.every(({ isMarked }) => isMarked)).toBe(true)
      }),
    )
  })
})

describe('learners without their names', () => {
  const people = Array.from({ length: 30 }, (_, index) => `person-${index}`)
  it('have each a number of their own, the same each time, whoever else is there first', () => {
    const numbers = pseudonyms(people, 'spring')
    expect([...numbers.values()].sort((a, b) => a - b)).toEqual(people.map((_, at) => at + 1))
    expect([...pseudonyms([...people].reverse(), 'spring')].sort()).toEqual([...numbers].sort())
  })
  it('stand in another order for each pile', () =>
    expect([...pseudonyms(people, 'a').keys()]).not.toEqual([...pseudonyms(people, 'b').keys()]))
})

describe('whose answer it is, while names are hidden', () => {
  it.each([
    ['Greta Ullswick sketch.webp', '1.webp'],
    ['sketch.tar.GZ', '1.GZ'],
    ['Greta', '1'],
    ['.Greta Ullswick', '1'],
    ['sketch.by Greta', '1'],
    ['sketch.', '1'],
  ])('is not in the name of a file: %s', (name, shown) =>
    expect(plainFileName(name, 1)).toBe(shown),
  )
  it('is not in an answer, of which all else stays', () => {
    const file = (id: string, name: string) => ({ id, name, bytes: 7 })
    const answer = { kind: 'upload' as const, files: [file('a', 'Greta.png'), file('b', 'G.pdf')] }
    expect(withoutNames(answer)).toEqual({
      kind: 'upload',
      files: [file('a', '1.png'), file('b', '2.pdf')],
    })
    const text = { kind: 'longText' as const, text: 'A sketch.png' }
    expect(withoutNames(text)).toBe(text)
  })
})
