// A lesson that takes over what a template holds.
import { expect, it } from 'vitest'
import { edited, fullLesson, lessonWithFilm } from '../testing/index.ts'
import { edits, emptyLesson } from './index.ts'

const made = { ...fullLesson(), title: 'Template', summary: 'What it is', objectives: 'To wind' }

it('has all of it, and keeps what was said of itself', () => {
  const mine = { ...emptyLesson('Lock six', 'fr'), summary: 'Mine', tags: ['locks'] }
  const begun = edited(mine, edits.beginFrom, { lesson: made })
  expect(begun.parts).toEqual(made.parts)
  expect([begun.cues, begun.questions, begun.scripts]).toEqual([
    made.cues,
    made.questions,
    made.scripts,
  ])
  expect(begun).toMatchObject({
    title: 'Lock six',
    language: 'fr',
    summary: 'Mine',
    tags: ['locks'],
    objectives: 'To wind',
  })
})

it('is called and told as the template says where nothing is said yet', () => {
  const begun = edited(emptyLesson(''), edits.beginFrom, { lesson: made })
  expect([begun.title, begun.summary]).toEqual(['Template', 'What it is'])
})

it('loses nothing that somebody put in meanwhile', () => {
  const begun = edited(lessonWithFilm(), edits.beginFrom, { lesson: { ...emptyLesson('T') } })
  expect(begun.parts).toEqual(lessonWithFilm().parts)
})
