// How a question stands for a learner, by kind, tries and what came of them; and what stays on the device.
import { afterEach, describe, expect, it, vi } from 'vitest'
import {
  blankBase,
  blankQuestion,
  HELP_AFTER_TRIES,
  type Answer,
  type Question,
  type Verdict,
} from '@fernbrake/core/questions'
import { fullLesson } from '@fernbrake/core/testing'
import { useAnswerDraft } from '../questions/useAnswerDraft.ts'
import { keepHere, readKept } from './onDevice.ts'
import { canStillAnswer, resultsOf, standingOf } from './useAnswers.ts'
import { keepWaited, readWaited } from './waitedTimes.ts'

const choice: Question = { ...fullLesson().questions['q-a']!, tries: 2 }
const [right, wrong] = ['a-a', 'a-b'].map((id): Answer => ({ kind: 'choice', picked: [id] }))
const given = (...list: [Answer, Verdict][]) =>
  list.map(([answer, verdict]) => ({ answer, verdict }))

describe('a question', () => {
  it('is open until it is answered', () => {
    expect(standingOf(choice, [])).toEqual({
      triesUsed: 0,
      triesLeft: 2,
      right: false,
      final: false,
      lastAnswer: null,
      lastMark: null,
      pending: false,
    })
  })

  it('is over once it is right, or no try is left', () => {
    expect(standingOf(choice, given([right!, 'right']))).toMatchObject({ right: true, final: true })
    expect(standingOf(choice, given([wrong!, 'wrong']))).toMatchObject({
      triesLeft: 1,
      final: false,
    })
    expect(standingOf(choice, given([wrong!, 'wrong'], [wrong!, 'wrong']))).toMatchObject({
      triesLeft: 0,
      right: false,
      final: true,
    })
  })

  it('without a limit of tries stays open while it is wrong', () => {
    const endless = { ...choice, tries: 0 }
    expect(
      standingOf(endless, given(...Array<[Answer, Verdict]>(9).fill([wrong!, 'wrong']))),
    ).toEqual(expect.objectContaining({ triesUsed: 9, triesLeft: null, final: false }))
  })

  it('lets go of a hold until right after so many tries, where nobody may tell', () => {
    const endless = { ...choice, tries: 0 }
    const lesson = { ...fullLesson(), questions: { 'q-a': endless } }
    const answers = Array.from({ length: HELP_AFTER_TRIES }, (_, at) => ({
      cueId: 'a',
      questionId: 'q-a',
      tryNumber: at + 1,
      answer: wrong!,
      points: 0,
      verdict: 'wrong' as const,
    }))
    const free = (given: typeof answers, told: boolean) => resultsOf(lesson, given, told).a!.free
    expect(free(answers, false)).toBe(true)
    expect(free(answers.slice(1), false)).toBe(true)
    expect(free(answers.slice(0, -1), false)).toBeUndefined()
    expect(free(answers, true)).toBeUndefined()
  })

  it('is worth coming back to while it is open, and another try can earn something', () => {
    const open = (question: Question, ...given: Parameters<typeof standingOf>[1][number][]) =>
      canStillAnswer(question, standingOf(question, given))
    expect(open(choice)).toBe(true)
    expect(open(choice, { answer: wrong!, verdict: 'wrong' })).toBe(true)
    expect(open(choice, { answer: right!, verdict: 'right' })).toBe(false)
    const poll = { ...blankQuestion('poll', blankBase('p'), () => 'x'), tries: 2 }
    expect(open(poll, { answer: { kind: 'poll', picked: [] }, verdict: 'unmarked' })).toBe(false)
  })

  it('shows the last answer with its mark', () => {
    const { lastAnswer, lastMark } = standingOf(choice, given([right!, 'right'], [wrong!, 'wrong']))
    expect([lastAnswer, lastMark?.verdict]).toEqual([wrong, 'wrong'])
  })
})

describe('what stays on the device', () => {
  afterEach(() => {
    vi.unstubAllGlobals()
  })
  const storage = () => {
    const kept = new Map<string, string>()
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    })
    return kept
  }

  it('is an answer of the kind that is asked, until it is given', () => {
    storage()
    const draft = useAnswerDraft('learner question')
    draft.keep(right!)
    expect(useAnswerDraft('learner question').read('choice')).toEqual(right)
    expect(draft.read('poll')).toBeNull()
    expect(useAnswerDraft('somebody else').read('choice')).toBeNull()
    draft.forget()
    expect(draft.read('choice')).toBeNull()
  })

  it('is nothing of a preview', () => {
    const kept = storage()
    const draft = useAnswerDraft(null)
    draft.keep(right!)
    expect([draft.read('choice'), kept.size]).toEqual([null, 0])
  })

  it('is how long questions have been open, whatever else lies there', () => {
    const kept = storage()
    keepWaited('learner', { a: 1500 })
    expect(readWaited('learner')).toEqual({ a: 1500 })
    for (const nonsense of ['{', '7', 'null', '{"a":"x","b":-1,"c":null}']) {
      kept.set('fernbrake-waited learner', nonsense)
      expect(readWaited('learner')).toEqual({})
    }
  })

  it('is nothing where storage is full or forbidden, and nobody is kept from answering', () => {
    const refuse = () => {
      throw new DOMException('no', 'QuotaExceededError')
    }
    vi.stubGlobal('localStorage', { getItem: refuse, setItem: refuse, removeItem: refuse })
    keepHere('key', { any: 'thing' })
    expect(readKept('key')).toBeNull()
  })
})
