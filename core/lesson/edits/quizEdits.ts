// Edits of a quiz: its rules, its sections, and which questions it asks in what order.
import { cleanRich, cleanText, inOrder, type RichText } from '../../fields/index.ts'
import {
  blankBase,
  blankQuestion,
  forShelf,
  type Question,
  type QuestionKindName,
} from '../../questions/index.ts'
import { partOfKind, type QuizItem, type QuizPart, sectionsInOrder } from '../parts/index.ts'
import { forgetAskers } from '../references.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { idsFrom } from './cueEdits.ts'
import { changeEnding, type EndingChange } from './lessonEdits.ts'
import { copyOf, moveAmong, orderAfterAll } from './placing.ts'

const quizIn = (draft: Lesson, partId: string) => partOfKind(draft, partId, 'quiz')

/** How a quiz goes about it. */
export type QuizRules = Pick<QuizPart, 'layout' | 'tells' | 'rewatch' | 'shuffle'>

export const setQuizRules: Edit<{ partId: string; rules: Partial<QuizRules> }> = {
  name: 'setQuizRules',
  change: (draft, { partId, rules }) => {
    const quiz = quizIn(draft, partId)
    if (quiz) Object.assign(quiz, rules)
  },
}

/** What is said before the first section. */
export const setQuizInstructions: Edit<{ partId: string; text: RichText }> = {
  name: 'setQuizInstructions',
  change: (draft, { partId, text }) => {
    const quiz = quizIn(draft, partId)
    if (quiz) quiz.instructions = cleanRich(text)
  },
}

/** What is said over the summary; `pass` null: nobody passes or fails. */
export const setQuizEnding: Edit<{ partId: string; change: EndingChange }> = {
  name: 'setQuizEnding',
  change: (draft, { partId, change }) => {
    const quiz = quizIn(draft, partId)
    if (quiz) changeEnding(quiz.ending, change)
  },
}

export const addQuizSection: Edit<{ partId: string; sectionId: string; title: string }> = {
  name: 'addQuizSection',
  change: (draft, { partId, sectionId: id, title }) => {
    const quiz = quizIn(draft, partId)
    if (!quiz) return
    const order = orderAfterAll(Object.values(quiz.sections))
    quiz.sections[id] = { id, order, title: cleanText(title), instructions: '' }
  },
}

export const setQuizSection: Edit<{
  partId: string
  sectionId: string
  change: { title?: string; instructions?: RichText }
}> = {
  name: 'setQuizSection',
  change: (draft, { partId, sectionId, change }) => {
    const section = quizIn(draft, partId)?.sections[sectionId]
    if (!section) return
    if (change.title !== undefined) section.title = cleanText(change.title)
    if (change.instructions !== undefined) section.instructions = cleanRich(change.instructions)
  },
}

export const moveQuizSection: Edit<{ partId: string; sectionId: string; by: 1 | -1 }> = {
  name: 'moveQuizSection',
  change: (draft, { partId, sectionId, by }) => {
    const quiz = quizIn(draft, partId)
    if (quiz) moveAmong(Object.values(quiz.sections), sectionId, by)
  },
}

/** Removes a section with its questions. */
export const removeQuizSection: Edit<{ partId: string; sectionId: string }> = {
  name: 'removeQuizSection',
  change: (draft, { partId, sectionId }) => {
    const quiz = quizIn(draft, partId)
    if (!quiz) return
    for (const item of Object.values(quiz.items))
      if (item.sectionId === sectionId) removeItem(draft, quiz, item.id)
    delete quiz.sections[sectionId]
  },
}

interface NewItem {
  partId: string
  sectionId: string
  itemId: string
  questionId: string
}

function addItem(draft: Lesson, place: NewItem, question: Question): void {
  const { partId, sectionId, itemId: id, questionId } = place
  const quiz = quizIn(draft, partId)
  if (!quiz) return
  draft.questions[questionId] = question
  quiz.items[id] = { id, order: orderAfterAll(Object.values(quiz.items)), sectionId, questionId }
}

/** A new question at the end of a section, with nothing written yet. */
export const askInQuiz: Edit<NewItem & { kind: QuestionKindName; ids: readonly string[] }> = {
  name: 'askInQuiz',
  change: (draft, { kind, ids, ...place }) =>
    addItem(draft, place, blankQuestion(kind, blankBase(place.questionId), idsFrom(ids))),
}

/** Asks a question from the question shelf at the end of a section. */
export const askKeptInQuiz: Edit<NewItem & { shelfId: string; question: Question }> = {
  name: 'askKeptInQuiz',
  change: (draft, { shelfId, question, ...place }) =>
    addItem(draft, place, { ...forShelf(question), id: place.questionId, shelfId }),
}

/** A copy of a question, right after it. */
export const copyQuizItem: Edit<{
  partId: string
  itemId: string
  newItemId: string
  newQuestionId: string
}> = {
  name: 'copyQuizItem',
  change: (draft, { partId, itemId, newItemId, newQuestionId }) => {
    const quiz = quizIn(draft, partId)
    const item = quiz?.items[itemId]
    if (!quiz || !item) return
    const question = copyOf(draft.questions[item.questionId]!)
    const place = {
      partId,
      sectionId: item.sectionId,
      itemId: newItemId,
      questionId: newQuestionId,
    }
    addItem(draft, place, { ...question, id: newQuestionId })
    const own = itemsOf(quiz, item.sectionId)
    const steps = own.length - 2 - own.findIndex(({ id }) => id === itemId)
    for (let step = 0; step < steps; step += 1)
      moveAmong(itemsOf(quiz, item.sectionId), newItemId, -1)
  },
}

const itemsOf = (quiz: QuizPart, sectionId: string): QuizItem[] =>
  inOrder(Object.values(quiz.items)).filter((item) => item.sectionId === sectionId)

/** Moves a question up or down; over the edge of its section it comes into the next one. */
export const moveQuizItem: Edit<{ partId: string; itemId: string; by: 1 | -1 }> = {
  name: 'moveQuizItem',
  change: (draft, { partId, itemId, by }) => {
    const quiz = quizIn(draft, partId)
    const item = quiz?.items[itemId]
    if (!quiz || !item) return
    const own = itemsOf(quiz, item.sectionId)
    const to = own.findIndex(({ id }) => id === itemId) + by
    if (to >= 0 && to < own.length) return moveAmong(own, itemId, by)
    const sections = sectionsInOrder(quiz)
    const here = sections.findIndex(({ section }) => section.id === item.sectionId)
    const next = sections[here + by]?.section.id
    if (next === undefined) return
    item.sectionId = next
    const others = itemsOf(quiz, next)
    // Downwards it becomes the first of the next section, upwards the last of the one before.
    for (let step = 0; step < others.length; step += 1)
      moveAmong(itemsOf(quiz, next), itemId, by > 0 ? -1 : 1)
  },
}

export const removeQuizItem: Edit<{ partId: string; itemId: string }> = {
  name: 'removeQuizItem',
  change: (draft, { partId, itemId }) => {
    const quiz = quizIn(draft, partId)
    if (quiz) removeItem(draft, quiz, itemId)
  },
}

function removeItem(draft: Lesson, quiz: QuizPart, itemId: string): void {
  const item = quiz.items[itemId]
  if (!item) return
  delete draft.questions[item.questionId]
  delete quiz.items[itemId]
  forgetAskers(draft, (id) => id === itemId)
}
