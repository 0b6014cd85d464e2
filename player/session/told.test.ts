// Questions that were cut: nothing is said of an answer before the server says it, and then everything shows it.
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, shallowReactive, shallowRef } from 'vue'
import { noProgress, type LearnerRecord } from '@fernbrake/core/records'
import { partOfKind } from '@fernbrake/core/lesson'
import { cutQuestion, toldQuestion, type Question } from '@fernbrake/core/questions'
import { lessonWithFilm, QUIZ, withQuestion, withQuiz } from '@fernbrake/core/testing'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { useQuiz } from '../quiz/useQuiz.ts'
import { askWays } from './askWays.ts'
import { withTold, type PastResponse, type Told } from './told.ts'
import { resultsOf, standingOf, useAnswers } from './useAnswers.ts'
import { useTravelled } from './useTravelled.ts'

const whole = withQuiz(withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 }), {
  tells: 'atEnd',
})
const question = whole.questions['q-a']!
const cut = cutQuestion(question, 'mix')
const first = { kind: 'choice' as const, picked: ['as-found-1'] }
const response = (change: Partial<PastResponse> = {}): PastResponse => ({
  cueId: 'a',
  questionId: 'q-a',
  tryNumber: 1,
  answer: first,
  verdict: 'unmarked',
  points: 0,
  ...change,
})

describe('a question that was cut', () => {
  it('is neither right nor wrong before the server says so', () => {
    expect(standingOf(cut, [response()])).toMatchObject({
      triesUsed: 1,
      right: false,
      final: false,
      pending: true,
      lastMark: { verdict: 'unmarked', points: 0, perPart: [] },
    })
    expect(resultsOf({ ...whole, questions: { 'q-a': cut } }, [response()])).toEqual({
      a: { right: false, final: false, tries: 1 },
    })
  })

  it('stands as the server says, with what it says of what was picked', () => {
    const perPart = [{ id: 'as-found-1', picked: true, right: false }]
    const told = response({ verdict: 'wrong', perPart })
    expect(standingOf(cut, [told])).toMatchObject({
      right: false,
      final: false,
      pending: false,
      lastMark: { verdict: 'wrong', points: 0, max: 1, perPart },
    })
    expect(standingOf(cut, [told, response({ verdict: 'right', points: 1 })])).toMatchObject({
      right: true,
      final: true,
      pending: false,
    })
  })
})

describe('what is told', () => {
  const told = (responses: PastResponse[], questions: Question[] = []): Told => ({
    responses,
    questions,
    judged: null,
  })
  it('takes the place of what is known, and leaves what was given since', () => {
    const other = response({ cueId: 'b', questionId: 'q-b' })
    const second = response({ tryNumber: 2 })
    const wrong = response({ verdict: 'wrong' })
    expect(withTold([response(), other, second], told([wrong]))).toEqual([other, wrong, second])
    expect(
      withTold([response(), second], told([wrong, response({ verdict: 'right' })])),
    ).toHaveLength(2)
    expect(withTold([other], told([]))).toEqual([other])
  })

  const sit = () => {
    const sent: LearnerRecord[] = []
    const hearers = new Set<(told: Told) => void>()
    const under = {
      record: (record: LearnerRecord) => void sent.push(record),
      newId: () => `r${sent.length}`,
      flush: () => Promise.resolve(),
      onTold(listener: (told: Told) => void) {
        hearers.add(listener)
        return () => hearers.delete(listener)
      },
    } as unknown as Host
    const questions = Object.fromEntries(
      Object.values(whole.questions).map((one) => [one.id, cutQuestion(one, `mix ${one.id}`)]),
    )
    const opened: OpenedLesson = {
      media: [],
      learnerName: 'Odile Harcastle',
      seed: 'seed',
      keepsDrafts: false,
      lesson: { ...whole, questions: shallowReactive(questions) },
      progress: noProgress(),
    }
    const travel = useTravelled(under, shallowRef(opened))
    travel.begin()
    return {
      opened,
      host: travel.host,
      tell: (what: Told) => hearers.forEach((hear) => hear(what)),
    }
  }

  it('reaches the lesson, its progress and whoever shows answers', () => {
    effectScope().run(() => {
      const { opened, host, tell } = sit()
      const answers = useAnswers(host, opened.lesson, [])
      const result = answers.give({ id: 'a', questionId: 'q-a' }, first)
      expect(result).toEqual({ right: false, final: false, tries: 1, pending: true })
      expect(answers.score.value).toBeNull()
      const right = response({
        verdict: 'right',
        points: 1,
        answer: { kind: 'choice', picked: ['a-a'] },
      })
      tell(told([right], [toldQuestion(question, 'mix q-a')]))
      expect(opened.lesson.questions['q-a']).not.toHaveProperty('cut')
      expect(opened.progress.responses).toEqual([right])
      expect(answers.standing('q-a')).toMatchObject({ right: true, final: true, pending: false })
      expect(answers.score.value).toEqual({ points: 1, max: 4 })
    })
  })

  it('of a quiz comes once the server has heard that it was handed in', () => {
    effectScope().run(() => {
      const { opened, host, tell } = sit()
      const quiz = useQuiz(host, opened, partOfKind(whole, QUIZ, 'quiz')!)
      const one = quiz.questions.find(({ itemId }) => itemId === 'i1')!
      quiz.give(one, first)
      expect([quiz.tellsSum.value, quiz.isComing.value, quiz.stateOf('i1')]).toEqual([
        false,
        false,
        'given',
      ])
      quiz.handIn()
      expect([quiz.tellsSum.value, quiz.isComing.value, quiz.stateOf('i1')]).toEqual([
        false,
        true,
        'given',
      ])
      const about = { cueId: 'i1', questionId: 'q-i1', verdict: 'wrong' as const }
      tell(told([response(about)], [cutQuestion(whole.questions['q-i1']!, 'mix q-i1')]))
      expect([quiz.tellsSum.value, quiz.isComing.value, quiz.stateOf('i1')]).toEqual([
        true,
        false,
        'wrong',
      ])
      expect(quiz.summary.value).toMatchObject({ points: 0, max: 3, answered: 1 })
    })
  })
})

describe('asking for the way', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('goes on until there is an answer, for the place that asks now', async () => {
    const asked: string[] = []
    const answers = [
      Promise.reject(new Error('no connection')),
      Promise.resolve({ shut: [], open: { f: ['on'] } }),
    ]
    const place = shallowRef<string | null>('f')
    const taken: string[][] = []
    const scope = effectScope()
    const { failed } = scope.run(() =>
      askWays(
        { ways: (placeId) => (asked.push(placeId), answers.shift()!) },
        () => place.value,
        (placeId, { open }) => taken.push(open[placeId]!),
      ),
    )!
    await vi.advanceTimersByTimeAsync(0)
    expect([failed.value, taken]).toEqual([true, []])
    await vi.advanceTimersByTimeAsync(60_000)
    expect(taken).toEqual([['on']])
    expect([asked, failed.value]).toEqual([['f', 'f'], false])
    scope.stop()
  })
})
