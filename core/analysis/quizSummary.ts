// How a learner did in a quiz: question by question, section by section, and as a whole.
import { sectionsInOrder, type Lesson, type QuizPart } from '../lesson/index.ts'
import { itemState, type ItemState } from './itemState.ts'
import { questionScore, triesOf, type ResponseRecord } from './results.ts'

export interface ItemOutcome {
  itemId: string
  questionId: string
  state: ItemState
  points: number
  max: number
}

export interface SectionOutcome {
  sectionId: string
  points: number
  max: number
  items: ItemOutcome[]
}

export interface QuizSummary {
  sections: SectionOutcome[]
  points: number
  max: number
  answered: number
  count: number
  /** How many questions stand at each state. */
  states: Record<ItemState, number>
}

const sum = (things: readonly number[]) => things.reduce((total, one) => total + one, 0)

/**
 * The summary of one learner's answers; `responses` may be those of the whole lesson. With a seed, the questions come
 * in the order in which that learner met them.
 */
export function quizSummary(
  lesson: Pick<Lesson, 'questions'>,
  quiz: QuizPart,
  responses: readonly ResponseRecord[],
  seed?: string,
): QuizSummary {
  const sections = sectionsInOrder(quiz, seed).map(({ section, items }): SectionOutcome => {
    const outcomes = items.map(({ id, questionId }): ItemOutcome => {
      const question = lesson.questions[questionId]!
      const points = questionScore(question, responses)
      const state = itemState(question, triesOf(question, responses))
      return { itemId: id, questionId, state, points, max: question.points }
    })
    return {
      sectionId: section.id,
      points: sum(outcomes.map(({ points }) => points)),
      max: sum(outcomes.map(({ max }) => max)),
      items: outcomes,
    }
  })
  const all = sections.flatMap(({ items }) => items)
  const states = { open: 0, right: 0, partly: 0, wrong: 0, waits: 0, given: 0 }
  for (const { state } of all) states[state] += 1
  return {
    sections,
    points: sum(sections.map(({ points }) => points)),
    max: sum(sections.map(({ max }) => max)),
    answered: all.length - states.open,
    count: all.length,
    states,
  }
}

/** The same without what would tell what is right: which questions were answered, and nothing of marks. */
export function untoldSummary(summary: QuizSummary): QuizSummary {
  const states = { open: summary.states.open, right: 0, partly: 0, wrong: 0, waits: 0, given: 0 }
  const sections = summary.sections.map((section) => ({
    ...section,
    points: 0,
    max: 0,
    items: section.items.map((item): ItemOutcome => {
      const state = item.state === 'open' ? 'open' : 'given'
      return { ...item, state, points: 0, max: 0 }
    }),
  }))
  return { ...summary, sections, points: 0, max: 0, states: { ...states, given: summary.answered } }
}
