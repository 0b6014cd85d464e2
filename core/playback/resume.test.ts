import { describe, expect, it } from 'vitest'
import { emptyLesson } from '../lesson/index.ts'
import { lessonWithFilm, PART, QUIZ, withQuiz } from '../testing/index.ts'
import { placeToGoOn } from './resume.ts'

const lesson = lessonWithFilm(60_000)
const kept = { partId: PART, atMs: 12_000, finishedParts: [], chosen: {} }

describe('where a learner goes on', () => {
  it('is where they left', () => {
    expect(placeToGoOn(lesson, kept)).toMatchObject({ part: { id: PART }, atMs: 12_000 })
  })

  it('is the beginning for the first time, and after the end', () => {
    expect(placeToGoOn(lesson, { ...kept, partId: null })?.atMs).toBe(0)
    expect(placeToGoOn(lesson, { ...kept, finishedParts: [PART] })?.atMs).toBe(0)
  })

  it('is the part that is left after a film that they finished; a quiz stays with its summary', () => {
    const both = withQuiz(lesson)
    const next = (finishedParts: string[]) => placeToGoOn(both, { ...kept, finishedParts })?.part.id
    expect([next([PART]), next([PART, QUIZ])]).toEqual([QUIZ, PART])
    const inQuiz = placeToGoOn(both, { ...kept, partId: QUIZ, atMs: 0 })
    expect(inQuiz).toMatchObject({ part: { id: QUIZ }, atMs: 0 })
    const handedIn = { ...kept, partId: QUIZ, atMs: 0, finishedParts: [QUIZ] }
    expect(placeToGoOn(both, handedIn)?.part.id).toBe(QUIZ)
  })

  it('is the first part when theirs is gone', () => {
    const found = placeToGoOn(lesson, { ...kept, partId: 'gone' })
    expect(found).toMatchObject({ part: { id: PART }, atMs: 0 })
  })

  it('is never beyond the last moment of the film', () => {
    expect(placeToGoOn(lesson, { ...kept, atMs: 99_000 })?.atMs).toBe(59_999)
  })

  it('is nowhere in a lesson without parts', () => {
    expect(placeToGoOn(emptyLesson('Empty'), kept)).toBeNull()
  })
})
