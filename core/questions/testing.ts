// Questions for the tests of this folder, with only what a test says of them.
import {
  blankBase,
  blankQuestion,
  type Question,
  type QuestionKindName,
  type QuestionOf,
} from './index.ts'

/** A question of a kind; its parts have the ids n0, n1, …; what is given replaces what a new one has. */
export function questionOf<K extends QuestionKindName>(
  kind: K,
  change: Partial<QuestionOf<K>> = {},
): QuestionOf<K> {
  let made = 0
  const blank = blankQuestion(kind, blankBase('q'), () => `n${made++}`)
  return { ...(blank as Question), ...change } as QuestionOf<K>
}

/** A map of things under the ids a, b, c … in their order. */
export function entries<T extends object>(
  things: readonly T[],
): Record<string, T & { id: string; order: string }> {
  return Object.fromEntries(
    things.map((thing, index) => {
      const id = String.fromCharCode(97 + index)
      return [id, { ...thing, id, order: `a${index}` }]
    }),
  )
}

export const box = { shape: 'rectangle', x: 0.4, y: 0.4, width: 0.2, height: 0.2 } as const
export const place = { label: 'The sill', shape: box, right: true, feedback: '' }
export const lines = (...texts: string[]) => entries(texts.map((text) => ({ text })))

/** A question of each kind, with all that makes it one but its stem. */
export const WHOLE: { [K in QuestionKindName]: Question } = {
  choice: questionOf('choice', {
    options: entries([
      { text: 'paddle', right: true, feedback: '' },
      { text: 'gate', right: false, feedback: '' },
      { text: 'sill', right: false, feedback: '' },
    ]),
  }),
  trueFalse: questionOf('trueFalse', { right: false }),
  shortText: questionOf('shortText', {
    listed: entries([
      { text: 'windlass', as: 'words' as const, share: 1, feedback: '' },
      { text: 'gate', as: 'words' as const, share: 0, feedback: '' },
    ]),
  }),
  number: questionOf('number', { value: 116.16, unit: 'm³' }),
  gaps: questionOf('gaps', { passage: 'The [gate|gates] hold, the [paddle ~ sill] lets through.' }),
  order: questionOf('order', { items: lines('shut', 'wind', 'wait', 'open') }),
  match: questionOf('match', {
    pairs: entries([
      { left: 'gate', right: 'holds' },
      { left: 'paddle', right: 'lets through' },
      { left: 'sill', right: 'catches' },
    ]),
    extras: { x: { id: 'x', order: 'a0', text: 'floats' } },
  }),
  area: questionOf('area', {
    places: entries([
      place,
      { ...place, label: 'The gate', right: false, shape: { ...box, x: 0, width: 0.1 } },
    ]),
  }),
  longText: questionOf('longText'),
  upload: questionOf('upload'),
  recording: questionOf('recording'),
  poll: questionOf('poll', {
    options: entries([
      { text: 'Yes', colour: null },
      { text: 'No', colour: null },
    ]),
  }),
  scale: questionOf('scale'),
  checklist: questionOf('checklist', { items: lines('windlass', 'gloves', 'log') }),
  terms: questionOf('terms', {
    cards: entries([
      { term: 'sill', meaning: 'the step under the gates' },
      { term: 'pound', meaning: 'the level between two locks' },
    ]),
  }),
  recap: questionOf('recap', {
    sets: entries(
      [0, 1].map((set) => ({
        statements: Object.fromEntries(
          ['true', 'false', 'other'].map((text, index) => {
            const id = `s${set}${index}`
            return [id, { id, order: `a${index}`, text: `${text} ${set}`, right: index === 0 }]
          }),
        ),
      })),
    ),
  }),
}
