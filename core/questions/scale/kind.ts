// What a scale can do. Nothing in it is marked.
import type { QuestionKind, QuestionMaking } from '../kind.ts'
import { unjudged } from '../mark.ts'
import type { ScaleAnswer, ScaleQuestion } from './schema.ts'

/** The steps of a scale, from the lowest. */
export function stepsOf({ from, to }: Pick<ScaleQuestion, 'from' | 'to'>): number[] {
  return Array.from({ length: to - from + 1 }, (_, index) => from + index)
}

/** What a step stands for: the words at the ends and in the middle; '' elsewhere. */
export function labelOfStep({ from, to, labels }: ScaleQuestion, step: number): string {
  if (step === from) return labels.from
  if (step === to) return labels.to
  return step * 2 === from + to ? labels.middle : ''
}

export const scale: QuestionKind<ScaleQuestion, ScaleAnswer> = {
  graded: false,
  byPerson: false,
  mended: false,
  mark: unjudged,
  fits: ({ from, to }, { value }) => from <= value && value <= to,
  readable(question, { value }) {
    const label = labelOfStep(question, value)
    return label === '' ? String(value) : `${value} (${label})`
  },
  texts: ({ labels }) => Object.values(labels),
  media: () => [],
  chosen: ({ value }) => [String(value)],
}

export const scaleMaking: QuestionMaking<ScaleQuestion, ScaleAnswer> = {
  blank: (base) => ({
    ...base,
    points: 0,
    tries: 1,
    kind: 'scale',
    from: 1,
    to: 5,
    labels: { from: '', middle: '', to: '' },
    colour: null,
    resultsFor: 'everyone',
  }),
  findWhatCannotBeAsked: () => [],
  cut: (question) => question,
  draw({ from, to }, right, chance) {
    // Those who know more are also the surer ones.
    const low = right ? from + (to - from) / 3 : from
    return { kind: 'scale', value: Math.round(low + chance.next() * (to - low)) }
  },
  countables: (question) =>
    stepsOf(question).map((step) => ({
      id: String(step),
      label: `${step} ${labelOfStep(question, step)}`.trim(),
      colour: question.colour,
    })),
  showsTally: ({ resultsFor }) => resultsFor === 'everyone',
}
