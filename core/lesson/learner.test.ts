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
  shareForNew,
  type Ending,
} from './index.ts'

it('learners never get a designer’s notes', () => {
  const lesson = edited(fullLesson(), edits.setNoteText, { cueId: 'note', text: 'Between us' })
  expect(JSON.stringify(withoutNotes(lesson))).not.toContain('Between us')
  expect(Object.keys(withoutNotes(lesson).cues).sort()).toEqual(['a', 'b', 'f', 'o'])
})

it('learners never get what designers call their overlays', () => {
  const named = edited(fullLesson(), edits.nameOverlay, { cueId: 'o', name: '  The answer ' })
  expect(named.cues.o).toMatchObject({ name: 'The answer' })
  expect(JSON.stringify(withoutNotes(named))).not.toContain('The answer')
  expect(edited(named, edits.nameOverlay, { cueId: 'o', name: ' ' })).toEqual(fullLesson())
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

describe('words by the marks reached', () => {
  const bands = {
    low: { id: 'low', from: 0, message: 'Once more' },
    most: { id: 'most', from: 0.9, message: 'Nearly all' },
    half: { id: 'half', from: 0.5, message: 'Half' },
    bare: { id: 'bare', from: 0.7, message: '' },
  }
  const ending = { message: 'Thank you', pass: null, bands }
  const said = (of: Ending, points: number, max = 10) => endMessage(of, { points, max })

  it('are those of the highest band that is reached and has words', () => {
    expect([0, 4.9, 5, 8, 9, 10].map((points) => said(ending, points))).toEqual([
      'Once more',
      'Once more',
      'Half',
      'Half',
      'Nearly all',
      'Nearly all',
    ])
    expect(said(ending, 0, 0)).toBe('Once more')
    expect(said({ ...ending, bands: { half: bands.half } }, 4)).toBe('Thank you')
    // Three tenths that were added one by one are a little less than three tenths.
    expect(
      said({ ...ending, bands: { x: { id: 'x', from: 0.3, message: 'x' } } }, 0.1 + 0.2, 1),
    ).toBe('x')
    expect(
      said({ ...ending, bands: { x: { id: 'x', from: 0.7, message: 'x' } } }, 0.6 + 0.1, 1),
    ).toBe('x')
  })

  it('stand beside those for a pass, which goes before a band of the same share', () => {
    const pass = { share: 0.5, message: 'Passed' }
    expect(said({ ...ending, pass }, 5)).toBe('Passed')
    expect(said({ ...ending, pass }, 9)).toBe('Nearly all')
    expect(said({ ...ending, pass: { share: 0.95, message: 'Passed' } }, 9.2)).toBe('Nearly all')
  })

  it('tell nothing as long as nobody is told', () => {
    expect(endMessage(ending, null)).toBe('')
    expect(endMessage({ ...ending, bands: {} }, null)).toBe('Thank you')
  })

  it('are written, moved and taken away one by one, and a new one lies where there is most room', () => {
    const step = (lesson: Lesson, change: Parameters<typeof edits.setEnding.change>[1]) =>
      edited(lesson, edits.setEnding, change)
    const one = step(fullLesson(), { band: { id: 'a', from: 0.5, message: '<b>Half</b>' } })
    const moved = step(one, { band: { id: 'a', from: 0.6 } })
    expect(moved.ending.bands).toEqual({
      a: { id: 'a', from: 0.6, message: one.ending.bands!.a!.message },
    })
    expect(step(moved, { bandAway: 'a' }).ending.bands).toEqual({})
    expect(shareForNew({ message: '', pass: null })).toBe(0.5)
    expect(shareForNew({ message: '', pass: { share: 0.6, message: '' } })).toBe(0.3)
    expect(shareForNew(ending)).toBe(0.25)
  })
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
