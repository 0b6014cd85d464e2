import { describe, expect, it } from 'vitest'
import { edits } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import {
  attemptOutcome,
  lessonOutcome,
  scoreSoFar,
  type AttemptRecord,
  type ResponseRecord,
} from './index.ts'

let lesson = withQuestion(withQuestion(lessonWithFilm(10_000), { id: 'a', atMs: 2000 }), {
  id: 'b',
  atMs: 8000,
})
lesson = edited(lesson, edits.setQuestionRules, {
  questionId: 'q-a',
  rules: { points: 2, tryPenalty: 0.5 },
})

const response = (questionId: string, tryNumber: number, points: number): ResponseRecord => ({
  questionId,
  tryNumber,
  points,
  verdict: points > 0 ? 'right' : 'wrong',
})
const attempt = (id: string, responses: ResponseRecord[], to = 10_000): AttemptRecord => ({
  attemptId: id,
  spans: { [PART]: [{ fromMs: 0, toMs: to }] },
  responses,
})

describe('one learner', () => {
  it('adds up what was watched, answered and earned', () => {
    expect(
      attemptOutcome(
        lesson,
        attempt('x', [response('q-a', 1, 0), response('q-a', 2, 2), response('q-b', 1, 1)], 5000),
      ),
    ).toMatchObject({ watched: 0.5, answered: 2, questions: 2, points: 2, max: 3 })
  })

  it('a question that is not placed counts for nothing', () => {
    const without = edited(lesson, edits.removeCues, { cueIds: ['b'] })
    expect(attemptOutcome(without, attempt('x', []))).toMatchObject({ questions: 1, max: 2 })
  })
})

describe('a class', () => {
  const class3 = [
    attempt('x', [response('q-a', 1, 2)]),
    attempt('y', [response('q-a', 1, 0), response('q-a', 2, 2)], 4000),
    attempt('z', [response('q-a', 1, 0)], 1000),
  ]
  const outcome = lessonOutcome(lesson, class3)

  it('counts learners, not tries', () => {
    expect(outcome.questions).toEqual([
      { questionId: 'q-a', answered: 3, right: 2, judged: true, counts: {} },
      { questionId: 'q-b', answered: 0, right: 0, judged: true, counts: {} },
    ])
  })

  it('where the last try counts, the last one says whether it was right', () => {
    const last = edited(lesson, edits.setQuestionRules, {
      questionId: 'q-a',
      rules: { keep: 'last' },
    })
    const lost = attempt('x', [response('q-a', 1, 2), response('q-a', 2, 0)])
    expect(lessonOutcome(last, [lost]).questions[0]).toMatchObject({ answered: 1, right: 0 })
  })

  it('counts who watched each stretch', () => {
    expect(outcome.watching[PART]).toEqual({
      binMs: 1000,
      learners: [3, 2, 2, 2, 1, 1, 1, 1, 1, 1],
    })
  })

  it('is empty, not broken, without learners', () => {
    expect(lessonOutcome(lesson, []).attempts).toEqual([])
  })
})

it('the score so far counts what lies behind the learner, and nothing that is still to come', () => {
  const lesson = ['a', 'b', 'c'].reduce(
    (made, id, index) => withQuestion(made, { id, atMs: (index + 1) * 5000 }),
    lessonWithFilm(60_000),
  )
  const right = (id: string) =>
    ({ questionId: `q-${id}`, tryNumber: 1, verdict: 'right', points: 1 }) as const
  expect(scoreSoFar(lesson, [], {})).toBe(0)
  expect(scoreSoFar(lesson, [right('a')], {})).toBe(1)
  // Passed over without an answer it counts as well; one that a fork led round does not.
  expect(scoreSoFar(lesson, [right('a')], { a: true, b: true })).toBe(0.5)
  expect(scoreSoFar(lesson, [right('c')], { f: true })).toBe(1)
})
