import { expect, it } from 'vitest'
import { edits, partOfKind } from '../lesson/index.ts'
import { edited, lessonWithFilm, QUIZ, withQuiz } from '../testing/index.ts'
import { quizOnFrond } from './index.ts'

it('a quiz is a stem with a leaf for each question and a mark for each section that has a name', () => {
  const quiz = partOfKind(withQuiz(lessonWithFilm()), QUIZ, 'quiz')!
  expect(quizOnFrond(quiz)).toEqual({
    durationMs: 3000,
    leaves: [
      { itemId: 'i1', questionId: 'q-i1', atMs: 500 },
      { itemId: 'i2', questionId: 'q-i2', atMs: 1500 },
      { itemId: 'i3', questionId: 'q-i3', atMs: 2500 },
    ],
    sections: [{ sectionId: 'second', title: 'Second', atMs: 2000 }],
  })
})

it('one without questions has no length', () => {
  const bare = { id: 'bare', title: '', sectionId: 's' }
  const lesson = edited(lessonWithFilm(), edits.addQuizPart, bare)
  expect(quizOnFrond(partOfKind(lesson, 'bare', 'quiz')!).durationMs).toBe(0)
})
