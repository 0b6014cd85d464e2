// What a draft becomes when it is published: without hidden parts, and with words that are no slips of others.
import { expect, it } from 'vitest'
import { cutQuestion, markQuestion } from '../questions/index.ts'
import { edited, fullLesson, PART } from '../testing/index.ts'
import { asEdition, checkLesson, edits, questionIn, type Lesson } from './index.ts'

/** Asks for “lock” in words, under a film that speaks of a clock, a look, locks and a paddle. */
function asking(): Lesson {
  const lines = ['The clock strikes.', 'Look at the locks: one paddle, two paddles.'].map(
    (text, at) => ({ id: `line-${at}`, fromMs: at * 1000, toMs: at * 1000 + 900, text }),
  )
  const script = { id: 'said', partId: PART, language: 'en', lines }
  const lesson = edited(fullLesson(), edits.importScript, script)
  const asked = edited(lesson, edits.changeQuestionKind, {
    questionId: 'q-a',
    kind: 'shortText' as const,
    ids: ['one'],
  })
  const question = asked.questions['q-a']!
  if (question.kind !== 'shortText') throw new Error('not in words')
  const [first] = Object.values(question.listed)
  const listed = { [first!.id]: { ...first!, text: 'lock', share: 1 } }
  return { ...asked, questions: { ...asked.questions, 'q-a': { ...question, listed } } }
}
const verdict = (lesson: Lesson, text: string) =>
  markQuestion(lesson.questions['q-a']!, { kind: 'shortText', text }).verdict

it('what the film says is no slip of another word, in whichever form it is asked', () => {
  const draft = asking()
  const edition = asEdition(draft)
  expect(checkLesson(edition).ok).toBe(true)
  expect(['look', 'loock', 'locks'].map((text) => verdict(draft, text))).toEqual(
    Array(3).fill('right'),
  )
  expect(['clock', 'look', 'loock', 'locks'].map((text) => verdict(edition, text))).toEqual([
    'wrong',
    'wrong',
    'right',
    'right',
  ])
  expect(questionIn(draft, draft.questions['q-a']!)).toEqual(edition.questions['q-a'])
})

it('is the same when it is published again, and follows the film', () => {
  const edition = asEdition(asking())
  expect(asEdition(edition)).toEqual(edition)
  const silent = edited(edition, edits.removeScript, { scriptId: 'said' })
  const rules = (lesson: Lesson) => {
    const question = lesson.questions['q-a']!
    return question.kind === 'shortText' ? question.rules : null
  }
  expect(rules(edition)!.others).toEqual(expect.arrayContaining(['look']))
  // They lie near to what is right, so whoever may not know that is not told them.
  expect(JSON.stringify(cutQuestion(edition.questions['q-a']!, 'mix'))).not.toContain('look')
  expect(rules(asEdition(silent))!.others ?? []).not.toContain('look')
  const strict = { ...rules(edition)!, typos: false }
  const set = edited(edition, edits.setQuestionRules, {
    questionId: 'q-a',
    rules: { rules: strict } as never,
  })
  expect(rules(asEdition(set))).not.toHaveProperty('others')
})
