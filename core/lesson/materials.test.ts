// Material that questions share, and questions that come from the question shelf.
import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART, withQuestion } from '../testing/index.ts'
import {
  checkLesson,
  clipOf,
  edits,
  emptyLesson,
  mediaIdsOf,
  runEdit,
  type Lesson,
} from './index.ts'

const stretch = { block: 'stretch', partId: PART, fromMs: 0, toMs: 900 } as const
const picture = { block: 'picture', mediaId: 'm-1', alternative: 'A lock' } as const
const PASTED = { a: 'a2', 'q-a': 'q-a2' }
const write = (lesson: Lesson, text: unknown) =>
  edited(lesson, edits.setMaterial, { materialId: 'passage', change: { text: text as never } })

describe('shared material', () => {
  const shared = edited(withQuestion(fullLesson(), { id: 'b2', atMs: 9000 }), edits.tieMaterial, {
    questionId: 'q-b2',
    materialId: 'passage',
  })

  it('is one text for all its questions', () => {
    const lesson = write(shared, 'A chamber is 22 m long.')
    const told = ['q-a', 'q-b2'].map((id) => lesson.materials![lesson.questions[id]!.materialId!])
    expect(told.map((material) => material!.text)).toEqual(Array(2).fill('A chamber is 22 m long.'))
  })

  it('leaves its questions behind when it is deleted', () => {
    const lesson = edited(shared, edits.removeMaterial, { materialId: 'passage' })
    expect(lesson.materials).toEqual({})
    for (const id of ['q-a', 'q-b2']) expect(lesson.questions[id]).not.toHaveProperty('materialId')
  })

  it('is the lesson’s own: its media are used, and replaced with the others', () => {
    const lesson = write(shared, { blocks: [picture] })
    expect(mediaIdsOf(lesson)).toContain('m-1')
    const replaced = edited(lesson, edits.replaceMedia, { from: 'm-1', to: 'm-2', film: null })
    expect(mediaIdsOf(replaced)).toContain('m-2')
    expect(mediaIdsOf(replaced)).not.toContain('m-1')
  })

  it('does not go along into another lesson', () => {
    const other = edited(emptyLesson('Other'), edits.addFilmPart, { id: 'p', title: 'Film' })
    const clip = clipOf(shared, ['a'])!
    const pasted = edited(other, edits.pasteCues, { clip, partId: 'p', atMs: 0, newIds: PASTED })
    expect(pasted.questions['q-a2']).not.toHaveProperty('materialId')
    const here = { clip, partId: PART, atMs: 0, newIds: PASTED }
    expect(edited(shared, edits.pasteCues, here).questions['q-a2']!.materialId).toBe('passage')
  })

  it('must be there when a question names it', () => {
    const outcome = runEdit(shared, edits.tieMaterial, { questionId: 'q-a', materialId: 'gone' })
    expect(outcome).toMatchObject({ ok: false, issues: [{ code: 'reference.missing' }] })
  })

  it('shows no film that is not the lesson’s', () => {
    const lost = { ...stretch, partId: 'elsewhere' }
    const materials = { passage: { ...shared.materials!.passage!, text: { blocks: [lost] } } }
    expect(checkLesson({ ...shared, materials })).toMatchObject({
      issues: [{ path: ['materials', 'passage'] }],
    })
  })
})

describe('a question from the shelf', () => {
  const kept = edited(fullLesson(), edits.setQuestionText, {
    questionId: 'q-a',
    field: 'stem',
    text: { blocks: [{ block: 'paragraph', runs: [{ text: 'What?' }] }, stretch] },
  }).questions['q-a']!
  const ids = { cueId: 'n', questionId: 'q-n', shelfId: 'kept' }
  const other = edited(emptyLesson('Other'), edits.addFilmPart, { id: 'p', title: 'Film' })

  it('brings all that is its own, and nothing of the lesson that it stood in', () => {
    const question = { ...kept, evidence: { partId: PART, fromMs: 0, toMs: 1 } }
    const args = { ...ids, question, partId: 'p', atMs: 40 }
    const lesson = edited(other, edits.addKeptQuestion, args)
    expect(lesson.questions['q-n']).toMatchObject({
      shelfId: 'kept',
      evidence: null,
      options: 'options' in kept ? kept.options : {},
      stem: { blocks: [{ block: 'paragraph' }] },
    })
    expect(lesson.questions['q-n']).not.toHaveProperty('materialId')
    expect(lesson.cues.n).toMatchObject({ kind: 'question', hold: 'answered', partId: 'p' })
  })

  it('may be asked twice in one lesson', () => {
    let lesson = edited(other, edits.addKeptQuestion, {
      ...ids,
      question: kept,
      partId: 'p',
      atMs: 40,
    })
    lesson = edited(lesson, edits.addKeptQuestion, {
      cueId: 'm',
      questionId: 'q-m',
      shelfId: 'kept',
      question: kept,
      partId: 'p',
      atMs: 80,
    })
    expect(Object.keys(lesson.questions).sort()).toEqual(['q-m', 'q-n'])
  })
})
