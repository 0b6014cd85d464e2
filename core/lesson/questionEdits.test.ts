import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART } from '../testing/index.ts'
import {
  optionsInOrder,
  QUESTION_KINDS,
  textsOf,
  type ChoiceQuestion,
  type Question,
  type QuestionKindName,
} from '../questions/index.ts'
import {
  clipOf,
  edits,
  emptyLesson,
  mediaIdsOf,
  MOST_NEW_IDS,
  runEdit,
  type Lesson,
} from './index.ts'

const PASTED = { a: 'a2', 'q-a': 'q-a2', o: 'o2' }

describe('questions', () => {
  it('one right option takes the place of another where one may be picked', () => {
    const lesson = edited(fullLesson(), edits.setOptionRight, {
      questionId: 'q-a',
      optionId: 'a-b',
      right: true,
    })
    const question = lesson.questions['q-a'] as ChoiceQuestion
    expect(Object.values(question.options).filter((o) => o.right)).toHaveLength(1)
  })

  const asked = (lesson: Lesson) => lesson.questions['q-a']!
  const changed = (lesson: Lesson, kind: QuestionKindName) =>
    edited(lesson, edits.changeQuestionKind, {
      questionId: 'q-a',
      kind,
      ids: Array.from({ length: MOST_NEW_IDS }, (_, index) => `${kind}-${index}`),
    })

  it.each(QUESTION_KINDS)('can be placed as %s, and made one of what they are', (kind) => {
    const optionIds = Array.from({ length: MOST_NEW_IDS }, (_, index) => `n${index}`)
    const ids = { cueId: 'n', questionId: 'nq', optionIds }
    const lesson = edited(fullLesson(), edits.addQuestion, { ...ids, kind, partId: PART, atMs: 9 })
    expect(lesson.questions.nq!.kind).toBe(kind)
    expect(asked(changed(fullLesson(), kind))).toMatchObject({ kind, stem: 'Stem of a' })
  })

  it('keep their options as far as the other kind has some, there and back', () => {
    const texts = (question: Question) =>
      textsOf(question).filter((text) => /^a-[ab]$/.test(String(text)))
    for (const kind of ['poll', 'order', 'checklist'] as const) {
      const there = changed(fullLesson(), kind)
      expect(texts(asked(there))).toEqual(['a-a', 'a-b'])
      const back = asked(changed(there, 'choice')) as ChoiceQuestion
      expect(texts(back)).toEqual(['a-a', 'a-b'])
      expect(Object.values(back.options).filter(({ right }) => right)).toHaveLength(1)
      expect(back.points).toBe(1)
    }
  })

  it('polls and scales give no points and send nobody back', () => {
    const strict = edited(fullLesson(), edits.setHold, { cueId: 'a', sendBack: true })
    const lesson = changed(strict, 'scale')
    expect(asked(lesson).points).toBe(0)
    expect(lesson.cues.a).toMatchObject({ sendBack: false })
  })

  it('things are moved among their like, and not past the ends', () => {
    const move = (lesson: Lesson, entryId: string, by: 1 | -1) =>
      edited(lesson, edits.moveEntry, { questionId: 'q-a', path: ['options'], entryId, by })
    const order = (lesson: Lesson) =>
      optionsInOrder(asked(lesson) as ChoiceQuestion).map(({ id }) => id)
    expect(order(move(fullLesson(), 'a-a', 1))).toEqual(['a-b', 'a-a'])
    expect(order(move(fullLesson(), 'a-b', -1))).toEqual(['a-b', 'a-a'])
    expect(order(move(fullLesson(), 'a-b', 1))).toEqual(['a-a', 'a-b'])
    expect(order(move(fullLesson(), 'nobody', 1))).toEqual(['a-a', 'a-b'])
  })

  it('an entry that is not there, and a place that is none, change nothing', () => {
    const path = ['constructor', 'prototype']
    const entries = [{ id: 'x' }]
    expect(edited(fullLesson(), edits.addEntries, { questionId: 'q-a', path, entries })).toEqual(
      fullLesson(),
    )
    const gone = { questionId: 'q-a', path: ['options'], entryId: 'gone', change: { text: 'x' } }
    expect(edited(fullLesson(), edits.setEntry, gone)).toEqual(fullLesson())
  })

  it('media in a question’s texts and its picture are the lesson’s, and are replaced with the others', () => {
    const picture = { block: 'picture', mediaId: 'm-1', alternative: 'A sill' } as const
    let lesson = edited(changed(fullLesson(), 'area'), edits.setQuestionRules, {
      questionId: 'q-a',
      rules: { mediaId: 'm-2' },
    })
    const text = { blocks: [picture] }
    lesson = edited(lesson, edits.setQuestionText, { questionId: 'q-a', field: 'stem', text })
    expect(mediaIdsOf(lesson)).toEqual(['media-1', 'm-1', 'm-2'])
    for (const from of ['m-1', 'm-2'])
      lesson = edited(lesson, edits.replaceMedia, { from, to: 'm-3', film: null })
    expect(mediaIdsOf(lesson)).toEqual(['media-1', 'm-3'])
  })

  it('a stretch of a film that another lesson does not have is left out when pasted there', () => {
    const stretch = { block: 'stretch', partId: PART, fromMs: 0, toMs: 5 } as const
    const text = { blocks: [stretch] }
    const lesson = edited(fullLesson(), edits.setQuestionText, {
      questionId: 'q-a',
      field: 'stem',
      text,
    })
    const clip = clipOf(lesson, ['a'])!
    const other = edited(emptyLesson('Other'), edits.addFilmPart, { id: 'p', title: 'Film' })
    const pasted = edited(other, edits.pasteCues, { clip, partId: 'p', atMs: 0, newIds: PASTED })
    expect(pasted.questions['q-a2']!.stem).toBe('')
    expect(
      edited(lesson, edits.pasteCues, { clip, partId: PART, atMs: 0, newIds: PASTED }).questions[
        'q-a2'
      ]!.stem,
    ).toEqual(text)
  })

  it('deleting a cue deletes the question that only it asks', () => {
    expect(edited(fullLesson(), edits.removeCues, { cueIds: ['a'] }).questions).toEqual({})
  })

  it('control characters never get in', () => {
    const lesson = edited(fullLesson(), edits.setLessonText, {
      field: 'title',
      text: 'a\u0000b\r\nc',
    })
    expect(lesson.title).toBe('ab\nc')
  })

  it('an edit that would break the schema is refused', () => {
    const outcome = runEdit(fullLesson(), edits.setQuestionRules, {
      questionId: 'q-a',
      rules: { points: -1 },
    })
    expect(outcome.ok).toBe(false)
  })
})
