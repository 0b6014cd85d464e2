// A quiz as one learner works through it: what is told when, what handing in gives, and what is recorded.
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { noProgress, type LearnerRecord } from '@fernbrake/core/records'
import { edits, partOfKind, type Lesson, type QuizRules } from '@fernbrake/core/lesson'
import type { Answer } from '@fernbrake/core/questions'
import { edited, lessonWithFilm, QUIZ, withQuiz } from '@fernbrake/core/testing'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { useQuiz, type Quiz } from './useQuiz.ts'

let records: LearnerRecord[]
let kept: Map<string, string>

beforeEach(() => {
  records = []
  kept = new Map()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
})

const lessonOf = (rules: Partial<QuizRules> = {}) => withQuiz(lessonWithFilm(), rules)

function begin(lesson: Lesson, change: Partial<OpenedLesson> = {}): Quiz {
  const opened: OpenedLesson = {
    lesson,
    media: [],
    learnerName: 'Odile Harcastle',
    seed: 'seed',
    progress: { ...noProgress(), released: ['a'] },
    ...change,
  }
  const host = {
    record: (record: LearnerRecord) => void records.push(record),
    newId: () => `r${records.length}`,
    flush: () => Promise.resolve(),
    onTold: () => () => undefined,
  } as unknown as Host
  return effectScope().run(() => useQuiz(host, opened, partOfKind(lesson, QUIZ, 'quiz')!))!
}

const pick = (itemId: string, which: 'a' | 'b'): Answer => ({
  kind: 'choice',
  picked: [`${itemId}-${which}`],
})
const give = (quiz: Quiz, itemId: string, which: 'a' | 'b') =>
  quiz.give(
    quiz.questions.find((one) => one.itemId === itemId)!,
    pick(itemId, which),
  )
const kinds = () => records.map(({ kind }) => kind)
const standing = (quiz: Quiz, itemId: string) => quiz.answers.standing(`q-${itemId}`)

it('while the class is told later there is no sum of points, in the quiz or over the lesson', () => {
  const assignment = {
    classTitle: 'Spring',
    topRate: 2,
    tells: false,
    tellsFrom: null,
    dueAt: null,
    closesAt: null,
    talks: false,
  }
  for (const tells of [true, false]) {
    const quiz = begin(lessonOf({ tells: 'atOnce' }), { assignment: { ...assignment, tells } })
    give(quiz, 'i1', 'a')
    expect(quiz.answers.score.value).toEqual(tells ? { points: 1, max: 3 } : null)
    expect(quiz.summary.value).toMatchObject(tells ? { points: 1, max: 3 } : { max: 0 })
    expect([quiz.isHeldBack, quiz.stateOf('i1')]).toEqual([!tells, tells ? 'right' : 'given'])
  }
})

describe('the questions', () => {
  it('are numbered through all sections; the first of each begins it', () => {
    const { questions } = begin(lessonOf())
    expect(questions.map(({ number, itemId }) => [number, itemId])).toEqual([
      [1, 'i1'],
      [2, 'i2'],
      [3, 'i3'],
    ])
    expect(questions.map(({ begins }) => begins?.id ?? null)).toEqual(['first', null, 'second'])
  })
  it('coming to them is noted, so that a later sitting begins here', () => {
    begin(lessonOf())
    expect(records).toMatchObject([{ kind: 'place', partId: QUIZ, atMs: 0, released: ['a'] }])
  })
})

describe('told with each answer', () => {
  it('an answer stands at once, and a right one is final', () => {
    const quiz = begin(lessonOf())
    give(quiz, 'i1', 'b')
    expect(quiz.stateOf('i1')).toBe('wrong')
    expect(standing(quiz, 'i1').final).toBe(false)
    give(quiz, 'i1', 'a')
    expect(quiz.stateOf('i1')).toBe('right')
    expect(standing(quiz, 'i1').final).toBe(true)
  })
})

