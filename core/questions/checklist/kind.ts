// What a self-check list can do. It is right once everything is ticked; nobody can be wrong about themselves.
import { inOrder, isBlank, plainOf } from '../../fields/index.ts'
import { issueAt, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { tickedMark } from '../mark.ts'
import { hasRepeats, twoOrders } from '../options.ts'
import { answerOf, listOfIds } from '../reading.ts'
import type { ChecklistAnswer, ChecklistQuestion } from './schema.ts'

export const checklist: QuestionKind<ChecklistQuestion, ChecklistAnswer> = {
  graded: true,
  byPerson: false,
  selfJudged: true,
  mended: true,
  mark: (question, answer) =>
    tickedMark(
      question,
      Object.keys(question.items),
      new Set(listOfIds(answerOf(answer, 'checklist')?.ticked) ?? []),
    ),
  fits: (question, { ticked }) =>
    ticked.every((id) => Object.hasOwn(question.items, id)) &&
    new Set(ticked).size === ticked.length,
  readable: (question, { ticked }) =>
    inOrder(Object.values(question.items))
      .filter(({ id }) => ticked.includes(id))
      .map(({ text }) => plainOf(text))
      .join('; '),
  texts: (question) => Object.values(question.items).map(({ text }) => text),
  media: () => [],
}

export const checklistMaking: QuestionMaking<ChecklistQuestion, ChecklistAnswer> = {
  blank: (base, newId) => ({
    ...base,
    points: 0,
    tries: 0,
    keep: 'last',
    kind: 'checklist',
    items: Object.fromEntries(
      twoOrders().map((order) => {
        const id = newId()
        return [id, { id, order, text: '' }]
      }),
    ),
  }),
  findWhatCannotBeAsked(question) {
    const texts = Object.values(question.items).map(({ text }) => text)
    if (texts.length === 0)
      return [issueAt('items', 'question.fewOptions', 'A list needs at least one line.')]
    if (texts.some(isBlank)) return [issueAt('items', 'question.emptyOption', 'A line is empty.')]
    return hasRepeats(texts)
      ? [issueAt('items', 'question.sameOptions', 'Two lines say the same.')]
      : []
  },
  cut: (question) => question,
  draw(question, right, chance) {
    const ids = inOrder(Object.values(question.items)).map(({ id }) => id)
    // Whoever is not ready yet leaves out what comes last, and now and then something before.
    const done = right ? ids : ids.slice(0, -1).filter(() => chance.next() < 0.7)
    return { kind: 'checklist', ticked: done }
  },
  lines: ({ items }) => items,
}
