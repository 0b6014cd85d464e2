import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART } from '../testing/index.ts'
import { edits, findableOf, foldedOf, linesInOrder, placesHolding, type Lesson } from './index.ts'

const LESSON: Lesson = edited(
  { ...fullLesson(), title: 'Écluses', tags: ['Water'] },
  edits.setQuestionText,
  { questionId: 'q-a', field: 'stem', text: 'Which gate?' },
)

describe('what a lesson can be found by', () => {
  it('is what it says of itself, the names of its parts, and what stands in its films, in film time', () => {
    const { head, places } = findableOf(LESSON, 'designers')
    expect(head).toContain('Écluses')
    expect(head).toContain('Water')
    expect(places[0]).toEqual({ partId: PART, atMs: null, text: LESSON.parts[PART]!.title })
    const moments = places.filter(({ partId, atMs }) => partId === PART && atMs !== null)
    expect(moments.map(({ atMs }) => atMs)).toEqual(
      moments.map(({ atMs }) => atMs).sort((a, b) => a! - b!),
    )
    const lines = Object.values(LESSON.scripts).flatMap(linesInOrder)
    for (const { fromMs, text } of lines)
      expect(places).toContainEqual({ partId: PART, atMs: fromMs, text })
  })

  it('is for learners nothing that they are asked, and for nobody a note', () => {
    const noted = edited(LESSON, edits.setNoteText, { cueId: 'note', text: 'Between us' })
    expect(foldedOf(findableOf(noted, 'designers'))).toContain('which gate?')
    expect(foldedOf(findableOf(noted, 'learners'))).not.toContain('which gate?')
    expect(foldedOf(findableOf(noted, 'designers'))).not.toContain('between us')
  })

  it('is compared without accents and case', () => {
    expect(foldedOf(findableOf(LESSON, 'learners'))).toContain('ecluses')
  })
})

describe('the places that hold words', () => {
  const at = (atMs: number | null, text: string) => ({ partId: PART, atMs, text })
  const places = [
    at(null, 'The film'),
    at(1, 'A gate opens'),
    at(2, 'Water climbs'),
    at(3, 'The gate, and water'),
  ]
  const found = (query: string, most = 5) =>
    placesHolding({ head: 'Of boats', places }, query, most)

  it('are those with all words; else those with any that the lesson does not say of itself', () => {
    expect(found('gate water').places).toEqual([places[3]])
    expect(found('film climbs').places).toEqual([places[0], places[2]])
    expect(found('boats climbs').places).toEqual([places[2]])
  })

  it('are none where the lesson says it all of itself, or nothing was asked', () => {
    expect(found('boats')).toEqual({ places: [], more: 0 })
    expect(found('  ')).toEqual({ places: [], more: 0 })
    expect(found('stork')).toEqual({ places: [], more: 0 })
  })

  it('are no more than so many; how many others there are is told', () => {
    expect(found('gate', 1)).toEqual({ places: [places[1]], more: 1 })
  })
})
