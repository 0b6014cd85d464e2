// The language files hold a sentence for everything that core can say.
import { describe, expect, it } from 'vitest'
import { edits } from '@fernbrake/core/lesson'
import {
  blankBase,
  blankQuestion,
  findWhatCannotBeAsked,
  QUESTION_KINDS,
} from '@fernbrake/core/questions'
import { nanoid } from 'nanoid'
import { lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import playerWords from '../../player/locales/en.ts'
import words from './en.ts'

/** Edits that earlier versions made; the history of a lesson still tells of them. */
const FORMER = ['duplicateCue', 'removeCue']

it('every edit has a name to undo by', () => {
  const names = Object.values(edits).flatMap((edit) =>
    typeof edit === 'object' ? [edit.name] : [],
  )
  expect(Object.keys(words.edit).sort()).toEqual([...names, ...FORMER].sort())
})

describe('no sentence shouts, jokes or is empty', () => {
  const all: [string, string][] = []
  const walk = (node: object, path: string) => {
    for (const [key, value] of Object.entries(node)) {
      if (typeof value === 'string') all.push([`${path}${key}`, value])
      else walk(value as object, `${path}${key}.`)
    }
  }
  walk(words, '')
  walk(playerWords, 'player.')
  it.each(all)('%s', (_path, sentence) => {
    expect(sentence.trim()).not.toBe('')
    expect(sentence).not.toMatch(/!|oops|\p{Extended_Pictographic}/iu)
  })
})

it('what keeps a lesson from being published has a sentence', () => {
  const lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 0 })
  expect(lesson.questions['q-a']).toBeDefined()
  const blank = QUESTION_KINDS.flatMap((kind) =>
    findWhatCannotBeAsked(blankQuestion(kind, blankBase('q'), nanoid)),
  )
  const codes = blank.map(({ code }) => code.replace('.', '_') as keyof typeof words.publish.issue)
  for (const code of [
    ...codes,
    'lesson_noTitle',
    'lesson_noParts',
    'part_noFilm',
    'cue_beyondEnd',
    'fork_noWords',
    'fork_noQuestion',
    'overlay_noPicture',
    'overlay_noSound',
    'overlay_noFilm',
    'overlay_noAddress',
    'overlay_noAction',
    'quiz_empty',
    'quiz_emptySection',
    'quiz_noPicture',
    'question_noStem',
    'question_fewOptions',
    'question_emptyOption',
    'question_sameOptions',
    'question_noRight',
    'question_manyRight',
  ] as const)
    expect(words.publish.issue[code]).toMatch(/\.$/)
})
