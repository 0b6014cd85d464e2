// How much of a question may be told, by the class's rules, the clock, the quiz and the tries.
import { describe, expect, it } from 'vitest'
import { lessonWithFilm, QUIZ, withQuestion, withQuiz } from '../testing/index.ts'
import type { Verdict } from '../questions/index.ts'
import {
  isEverHeldBack,
  stageOf,
  tellingOf,
  usualRules,
  type AssignmentRules,
  type DoneSoFar,
  type Under,
} from './index.ts'

const lesson = withQuiz(withQuestion(lessonWithFilm(), { id: 'a', atMs: 1000 }), { tells: 'atEnd' })
const at = (hour: number) => `2026-03-02T${String(hour).padStart(2, '0')}:00:00.000Z`
const now = (hour: number) => new Date(at(hour))
const under = (rules: Partial<AssignmentRules> = {}, closes: number | null = 14): Under => ({
  rules: { ...usualRules(), feedback: 'afterDue', ...rules },
  times: { opensAt: null, dueAt: at(12), closesAt: closes === null ? null : at(closes) },
})

describe('what a class says of all its questions', () => {
  it.each([
    ['by a link', null, 10, 'free'],
    ['told at once', under({ feedback: 'atOnce' }), 10, 'free'],
    ['before it is due', under(), 11, 'silent'],
    ['once it is due', under(), 12, 'afterTries'],
    ['once it has closed', under(), 14, 'whole'],
    ['told after closing, before that', under({ feedback: 'afterClosing' }), 13, 'silent'],
    ['told after closing', under({ feedback: 'afterClosing' }), 14, 'whole'],
    ['without an end', under({}, null), 23, 'afterTries'],
    ['marked on the devices', under({ marksOffline: true }), 11, 'free'],
    ['a time that is not set', under({ feedback: 'afterClosing' }, null), 11, 'free'],
  ] as const)('%s', (_words, given, hour, stage) => {
    expect(stageOf(given, now(hour))).toBe(stage)
  })
})

describe('a question', () => {
  const telling = (
    given: Under,
    hour: number,
    id: string,
    verdicts: Verdict[] = [],
    finishedParts: string[] = [],
  ) => {
    const done: DoneSoFar = {
      finishedParts,
      responses: verdicts.map((verdict) => ({ questionId: id, verdict })),
    }
    return tellingOf(lesson, given, stageOf(given, now(hour)), done, id)
  }
  it('of a film is told at once by a link, one of a quiz once that was handed in', () => {
    expect(telling(null, 10, 'q-a')).toBe('free')
    expect(telling(null, 10, 'q-i1', ['wrong'])).toBe('silent')
    expect(telling(null, 10, 'q-i1', ['wrong'], [QUIZ])).toBe('verdict')
    expect(telling(null, 10, 'q-i1', ['wrong', 'wrong'], [QUIZ])).toBe('whole')
    expect(telling(null, 10, 'q-i1', ['right'], [QUIZ])).toBe('whole')
    expect(telling(null, 10, 'q-i1', [], [QUIZ])).toBe('verdict')
  })
  it('is told whole only once no try is left, while a class is open', () => {
    expect(telling(under(), 11, 'q-a', ['right'])).toBe('silent')
    expect(telling(under(), 13, 'q-a')).toBe('verdict')
    expect(telling(under(), 13, 'q-a', ['wrong'])).toBe('verdict')
    expect(telling(under(), 13, 'q-a', ['wrong', 'right'])).toBe('whole')
    expect(telling(under(), 13, 'q-i1', ['right'])).toBe('silent')
    expect(telling(under(), 15, 'q-i1')).toBe('whole')
  })
  it('is never held back where devices mark, or everything is told at once', () => {
    const held = (given: Under, id: string) => isEverHeldBack(lesson, given, id)
    expect(held(under({ marksOffline: true }), 'q-i1')).toBe(false)
    expect([held(under({ feedback: 'atOnce' }), 'q-a'), held(under(), 'q-a')]).toEqual([
      false,
      true,
    ])
    expect([held(null, 'q-a'), held(null, 'q-i1')]).toEqual([false, true])
  })
})
