import { describe, expect, it } from 'vitest'
import { edits, partOfKind } from '../lesson/index.ts'
import type { Verdict } from '../questions/index.ts'
import { edited, fullLesson, PART, QUIZ, withQuiz } from '../testing/index.ts'
import {
  attemptOutcome,
  itemState,
  leafOf,
  questionsMet,
  quizSummary,
  scoreSoFar,
  untoldSummary,
} from './index.ts'

const lesson = edited(withQuiz(fullLesson()), edits.setQuestionRules, {
  questionId: 'q-i2',
  rules: { points: 3, tries: 0, tryPenalty: 0.5 },
})
const quiz = partOfKind(lesson, QUIZ, 'quiz')!
const given = (questionId: string, tryNumber: number, verdict: Verdict, points: number) => ({
  questionId,
  tryNumber,
  verdict,
  points,
})

describe('the summary of a quiz', () => {
  it('adds up by section and as a whole, and counts how questions stand', () => {
    const responses = [
      given('q-i1', 1, 'right', 1),
      given('q-i2', 1, 'wrong', 0),
      given('q-i2', 2, 'right', 3),
      given('q-a', 1, 'right', 1),
    ]
    const summary = quizSummary(lesson, quiz, responses)
    expect(summary).toMatchObject({ points: 2.5, max: 5, answered: 2, count: 3 })
    expect(summary.sections.map(({ points, max }) => [points, max])).toEqual([
      [2.5, 4],
      [0, 1],
    ])
    expect(summary.states).toMatchObject({ right: 2, open: 1, wrong: 0 })
    expect(summary.sections[1]!.items[0]).toMatchObject({ itemId: 'i3', state: 'open', points: 0 })
  })

  it('takes tries by their number, whatever order they come in', () => {
    const last = edited(lesson, edits.setQuestionRules, {
      questionId: 'q-i1',
      rules: { keep: 'last' },
    })
    const mixed = [given('q-i1', 2, 'wrong', 0), given('q-i1', 1, 'right', 1)]
    expect(quizSummary(last, quiz, mixed).states).toMatchObject({ wrong: 1, right: 0 })
    expect(quizSummary(lesson, quiz, mixed).states).toMatchObject({ wrong: 0, right: 1 })
  })

  it('says nothing of what is right as long as nobody is told', () => {
    const told = (verdict: 'right' | 'wrong') =>
      untoldSummary(
        quizSummary(lesson, quiz, [given('q-i1', 1, verdict, verdict === 'right' ? 1 : 0)]),
      )
    expect(told('right')).toEqual(told('wrong'))
    expect(told('right')).toMatchObject({
      points: 0,
      max: 0,
      answered: 1,
      states: { given: 1, open: 2 },
    })
  })

  it('is nothing before the first answer', () =>
    expect(quizSummary(lesson, quiz, [])).toMatchObject({ points: 0, max: 5, answered: 0 }))
})

describe('how a question stands', () => {
  const choice = lesson.questions['q-i1']!
  const tries = [given('q-i1', 1, 'partly', 0.5), given('q-i1', 2, 'wrong', 0)]

  it('goes by the best try, or the last', () => {
    expect(itemState(choice, tries)).toBe('partly')
    expect(itemState({ ...choice, keep: 'last' }, tries)).toBe('wrong')
  })
  it('waits for a person, or was only asked for', () => {
    const as = (kind: 'longText' | 'poll' | 'checklist') =>
      edited(lesson, edits.changeQuestionKind, { questionId: 'q-i1', kind, ids: ['x', 'y', 'z'] })
        .questions['q-i1']!
    const answer = [given('q-i1', 1, 'unmarked', 0)]
    expect(itemState(as('longText'), answer)).toBe('waits')
    expect(itemState(as('poll'), answer)).toBe('given')
    expect(itemState(as('poll'), [])).toBe('open')
    // Nobody is right or wrong about how far they are.
    expect(itemState(as('checklist'), [given('q-i1', 1, 'partly', 0)])).toBe('given')
  })
})

describe('a quiz among the results', () => {
  it('its questions count, and come after those of the film', () => {
    expect(questionsMet(lesson).map(({ id }) => id)).toEqual(['q-a', 'q-i1', 'q-i2', 'q-i3'])
    const spans = { [PART]: [{ fromMs: 0, toMs: 60_000 }] }
    const responses = [given('q-i1', 1, 'right', 1)]
    const outcome = attemptOutcome(lesson, { attemptId: 'x', spans, responses })
    expect(outcome).toMatchObject({ watched: 1, answered: 1, questions: 4, points: 1, max: 6 })
  })
  it('what lies behind counts as passed', () => {
    const responses = [given('q-i1', 1, 'right', 1)]
    expect(scoreSoFar(lesson, responses, {})).toBe(1)
    expect(scoreSoFar(lesson, responses, { i1: true, i3: true })).toBe(0.5)
    expect(scoreSoFar(lesson, responses, { a: true, o: true, gone: true })).toBe(0.5)
  })
})

it('a leaf has a tick for what is right alone', () => {
  const states = ['open', 'right', 'partly', 'wrong', 'waits', 'given'] as const
  expect(states.map(leafOf)).toEqual(['open', 'right', ...Array(4).fill('answered')])
})
