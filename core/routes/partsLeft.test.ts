import { describe, expect, it } from 'vitest'
import { edits, type Lesson, type Target } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, QUIZ, withFork, withQuiz } from '../testing/index.ts'
import { nextPart, partsLeft } from './index.ts'

const plain = withQuiz(lessonWithFilm())
const left = (lesson: Lesson, finishedParts: string[], chosen: Record<string, string> = {}) =>
  partsLeft(lesson, { finishedParts, chosen }).map(({ id }) => id)

/** Film, quiz and a second film to which only a fork of the first leads. */
const other = edited(plain, edits.addFilmPart, { id: 'side', title: 'Side' })
const forked = (...targets: Target[]) =>
  withFork(other, {
    id: 'f',
    atMs: 5000,
    ways: targets.map((target, index) => ({ id: `w${index}`, target })),
  })
const branching = forked(
  { to: 'on' },
  { to: 'part', partId: 'side' },
  { to: 'ending', message: '' },
)

describe('what is left', () => {
  it('are the parts that are not finished, in their order', () => {
    expect(left(plain, [])).toEqual([PART, QUIZ])
    expect(left(plain, [QUIZ])).toEqual([PART])
    expect(left(plain, [PART, QUIZ])).toEqual([])
  })
  it('is nothing that only a fork leads to, until it does', () => {
    expect(left(branching, [])).toEqual([PART, QUIZ])
    expect(left(branching, [PART, QUIZ], { f: 'w0' })).toEqual([])
    expect(left(branching, [], { f: 'w1' })).toEqual([QUIZ, 'side'])
  })
  it('is nothing after a way to an ending', () =>
    expect(left(branching, [], { f: 'w2' })).toEqual([]))
  it('is the first part, even where a fork leads back to it', () =>
    expect(left(forked({ to: 'part', partId: PART }), [])).toContain(PART))
  it('does not follow a way that is no longer there', () =>
    expect(left(branching, [], { f: 'gone', gone: 'w1' })).toEqual([PART, QUIZ]))
})

it('the part to go on with comes after this one, else from the beginning', () => {
  const next = (from: string, finishedParts: string[]) =>
    nextPart(plain, { finishedParts, chosen: {} }, from)?.id ?? null
  expect(next(PART, [PART])).toBe(QUIZ)
  expect(next(QUIZ, [QUIZ])).toBe(PART)
  expect(next(QUIZ, [PART, QUIZ])).toBeNull()
})
