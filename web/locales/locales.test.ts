// The language files hold a sentence for everything that core can say.
import { expect, it } from 'vitest'
import { edits, findWhatBlocksPublishing, type BlockingCode } from '@fernbrake/core/lesson'
import {
  blankBase,
  blankQuestion,
  findWhatCannotBeAsked,
  QUESTION_KINDS,
} from '@fernbrake/core/questions'
import { nanoid } from 'nanoid'
import { edited, lessonWithFilm } from '@fernbrake/core/testing'
import { playerMessages } from '@fernbrake/player'
import words from './en.ts'

/** Edits that earlier versions made; the history of a lesson still tells of them. */
const FORMER = ['duplicateCue', 'removeCue']

it('every edit has a name to undo by', () => {
  const names = Object.values(edits).flatMap((edit) =>
    typeof edit === 'object' ? [edit.name] : [],
  )
  expect(Object.keys(words.edit).sort()).toEqual([...names, ...FORMER].sort())
})

it('no sentence shouts, jokes or is empty', () => {
  const sentencesOf = (node: object, path: string): [path: string, sentence: string][] =>
    Object.entries(node).flatMap(([key, value]) =>
      typeof value === 'string'
        ? [[path + key, value]]
        : sentencesOf(value as object, `${path}${key}.`),
    )
  const all = [...sentencesOf(words, ''), ...sentencesOf(playerMessages.en, 'player: ')]
  const isOut = (sentence: string) =>
    sentence.trim() === '' || /!|oops|\p{Extended_Pictographic}/iu.test(sentence)
  expect(all.length).toBeGreaterThan(2000)
  expect(all.filter(([, sentence]) => isOut(sentence))).toEqual([])
  expect(['', ' ', 'Oops', 'Well done!', 'Good 👍'].filter(isOut)).toHaveLength(5)
})

it('what keeps a lesson from being published has a sentence', () => {
  type Key<Code> = Code extends `${infer Of}.${infer What}` ? `${Of}_${What}` : never
  // The types refuse a language file that leaves one of them out.
  const issues: Record<Key<BlockingCode>, string> & Record<string, string> = words.publish.issue
  const blank = QUESTION_KINDS.flatMap((kind) =>
    findWhatCannotBeAsked(blankQuestion(kind, blankBase('q'), nanoid)),
  )
  const unready = findWhatBlocksPublishing(withEveryPartEmpty()).map(({ code }) => code)
  expect(unready.length).toBeGreaterThan(4)
  for (const code of [
    ...blank.map((issue) => issue.code),
    ...unready,
    'question.noStem',
    'question.fewOptions',
    'question.emptyOption',
    'question.sameOptions',
    'question.noRight',
    'question.manyRight',
  ])
    expect(issues, code).toHaveProperty(code.replace('.', '_'))
  for (const sentence of Object.values(issues)) expect(sentence).toMatch(/\.$/)
})

/** A lesson with a part of each kind that nothing was put into yet. */
function withEveryPartEmpty() {
  const kinds = ['page', 'still', 'deck', 'chronicle'] as const
  const parts = kinds.reduce(
    (lesson, kind) => edited(lesson, edits.addPart, { id: kind, kind, title: kind }),
    lessonWithFilm(),
  )
  const quiz = { id: 'quiz', title: 'Quiz', sectionId: 'section' }
  return edited(parts, edits.addQuizPart, quiz)
}
