import { describe, expect, it } from 'vitest'
import { lessonWithFilm, PART } from '../testing/index.ts'
import { placeToGoOn } from './resume.ts'

const lesson = lessonWithFilm(60_000)
const kept = { partId: PART, atMs: 12_000, finished: false }

describe('where a learner goes on', () => {
  it('is where they left', () => {
    expect(placeToGoOn(lesson, kept)).toMatchObject({ part: { id: PART }, atMs: 12_000 })
  })

  it('is the beginning for the first time, and after the end', () => {
    expect(placeToGoOn(lesson, { partId: null, atMs: 0, finished: false })?.atMs).toBe(0)
    expect(placeToGoOn(lesson, { ...kept, finished: true })?.atMs).toBe(0)
  })

  it('is the first part when theirs is gone', () => {
    const found = placeToGoOn(lesson, { ...kept, partId: 'gone' })
    expect(found).toMatchObject({ part: { id: PART }, atMs: 0 })
  })

  it('is never beyond the last moment of the film', () => {
    expect(placeToGoOn(lesson, { ...kept, atMs: 99_000 })?.atMs).toBe(59_999)
  })

  it('is nowhere in a lesson without parts', () => {
    expect(placeToGoOn({ parts: {} }, kept)).toBeNull()
  })
})
