import { expect, test } from 'vitest'
import {
  edited,
  fullLesson,
  lessonWithFilm,
  PAGE,
  PART,
  STILL,
  withQuestion,
  withThings,
} from '../testing/index.ts'
import { edits, linksOf } from './index.ts'

const page = (address: string, title = '') => ({
  blocks: [{ block: 'page' as const, address, title, opens: 'inside' as const }],
})

test('a lesson without addresses has no links', () => {
  expect(linksOf(lessonWithFilm())).toEqual([])
})

test('every address stands once, with all places where learners come to it', () => {
  const levels = 'https://harrowmere.example/levels'
  let lesson = withQuestion(withThings(fullLesson()), { id: 'x', atMs: 1000 })
  lesson = edited(lesson, edits.setQuestionText, {
    questionId: 'q-x',
    field: 'stem',
    text: page(levels, 'Water levels'),
  })
  lesson = edited(lesson, edits.addThings, {
    partId: PAGE,
    map: 'blocks',
    things: [{ id: 'w', kind: 'web', address: levels, title: '', opens: 'inside' }],
  })
  lesson = edited(lesson, edits.addThings, {
    partId: STILL,
    map: 'pins',
    things: [
      {
        id: 'far',
        x: 0.1,
        y: 0.1,
        name: 'Far',
        shape: 'round',
        colour: '#24603F',
        symbol: '',
        opens: { what: 'link', address: '/stand-ins/pages/levels', title: 'Ours', opens: 'newTab' },
      },
    ],
  })
  const found = linksOf(lesson)
  expect(found.find(({ address }) => address === levels)).toMatchObject({
    title: 'Water levels',
    places: [
      { partId: PART, cueId: 'x', thingId: null },
      { partId: PAGE, cueId: null, thingId: 'w' },
    ],
  })
  expect(found.find(({ title }) => title === 'Ours')?.places).toEqual([
    { partId: STILL, cueId: null, thingId: 'far' },
  ])
  expect(new Set(found.map(({ address }) => address)).size).toBe(found.length)
})

test('an address that is not written yet is none', () => {
  const lesson = edited(withThings(fullLesson()), edits.addThings, {
    partId: PAGE,
    map: 'blocks',
    things: [{ id: 'w', kind: 'web', address: null, title: '', opens: 'inside' }],
  })
  expect(linksOf(lesson).some(({ places }) => places.some(({ thingId }) => thingId === 'w'))).toBe(
    false,
  )
})
