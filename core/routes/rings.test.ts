import { describe, expect, it } from 'vitest'
import { edits, type Condition, type Lesson } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withFork, withQuestion } from '../testing/index.ts'
import { surveyRoutes } from './index.ts'

const tried = (atMs: number, tries: number) =>
  edited(withQuestion(lessonWithFilm(), { id: 'a', atMs }), edits.setQuestionRules, {
    questionId: 'q-a',
    rules: { tries },
  })
const back = (lesson: Lesson, condition?: Condition, defaultChoice?: string) =>
  withFork(lesson, {
    id: 'f',
    atMs: 10_000,
    rules: { decides: true, ...(defaultChoice ? { defaultChoice } : {}) },
    ways: [
      { id: 'back', target: { to: 'time', atMs: 2000 }, ...(condition ? { condition } : {}) },
      { id: 'on', target: { to: 'on' } },
    ],
  })
const isRing = (lesson: Lesson) => surveyRoutes(lesson).findings.some(({ code }) => code === 'ring')
const answer = (is: 'right' | 'wrong' | 'given'): Condition => ({ if: 'answer', cueId: 'a', is })

describe('a fork that leads back by itself', () => {
  it('is no ring where an answer on the way can change it', () => {
    expect(isRing(back(tried(5000, 2), answer('wrong')))).toBe(false)
    expect(isRing(back(tried(5000, 0), { if: 'score', atLeast: 0.5 }))).toBe(false)
    expect(isRing(back(tried(5000, 2), { if: 'watched', partId: PART, atLeast: 1 }))).toBe(false)
  })
  it.each<[string, Lesson]>([
    ['always', back(tried(5000, 2))],
    ['by a question before the way', back(tried(1000, 2), answer('wrong'))],
    ['by a question behind it', back(tried(20_000, 2), answer('wrong'))],
    ['by one that has no other try', back(tried(5000, 1), answer('wrong'))],
    ['by an answer that was given', back(tried(5000, 2), answer('given'))],
    ['by a part that was opened', back(tried(5000, 2), { if: 'visited', partId: PART })],
  ])('is a ring %s, and the survey says when', (_, lesson) => {
    expect(surveyRoutes(lesson).findings).toContainEqual({
      code: 'ring',
      partId: PART,
      cueId: 'f',
      atMs: 10_000,
    })
  })
  it('as its usual way is one as well, unless another way can open', () => {
    const usual = (condition: Condition) =>
      withFork(tried(5000, 2), {
        id: 'f',
        atMs: 10_000,
        rules: { decides: true, defaultChoice: 'back' },
        ways: [
          { id: 'good', target: { to: 'on' }, condition },
          { id: 'back', target: { to: 'time', atMs: 2000 }, condition: answer('given') },
        ],
      })
    expect(isRing(usual(answer('right')))).toBe(false)
    expect(isRing(usual({ if: 'visited', partId: PART }))).toBe(true)
  })
  it('is none where it is asked, or never taken', () => {
    const asked = withFork(lessonWithFilm(), {
      id: 'f',
      atMs: 10_000,
      ways: [{ id: 'back', target: { to: 'time', atMs: 2000 } }],
    })
    expect(isRing(asked)).toBe(false)
    const shadowed = withFork(lessonWithFilm(), {
      id: 'f',
      atMs: 10_000,
      rules: { decides: true },
      ways: [
        { id: 'on', target: { to: 'on' } },
        { id: 'back', target: { to: 'time', atMs: 2000 } },
      ],
    })
    expect(isRing(shadowed)).toBe(false)
  })
})
