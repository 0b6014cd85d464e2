// What of a lesson learners get, and parts that are hidden or copied.
import { describe, expect, it } from 'vitest'
import { edited, fullLesson, lessonWithFilm, PART, QUIZ, withQuiz } from '../testing/index.ts'
import {
  checkLesson,
  edits,
  endMessage,
  findWhatBlocksPublishing,
  idsOfPart,
  partOfKind,
  partsInOrder,
  withoutHidden,
  withoutNotes,
  type Lesson,
} from './index.ts'

it('learners never get a designer’s notes', () => {
  const lesson = edited(fullLesson(), edits.setNoteText, { cueId: 'note', text: 'Between us' })
  expect(JSON.stringify(withoutNotes(lesson))).not.toContain('Between us')
  expect(Object.keys(withoutNotes(lesson).cues).sort()).toEqual(['a', 'b', 'f', 'o'])
})

it('the words at the end follow the marks', () => {
  const ending = { message: 'Thank you', pass: { share: 0.6, message: 'Passed' } }
  const said = (points: number, max: number) => endMessage(ending, { points, max })
  expect([said(6, 10), said(5, 10), said(0, 0)]).toEqual(['Passed', 'Thank you', 'Thank you'])
  const unsaid = { ...ending, pass: { share: 0, message: '' } }
  expect(endMessage(unsaid, { points: 1, max: 1 })).toBe('Thank you')
  expect(endMessage({ message: '', pass: null }, { points: 1, max: 1 })).toBe('')
  // As long as nobody is told, neither set of words may tell.
  expect(endMessage(ending, null)).toBe('')
  expect(endMessage({ ...ending, pass: null }, null)).toBe(ending.message)
})

describe('hidden parts', () => {
  const both = withQuiz(fullLesson())
  const hide = (lesson: Lesson, partId: string) =>
    edited(lesson, edits.hidePart, { partId, hidden: true })

  it('stay in the draft, and come into no edition, with nothing that names them', () => {
    const draft = hide(both, QUIZ)
    expect(partsInOrder(draft)).toHaveLength(2)
    expect(withoutHidden(draft)).toEqual(fullLesson())
    expect(withoutHidden(both)).toBe(both)
    const shown = edited(draft, edits.hidePart, { partId: QUIZ, hidden: false })
    expect(shown).toEqual(both)
  })
  it('may be unfinished; a lesson of nothing else cannot be published', () => {
    const codes = (lesson: Lesson) => findWhatBlocksPublishing(lesson).map(({ code }) => code)
    const bare = edited(lessonWithFilm(), edits.addQuizPart, {
      id: 'bare',
      title: 'Bare',
      sectionId: 'only',
    })
    expect(codes(bare)).toEqual(['quiz.empty'])
    expect(codes(hide(bare, 'bare'))).toEqual([])
    expect(codes(hide(lessonWithFilm(), PART))).toEqual(['lesson.noParts'])
  })
})

describe('a copy of a part', () => {
  const copied = (lesson: Lesson, partId: string) =>
    edited(lesson, edits.copyPart, {
      partId,
      title: 'Copy',
      newIds: Object.fromEntries(idsOfPart(lesson, partId).map((id) => [id, `${id}-copy`])),
    })
  /** The same with every “-copy” taken out of its ids again, to be compared with what was copied. */
  const unnamed = (value: unknown) => JSON.parse(JSON.stringify(value).replaceAll('-copy', ''))

  it('stands after it, with all that is in it, and shares nothing with it', () => {
    const lesson = copied(withQuiz(fullLesson()), PART)
    expect(partsInOrder(lesson).map(({ id }) => id)).toEqual([PART, `${PART}-copy`, QUIZ])
    expect(checkLesson(lesson).ok).toBe(true)
    for (const id of ['a', 'o', 'b', 'note'])
      expect(unnamed(lesson.cues[`${id}-copy`])).toEqual(lesson.cues[id])
    expect(unnamed(lesson.scripts['s-copy'])).toEqual(lesson.scripts.s)
    expect(unnamed(lesson.questions['q-a-copy'])).toEqual(lesson.questions['q-a'])
    const changed = edited(lesson, edits.setQuestionText, {
      questionId: 'q-a-copy',
      field: 'stem',
      text: 'Another',
    })
    expect(changed.questions['q-a']!.stem).toBe('Stem of a')
  })
  it('of a part with the longest title there may be is made all the same', () => {
    const title = 'x'.repeat(200)
    const long = edited(lessonWithFilm(), edits.renamePart, { partId: PART, title })
    const newIds = { [PART]: 'p2' }
    const lesson = edited(long, edits.copyPart, { partId: PART, title: `${title} (copy)`, newIds })
    expect(lesson.parts.p2!.title).toBe(title)
  })
  it('of a quiz asks questions of its own', () => {
    const lesson = copied(withQuiz(fullLesson()), QUIZ)
    const quiz = partOfKind(lesson, `${QUIZ}-copy`, 'quiz')!
    expect(Object.keys(quiz.items)).toEqual(['i1-copy', 'i2-copy', 'i3-copy'])
    expect(quiz.items['i1-copy']).toMatchObject({
      sectionId: 'first-copy',
      questionId: 'q-i1-copy',
    })
  })
  it('shows its own film where the first showed its own; words that read like ids stay words', () => {
    let lesson = fullLesson()
    const evidence = { partId: PART, fromMs: 0, toMs: 900 }
    lesson = edited(lesson, edits.setEvidence, { questionId: 'q-a', evidence })
    lesson = edited(lesson, edits.setBookmarkTitle, { cueId: 'b', title: PART })
    lesson = copied(lesson, PART)
    expect(lesson.questions['q-a-copy']!.evidence!.partId).toBe(`${PART}-copy`)
    expect(lesson.cues['b-copy']).toMatchObject({ title: PART })
  })
})

it('a part is put before any other, or at the end', () => {
  const lesson = edited(withQuiz(lessonWithFilm()), edits.addFilmPart, { id: 'p3', title: '' })
  const put = (partId: string, beforeId: string | null) =>
    partsInOrder(edited(lesson, edits.placePart, { partId, beforeId })).map(({ id }) => id)
  expect(put('p3', PART)).toEqual(['p3', PART, QUIZ])
  expect(put(PART, null)).toEqual([QUIZ, 'p3', PART])
  expect(put(PART, 'p3')).toEqual([QUIZ, PART, 'p3'])
  expect(put(QUIZ, 'nobody')).toEqual([PART, 'p3', QUIZ])
})
