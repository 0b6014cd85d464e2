// Quizzes as parts of a lesson: what their edits come to, and what is refused.
import { describe, expect, it } from 'vitest'
import { cleanRich, type RichText } from '../fields/index.ts'
import { edited, fullLesson, lessonWithFilm, PART, QUIZ, withQuiz } from '../testing/index.ts'
import {
  askingOf,
  checkLesson,
  edits,
  findWhatBlocksPublishing,
  mediaIdsOf,
  partOfKind,
  partsInOrder,
  runEdit,
  sectionsInOrder,
  tellsNow,
  type Lesson,
} from './index.ts'

const film = lessonWithFilm()
const lesson = withQuiz(film)
const quizOf = (of: Lesson) => partOfKind(of, QUIZ, 'quiz')!
/** The ids of its items, section by section. */
const read = (of: Lesson, seed?: string) =>
  sectionsInOrder(quizOf(of), seed).map(({ items }) => items.map(({ id }) => id).join(' '))
const place = { partId: QUIZ }

describe('what came of the answers', () => {
  const quiz = quizOf(lesson)
  const film = partOfKind(lesson, PART, 'film')!

  it('is told at once in a film, and in a quiz as it says', () => {
    expect(tellsNow(film, false, true)).toBe(true)
    expect(tellsNow({ ...quiz, tells: 'atOnce' }, false, true)).toBe(true)
    expect(tellsNow({ ...quiz, tells: 'atEnd' }, false, true)).toBe(false)
    expect(tellsNow({ ...quiz, tells: 'atEnd' }, true, true)).toBe(true)
  })
  it('is told nowhere while the class is to wait', () => {
    for (const part of [film, { ...quiz, tells: 'atOnce' as const }])
      for (const isFinished of [false, true]) expect(tellsNow(part, isFinished, false)).toBe(false)
  })
})

describe('the questions of a quiz', () => {
  const moved = (of: Lesson, itemId: string, by: 1 | -1) =>
    edited(of, edits.moveQuizItem, { ...place, itemId, by })

  it('come in the order in which they were asked, section by section', () =>
    expect(read(lesson)).toEqual(['i1 i2', 'i3']))

  it('move within their section, and over its edge into the next', () => {
    expect(read(moved(lesson, 'i1', 1))).toEqual(['i2 i1', 'i3'])
    expect(read(moved(lesson, 'i2', 1))).toEqual(['i1', 'i2 i3'])
    expect(read(moved(lesson, 'i3', -1))).toEqual(['i1 i2 i3', ''])
    expect(read(moved(lesson, 'i1', -1))).toEqual(['i1 i2', 'i3'])
    expect(read(moved(lesson, 'i3', 1))).toEqual(['i1 i2', 'i3'])
  })

  it('go with their section, and leave nothing behind', () => {
    const left = edited(lesson, edits.removeQuizSection, { ...place, sectionId: 'first' })
    expect(read(left)).toEqual(['i3'])
    expect(Object.keys(left.questions)).toEqual(['q-i3'])
  })

  it('are copied to the place after them, as questions of their own', () => {
    const ids = { itemId: 'i1', newItemId: 'copy', newQuestionId: 'q-copy' }
    const copied = edited(lesson, edits.copyQuizItem, { ...place, ...ids })
    expect(read(copied)).toEqual(['i1 copy i2', 'i3'])
    expect(copied.questions['q-copy']).toEqual({ ...copied.questions['q-i1'], id: 'q-copy' })
  })

  it('are mixed within sections where that is wanted, the same for one learner', () => {
    let mixed = lesson
    for (let index = 0; index < 8; index += 1)
      mixed = edited(mixed, edits.copyQuizItem, {
        ...place,
        itemId: 'i1',
        newItemId: `c${index}`,
        newQuestionId: `q-c${index}`,
      })
    expect(read(mixed, 'someone')).toEqual(read(mixed))
    mixed = edited(mixed, edits.setQuizRules, { ...place, rules: { shuffle: true } })
    const met = read(mixed, 'someone')
    expect(met).toEqual(read(mixed, 'someone'))
    expect(met[0]).not.toBe(read(mixed)[0])
    expect(met[0]!.split(' ').sort()).toEqual(read(mixed)[0]!.split(' ').sort())
    expect(met[1]).toBe('i3')
  })

  it('are found by who asks them, as those of a film are', () => {
    const both = withQuiz(fullLesson())
    expect(askingOf(both, 'i2')).toMatchObject({ partId: QUIZ, questionId: 'q-i2' })
    expect(askingOf(both, 'a')).toMatchObject({ partId: PART, questionId: 'q-a' })
    for (const id of ['o', 'nothing', 'toString']) expect(askingOf(both, id)).toBeNull()
  })
})

