import { describe, expect, it } from 'vitest'
import type { Collection, LessonCard, LessonFound } from '@fernbrake/core/contract'
import { arrangeLessons, AWAY, IN_USE, type Wish } from './arrange.ts'

const card = (id: string, more: Partial<LessonCard> = {}) =>
  ({
    id,
    title: id,
    summary: '',
    level: '',
    tags: [],
    opened: 0,
    isAway: false,
    updatedAt: '1',
    ...more,
  }) as LessonCard
const LESSONS = [
  card('Part 10', { updatedAt: '3', opened: 2 }),
  card('Part 9', { updatedAt: '1', opened: 7, tags: ['Gates'] }),
  card('Éclusée', { updatedAt: '2', isAway: true, summary: 'Of gates' }),
]
const COURSE = {
  id: 'course',
  title: 'Course',
  lessonIds: ['Éclusée', 'gone', 'Part 9'],
} as Collection
const wish = (more: Partial<Wish> = {}): Wish => ({
  shown: IN_USE,
  sort: 'changed',
  words: '',
  found: null,
  ...more,
})
const arranged = (more: Partial<Wish> = {}) => {
  const { shown, elsewhere } = arrangeLessons(LESSONS, [COURSE], wish(more))
  return [shown, elsewhere].map((list) => list.map(({ lesson }) => lesson.id))
}

describe('the lessons on the home page', () => {
  it('are those in use, or those put away', () => {
    expect(arranged()).toEqual([['Part 10', 'Part 9'], ['Éclusée']])
    expect(arranged({ shown: AWAY })).toEqual([['Éclusée'], ['Part 10', 'Part 9']])
  })

  it('are sorted by the last change, by title with its numbers, or by how often they were opened', () => {
    expect(arranged({ sort: 'title' })[0]).toEqual(['Part 9', 'Part 10'])
    expect(arranged({ sort: 'opened' })[0]).toEqual(['Part 9', 'Part 10'])
    expect(arranged({ sort: 'changed' })[0]).toEqual(['Part 10', 'Part 9'])
  })

  it('are those of a collection in its own order, wherever they stand', () => {
    expect(arranged({ shown: 'course', sort: 'title' })).toEqual([
      ['Éclusée', 'Part 9'],
      ['Part 10'],
    ])
  })

  it('are found by what their cards say, whatever case and accents, before the server has answered', () => {
    expect(arranged({ words: 'gates' })).toEqual([['Part 9'], ['Éclusée']])
    expect(arranged({ words: 'eclus' })).toEqual([[], ['Éclusée']])
    expect(arranged({ words: 'nothing' })).toEqual([[], []])
  })

  it('are found by what the server finds in them, with the places', () => {
    const places = [{ partId: 'film', atMs: 2000, text: 'The sluice' }]
    const found: LessonFound[] = [{ lessonId: 'Part 10', places, more: 4 }]
    const { shown } = arrangeLessons(LESSONS, [], wish({ words: 'sluice', found }))
    expect(shown).toEqual([{ lesson: LESSONS[0], places, more: 4 }])
    // What was found by other words says nothing once there are none.
    expect(arrangeLessons(LESSONS, [], wish({ found })).shown.map(({ more }) => more)).toEqual([
      0, 0,
    ])
  })
})
