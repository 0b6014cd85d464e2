// The language files hold a sentence for everything that core can say.
import { expect, it } from 'vitest'
import {
  edits,
  findWhatBlocksPublishing,
  PART_KINDS,
  thingsToSee,
  type BlockingCode,
  type PartKindName,
} from '@fernbrake/core/lesson'
import {
  blankBase,
  blankQuestion,
  findWhatCannotBeAsked,
  QUESTION_KINDS,
} from '@fernbrake/core/questions'
import { nanoid } from 'nanoid'
import { edited, fullLesson, lessonWithFilm, withThings } from '@fernbrake/core/testing'
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

it('every kind of part has its words, on the bench, in results and for learners', () => {
  // The types refuse a language file that leaves one of them out.
  const all: Record<PartKindName, string>[] = [
    words.parts.kind,
    words.parts.adds,
    words.parts.new,
    words.results.frondHelp,
    playerMessages.en.player.partKind,
  ]
  for (const one of all) expect(Object.keys(one).sort()).toEqual([...PART_KINDS].sort())
  const seen = Object.values(withThings(fullLesson()).parts).filter(
    (part) => thingsToSee(part).length > 0,
  )
  expect(seen.length).toBeGreaterThan(2)
  for (const { kind } of seen) {
    expect(words.results.thing).toHaveProperty(kind)
    expect(words.results.seenIn).toHaveProperty(kind)
  }
})

/** A lesson with a part of each kind that nothing was put into yet. */
function withEveryPartEmpty() {
  return PART_KINDS.reduce(
    (lesson, kind) =>
      edited(lesson, edits.addPart, { id: kind, kind, title: kind, thingId: 'section' }),
    lessonWithFilm(),
  )
}