describe('told at the end', () => {
  it('nothing tells before: neither the state, nor that no more may be tried', () => {
    const quiz = begin(lessonOf({ tells: 'atEnd' }))
    give(quiz, 'i1', 'a')
    give(quiz, 'i2', 'b')
    expect([quiz.stateOf('i1'), quiz.stateOf('i2'), quiz.stateOf('i3')]).toEqual([
      'given',
      'given',
      'open',
    ])
    for (const id of ['i1', 'i2']) expect(standing(quiz, id).final).toBe(false)
    give(quiz, 'i1', 'b')
    expect(standing(quiz, 'i1').final).toBe(true)
    quiz.handIn()
    expect([quiz.stateOf('i1'), quiz.stateOf('i2'), quiz.stateOf('i3')]).toEqual([
      'right',
      'wrong',
      'open',
    ])
  })
})

describe('handing in', () => {
  it('gives what is written, ends the part, and puts all questions behind the learner; once', () => {
    const quiz = begin(lessonOf({ tells: 'atEnd' }))
    quiz.hold('i1', pick('i1', 'a'))
    quiz.hold('i2', pick('i2', 'a'))
    quiz.hold('i2', null)
    expect(quiz.stillOpen.value.map(({ itemId }) => itemId)).toEqual(['i2', 'i3'])
    records = []
    quiz.handIn()
    expect(kinds()).toEqual(['response', 'finish', 'place'])
    expect(records[0]).toMatchObject({ cueId: 'i1', questionId: 'q-i1', answer: pick('i1', 'a') })
    expect(records[2]).toMatchObject({ released: ['a', 'i1', 'i2', 'i3'] })
    quiz.hold('i3', pick('i3', 'a'))
    quiz.handIn()
    expect(kinds()).toHaveLength(3)
  })
  it('was done in an earlier sitting: what came of it is told', () => {
    const done = begin(lessonOf({ tells: 'atEnd' }), {
      progress: {
        partId: QUIZ,
        atMs: 0,
        released: [],
        finishedParts: [QUIZ],
        seen: {},
        covered: {},
        chosen: {},
        ownNotes: [],
        judged: null,
        responses: [
          {
            cueId: 'i1',
            questionId: 'q-i1',
            tryNumber: 1,
            answer: pick('i1', 'b'),
            verdict: 'wrong',
            points: 0,
          },
        ],
      },
    })
    expect([done.handedIn.value, done.stateOf('i1')]).toEqual([true, 'wrong'])
    expect(done.summary.value).toMatchObject({ points: 0, max: 3, answered: 1 })
  })
})

describe('what was begun in an earlier sitting', () => {
  const draft = (itemId: string, answer: unknown) =>
    kept.set(`fernbrake-answer seed q-${itemId}`, JSON.stringify(answer))
  it('counts as written, if it is an answer to the question that is asked now', () => {
    draft('i1', pick('i1', 'b'))
    draft('i2', { kind: 'choice', picked: ['gone'] })
    draft('i3', { kind: 'number', text: '3' })
    const quiz = begin(lessonOf())
    expect(quiz.stillOpen.value.map(({ itemId }) => itemId)).toEqual(['i2', 'i3'])
    expect(quiz.writtenOn('i1')).toEqual(pick('i1', 'b'))
  })
  it('is not looked for in a preview', () => {
    draft('i1', pick('i1', 'b'))
    expect(begin(lessonOf(), { keepsDrafts: false }).stillOpen.value).toHaveLength(3)
  })
})

it('learners meet mixed questions in an order of their own, always the same', () => {
  let lesson = lessonOf({ shuffle: true })
  for (const index of [1, 2, 3, 4, 5, 6])
    lesson = edited(lesson, edits.copyQuizItem, {
      partId: QUIZ,
      itemId: 'i1',
      newItemId: `c${index}`,
      newQuestionId: `q-c${index}`,
    })
  const met = (seed: string) =>
    begin(lesson, { seed })
      .questions.map(({ itemId }) => itemId)
      .join()
  expect(met('one')).toBe(met('one'))
  expect(new Set(['one', 'two', 'three', 'four'].map(met)).size).toBeGreaterThan(1)
})
