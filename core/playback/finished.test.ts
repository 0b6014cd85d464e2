// What bears out that a part is finished, and what does not.
import { describe, expect, it } from 'vitest'
import { edits, partOfKind, type Lesson, type SeekRule } from '../lesson/index.ts'
import { HELP_AFTER_TRIES } from '../questions/index.ts'
import {
  DECK,
  edited,
  lessonWithFilm,
  PART,
  QUIZ,
  withFork,
  withQuestion,
  withQuiz,
  withThings,
} from '../testing/index.ts'
import { hasFinished, type DoneInParts } from './index.ts'

const END = 60
const film = () => lessonWithFilm(END * 1000)
const ruled = (lesson: Lesson, seekRule: SeekRule) =>
  edited(lesson, edits.setSeekRule, { partId: PART, seekRule })
const played = (...spans: [number, number][]): Partial<DoneInParts> => ({
  played: { [PART]: spans.map(([from, to]) => ({ fromMs: from * 1000, toMs: to * 1000 })) },
})
const did = (...some: Partial<DoneInParts>[]): DoneInParts =>
  Object.assign(
    { played: {}, seen: {}, responses: [], released: [], chosen: {} },
    ...some,
  ) as DoneInParts
const answer = (verdict: 'right' | 'wrong' | 'unmarked', tries = 1): Partial<DoneInParts> => ({
  responses: Array.from({ length: tries }, (_, at) => ({
    cueId: 'a',
    questionId: 'q-a',
    tryNumber: at + 1,
    verdict,
    points: 0,
    answer: { kind: 'choice' as const, picked: [] },
  })),
})
const finished = (lesson: Lesson, ...some: Partial<DoneInParts>[]) =>
  hasFinished(lesson, PART, did(...some))

describe('a film', () => {
  it.each<[SeekRule, Partial<DoneInParts>, boolean]>([
    ['free', {}, true],
    ['backOnly', {}, false],
    ['none', {}, false],
    ['none', played([0, 60]), true],
    ['none', played([0, 20], [21, 59]), true],
    ['none', played([0, 58]), false],
    ['none', played([59, 60]), false],
    ['backOnly', played([0, 20], [50, 60]), false],
    ['backOnly', played([20, 60], [0, 21]), true],
  ])('where the rule is %s, with %j: %s', (rule, what, expected) =>
    expect(finished(ruled(film(), rule), what)).toBe(expected),
  )

  const asks = (hold: 'none' | 'answered' | 'right', tries = 0) => {
    const lesson = withQuestion(film(), { id: 'a', atMs: 12_000, hold })
    return { ...lesson, questions: { 'q-a': { ...lesson.questions['q-a']!, tries } } } as Lesson
  }
  it('whose question must be answered is not finished without', () => {
    expect(finished(asks('none'))).toBe(true)
    expect(finished(asks('answered'))).toBe(false)
    expect(finished(asks('answered'), { released: ['a'] })).toBe(false)
    expect(finished(asks('answered'), answer('wrong'))).toBe(true)
  })
  it('whose question must be right is not finished before it is, or no try is left', () => {
    expect(finished(asks('right'), answer('wrong'))).toBe(false)
    expect(finished(asks('right'), answer('right'))).toBe(true)
    expect(finished(asks('right', 3), answer('wrong', 2))).toBe(false)
    expect(finished(asks('right', 3), answer('wrong', 3))).toBe(true)
    expect(finished(asks('right'), answer('unmarked'))).toBe(true)
    // Where nobody may be told that it is right, so many answers are enough.
    expect(finished(asks('right'), answer('wrong', HELP_AFTER_TRIES - 1))).toBe(false)
    expect(finished(asks('right'), answer('wrong', HELP_AFTER_TRIES))).toBe(true)
  })

  const ways = [
    { id: 'round', target: { to: 'time' as const, atMs: 30_000 } },
    { id: 'out', target: { to: 'time' as const, atMs: 60_000 } },
    { id: 'on', target: { to: 'on' as const } },
  ]
  const forked = () => withFork(asks('answered'), { id: 'f', atMs: 8000, ways })
  it('asks for no question that a fork led round', () => {
    expect(finished(forked(), { chosen: { f: ['on'] } })).toBe(false)
    expect(finished(forked(), { chosen: { f: ['round'] } })).toBe(true)
  })
  it('may be jumped through where its own forks lead, once they were come to', () => {
    const lesson = ruled(forked(), 'none')
    const round = { chosen: { f: ['round'] } }
    expect(finished(lesson, round, played([0, 8], [30, 60]))).toBe(true)
    expect(finished(lesson, round, played([30, 60]))).toBe(false)
    expect(finished(lesson, { chosen: { f: ['out'] } }, played([0, 8]))).toBe(true)
    expect(finished(lesson, { chosen: { f: ['out'] } }, {})).toBe(false)
  })
})

it('a deck is finished once all its pictures were seen', () => {
  const lesson = withThings(film())
  const slides = Object.keys(partOfKind(lesson, DECK, 'deck')!.slides)
  const seen = (ids: string[]) => hasFinished(lesson, DECK, did({ seen: { [DECK]: ids } }))
  expect(slides.length).toBeGreaterThan(1)
  expect(seen([DECK])).toBe(false)
  expect(seen([DECK, slides[0]!])).toBe(false)
  expect(seen(slides)).toBe(false)
  expect(seen([DECK, ...slides])).toBe(true)
})

it('anything else is finished once it was opened, whatever was said of it', () => {
  const lesson = withQuiz(film())
  expect(hasFinished(lesson, QUIZ, did())).toBe(false)
  expect(hasFinished(lesson, QUIZ, did({ seen: { [QUIZ]: [QUIZ] } }))).toBe(true)
})
