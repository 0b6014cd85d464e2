// What is in the way of publishing, as a list to be gone through.
import { expect, it } from 'vitest'
import { edits, findWhatBlocksPublishing, type Lesson } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, PART, QUIZ, withQuestion, withQuiz } from '@fernbrake/core/testing'
import { blockersInOrder } from './blockers.ts'

const blockersOf = (lesson: Lesson) => blockersInOrder(lesson, findWhatBlocksPublishing(lesson))
const withStem = (lesson: Lesson, id: string, atMs: number, stem: string) =>
  edited(withQuestion(lesson, { id, atMs }), edits.setQuestionText, {
    questionId: `q-${id}`,
    field: 'stem',
    text: stem,
  })
const beyondEnd = (lesson: Lesson, ...ids: string[]) => ({
  ...lesson,
  cues: Object.fromEntries(
    Object.entries(lesson.cues).map(([id, cue]) => [
      id,
      ids.includes(id) && 'atMs' in cue ? { ...cue, atMs: cue.atMs + 9_000_000 } : cue,
    ]),
  ),
})

it('stands in the order of time, whatever came first, and names what it is about', () => {
  let lesson = withStem(lessonWithFilm(60_000), 'late', 40_000, 'Why late?')
  lesson = withStem(lesson, 'early', 4_000, 'Why early?')
  const found = blockersOf(beyondEnd(lesson, 'late', 'early'))
  expect(found.map(({ words }) => words)).toEqual(['Why early?', 'Why late?'])
  expect(found.map(({ cue }) => cue?.id)).toEqual(['early', 'late'])
})

it('what concerns the whole lesson comes first', () => {
  const lesson = { ...withStem(lessonWithFilm(60_000), 'q', 4_000, 'Why?'), title: '' }
  const [first, second] = blockersOf(beyondEnd(lesson, 'q'))
  expect([first?.issue.code, first?.cue, first?.partId]).toEqual(['lesson.noTitle', null, null])
  expect(second?.cue?.id).toBe('q')
})

it('a question of a quiz is named by its own words, a gate leads to the map', () => {
  const lesson = withQuiz(lessonWithFilm())
  const quiz = lesson.parts[QUIZ]!
  const [itemId, item] = Object.entries('items' in quiz ? quiz.items : {})[0]!
  const asks = { ...lesson.questions[item.questionId]!, stem: 'Which gate?' }
  const of = { ...lesson, questions: { ...lesson.questions, [asks.id]: asks } }
  const at = (...path: string[]) => [{ path, code: 'x', message: '' }]
  expect(blockersInOrder(of, at('parts', QUIZ, 'items', itemId))[0]).toMatchObject({
    partId: QUIZ,
    thingId: itemId,
    words: 'Which gate?',
    onMap: false,
  })
  expect(blockersInOrder(of, at('parts', PART, 'gate'))[0]).toMatchObject({
    partId: PART,
    onMap: true,
  })
})