describe('parts', () => {
  const titles = (of: Lesson) => partsInOrder(of).map(({ id }) => id)

  it('change places', () => {
    const by = (id: string, step: 1 | -1) =>
      titles(edited(lesson, edits.movePart, { partId: id, by: step }))
    expect([by(QUIZ, -1), by(PART, 1)]).toEqual([
      [QUIZ, PART],
      [QUIZ, PART],
    ])
    expect(by(QUIZ, 1)).toEqual([PART, QUIZ])
  })

  it('go with all that is in them', () => {
    const both = withQuiz(fullLesson())
    const noQuiz = edited(both, edits.removePart, { partId: QUIZ })
    expect(noQuiz).toEqual(fullLesson())
    const noFilm = edited(both, edits.removePart, { partId: PART })
    expect([noFilm.cues, noFilm.scripts]).toEqual([{}, {}])
    expect(Object.keys(noFilm.questions)).toEqual(['q-i1', 'q-i2', 'q-i3'])
  })

  it('that are gone are named by nothing that stays', () => {
    const stretch = { block: 'stretch', partId: 'p2', fromMs: 0, toMs: 500 } as const
    const words = { block: 'paragraph', runs: [{ text: 'Look' }] } as const
    const shown = cleanRich({ blocks: [stretch, words] }) as RichText
    let both = edited(withQuiz(fullLesson()), edits.addFilmPart, { id: 'p2', title: 'Second' })
    both = edited(both, edits.setQuizInstructions, { ...place, text: shown })
    const evidence = { partId: 'p2', fromMs: 0, toMs: 500 }
    both = edited(both, edits.setEvidence, { questionId: 'q-i1', evidence })
    const toPart = { target: { to: 'part', partId: 'p2' } } as const
    const watched = { condition: { if: 'watched', partId: 'p2', atLeast: 0.5 } } as const
    both = edited(both, edits.setChoice, { cueId: 'f', choiceId: 'f1', change: toPart })
    both = edited(both, edits.setChoice, { cueId: 'f', choiceId: 'f2', change: watched })
    const left = edited(both, edits.removePart, { partId: 'p2' })
    expect(JSON.stringify(left)).not.toContain('p2')
    expect(JSON.stringify(quizOf(left).instructions)).toContain('Look')
  })
})

describe('what is refused', () => {
  type Spoil = (draft: Lesson) => void
  const SPOILS: [string, Spoil, string][] = [
    ['a section that is not there', (d) => delete quizOf(d).sections.second, 'reference.missing'],
    ['a question that is not there', (d) => delete d.questions['q-i1'], 'reference.missing'],
    ['one question twice', (d) => (quizOf(d).items.i2!.questionId = 'q-i1'), 'reference.shared'],
    ['a question of a film', (d) => (quizOf(d).items.i2!.questionId = 'q-a'), 'reference.shared'],
    [
      'an item under a cue’s id',
      (d) => (quizOf(d).items.a = { ...quizOf(d).items.i3!, id: 'a' }),
      'id.taken',
    ],
    ['an item under another key', (d) => (quizOf(d).items.i1!.id = 'other'), 'id.mismatch'],
    ['a cue in a quiz', (d) => (d.cues.o!.partId = QUIZ), 'reference.missing'],
    ['a script of a quiz', (d) => (d.scripts.s!.partId = QUIZ), 'reference.missing'],
    [
      'evidence in a quiz',
      (d) => (d.questions['q-i1']!.evidence = { partId: QUIZ, fromMs: 0, toMs: 9 }),
      'reference.missing',
    ],
  ]
  it.each(SPOILS)('%s', (_what, spoil, code) => {
    const draft = JSON.parse(JSON.stringify(withQuiz(fullLesson()))) as Lesson
    spoil(draft)
    const checked = checkLesson(draft)
    expect(checked.ok ? [] : checked.issues.map((issue) => issue.code)).toContain(code)
  })

  it('no fork may wait for a quiz to be watched', () => {
    const condition = { if: 'watched', partId: QUIZ, atLeast: 0.5 } as const
    const args = { cueId: 'f', choiceId: 'f1', change: { condition } }
    expect(runEdit(withQuiz(fullLesson()), edits.setChoice, args).ok).toBe(false)
  })
})

describe('what keeps a quiz from being published', () => {
  const codes = (of: Lesson) => findWhatBlocksPublishing(of).map(({ code }) => code)

  it('nothing, with or without a film', () => {
    expect(codes(lesson)).toEqual([])
    expect(codes(edited(lesson, edits.removePart, { partId: PART }))).toEqual([])
  })
  it('no question, or a section without one', () => {
    const bare = { id: 'bare', title: 'Bare', sectionId: 'only' }
    expect(codes(edited(film, edits.addQuizPart, bare))).toEqual(['quiz.empty'])
    const more = { ...place, sectionId: 'third', title: '' }
    expect(codes(edited(lesson, edits.addQuizSection, more))).toEqual(['quiz.emptySection'])
  })
  it('a question that cannot be asked, and where it stands', () => {
    const blank = { questionId: 'q-i3', field: 'stem', text: '' } as const
    const [issue] = findWhatBlocksPublishing(edited(lesson, edits.setQuestionText, blank))
    expect(issue).toMatchObject({
      code: 'question.noStem',
      path: ['parts', QUIZ, 'items', 'i3', 'stem'],
    })
  })
})

it('media in its texts belong to the lesson, and change with it', () => {
  const picture = { block: 'picture', mediaId: 'pic', alternative: 'A gate' } as const
  const told = edited(lesson, edits.setQuizSection, {
    ...place,
    sectionId: 'first',
    change: { instructions: { blocks: [picture] } },
  })
  expect(mediaIdsOf(told)).toEqual(['media-1', 'pic'])
  const other = edited(told, edits.replaceMedia, { from: 'pic', to: 'new', film: null })
  expect(mediaIdsOf(other)).toEqual(['media-1', 'new'])
})

it('an earlier state comes back whole, with its material and its looks', () => {
  const before = withQuiz(fullLesson())
  const bare = edited(before, edits.restoreLesson, { lesson: lessonWithFilm() })
  expect(edited(bare, edits.restoreLesson, { lesson: before })).toEqual(before)
})
