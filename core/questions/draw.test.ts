// What simulated learners answer: what they know is right, and a mistake never is.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  drawAnswer,
  fitsQuestion,
  isGraded,
  isSelfJudged,
  markQuestion,
  type Question,
} from './index.ts'
import { box, entries, questionOf } from './testing.ts'

const option = (text: string, right: boolean) => ({ text, right, feedback: '' })
const pair = (left: string, right: string) => ({ left, right })
const listed = (text: string, as: 'words' | 'pattern' = 'words', share = 1) => ({
  text,
  as,
  share,
  feedback: '',
})
const numbers: Question[] = [
  { value: 0 },
  { value: 0, unit: 'm' },
  { value: 0, tolerance: { by: 'absolute' as const, amount: 50 } },
  { value: 12, tolerance: { by: 'absolute' as const, amount: 1000 } },
  { value: 12, tolerance: { by: 'relative' as const, share: 1 } },
  { value: 1, tolerance: { by: 'figures' as const, figures: 1 } },
  { value: -5, unit: '°C' },
  { value: 30, unit: '%' },
].map((change) => questionOf('number', change))
const choices: Question[] = (['allOrNothing', 'partial', 'penalised'] as const).flatMap((credit) =>
  [
    [true, true, false],
    [true, false, false],
    [true, true, true],
  ].map((rights) =>
    questionOf('choice', {
      several: true,
      credit,
      options: entries(rights.map((right, at) => option(`o${at}`, right))),
    }),
  ),
)
const others: Question[] = [
  questionOf('trueFalse', { right: true }),
  questionOf('match', { pairs: entries([pair('a', 'x'), pair('b', 'x'), pair('c', 'y')]) }),
  questionOf('match', { pairs: entries([pair('a', 'x'), pair('b', 'x')]) }),
  questionOf('gaps', { passage: 'The [gate|gates] and the [gate] hold.', extras: 'gates' }),
  questionOf('gaps', { passage: 'The [water] holds.' }),
  questionOf('shortText', { listed: entries([listed('gate'), listed('gates', 'words', 0)]) }),
  questionOf('shortText', { listed: entries([listed('n. i.*', 'pattern'), listed('no idea')]) }),
  questionOf('area', {
    places: entries([
      {
        shape: { ...box, x: 0, y: 0, width: 0.9, height: 1 },
        right: true,
        label: 'a',
        feedback: '',
      },
    ]),
  }),
]

describe.each([...numbers, ...choices, ...others].map((question, at) => ({ question, at })))(
  '$at: $question.kind',
  ({ question }) => {
    it('is right where it is known, and never by mistake', () => {
      fc.assert(
        fc.property(fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })), (stream) => {
          const chance = { next: () => stream.next().value as number }
          const mistake = drawAnswer(question, false, chance)
          expect(markQuestion(question, mistake).verdict).not.toBe('right')
          expect(fitsQuestion(question, mistake)).toBe(true)
          if (isGraded(question) && !isSelfJudged(question))
            expect(markQuestion(question, drawAnswer(question, true, chance)).verdict).toBe('right')
        }),
        { numRuns: 60 },
      )
    })
  },
)
