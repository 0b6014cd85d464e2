import { describe, expect, it } from 'vitest'
import { bookStateOf, weightedShare, type BookFacts, type BookState } from './index.ts'

const facts = (more: Partial<BookFacts> = {}): BookFacts => ({
  isGiven: true,
  isExcused: false,
  isDue: false,
  begun: null,
  ...more,
})
const begun = (answered: number, questions = 4) => ({ begun: { answered, questions } })

describe('a cell of the mark book', () => {
  it.each<[string, Partial<BookFacts>, BookState]>([
    ['what is not due and not begun', {}, 'notYet'],
    ['what is due and was not begun', { isDue: true }, 'missing'],
    ['what was meant for others', { isGiven: false, isDue: true }, 'notGiven'],
    [
      'what was done though it is meant for others by now',
      { isGiven: false, ...begun(2) },
      'marked',
    ],
    ['what was begun, and nothing answered yet', begun(0), 'begun'],
    [
      'what was begun, and nothing answered when it was due',
      { isDue: true, ...begun(0) },
      'marked',
    ],
    ['what has nothing to answer', begun(0, 0), 'marked'],
    ['what earned nothing', begun(4), 'marked'],
    ['what was excused', { isExcused: true, isDue: true }, 'excused'],
    ['what was excused though it was done', { isExcused: true, ...begun(4) }, 'excused'],
  ])('of %s', (_what, more, state) => expect(bookStateOf(facts(more))).toBe(state))
})

describe('all together', () => {
  const mark = (state: BookState, points: number, max = 4) => ({ state, points, max })
  it('counts what was not done in time as none, and what is not to be done not at all', () => {
    expect(
      weightedShare([
        { weight: 3, mark: mark('marked', 2) },
        { weight: 1, mark: mark('missing', 0) },
        { weight: 5, mark: mark('marked', 0, 0) },
        { weight: 7, mark: mark('excused', 4) },
        { weight: 7, mark: mark('notGiven', 0) },
        { weight: 7, mark: mark('notYet', 0) },
        { weight: 7, mark: mark('begun', 0) },
        { weight: 0, mark: mark('marked', 4) },
      ]),
    ).toBe(0.375)
  })
  it('is nothing where nothing counts', () => {
    expect(weightedShare([])).toBeNull()
    expect(weightedShare([{ weight: 1, mark: mark('notYet', 0) }])).toBeNull()
  })
})
