// How fast answers of all kinds are marked, on one core, beside the cost of reading them from JSON.
import { createRandom } from '@fernbrake/core/chance'
import type { Lesson } from '@fernbrake/core/lesson'
import { drawAnswer, markQuestion, type Answer, type Question } from '@fernbrake/core/questions'
import { editsOfWaterBudget, editsOfWaterThatClimbs } from '@fernbrake/demo'
import { amount } from './stating/telling.ts'
import { middle } from './stating/judge.ts'
import { inRounds, type Figure } from './stating/figure.ts'

const ANSWERS = 100_000
const SEED = 7
/** Long enough for every sentence of the demo's films. */
const FILM = { durationMs: 400_000, captions: [{ fromMs: 0, toMs: 1000, text: 'Words' }] }

/** Right and wrong answers to the questions of the demo's lessons, evenly mixed. */
function drawAnswers(): { question: Question; answer: Answer }[] {
  const random = createRandom(SEED)
  const lessons: Lesson[] = [editsOfWaterThatClimbs(FILM).lesson, editsOfWaterBudget(FILM).lesson]
  const questions = lessons.flatMap((lesson) => Object.values(lesson.questions))
  return Array.from({ length: ANSWERS }, (_, index) => {
    const question = questions[index % questions.length]!
    return { question, answer: drawAnswer(question, random.chance(0.6), random) }
  })
}

/** Answers a second that `work` gets through. */
function rate(work: () => void): number {
  const began = performance.now()
  work()
  return ANSWERS / ((performance.now() - began) / 1000)
}

export async function measureMarking(): Promise<Figure[]> {
  const answers = drawAnswers()
  const texts = answers.map(({ answer }) => JSON.stringify(answer))
  const mark = () => answers.forEach(({ question, answer }) => markQuestion(question, answer))
  const read = () => texts.forEach((text) => void JSON.parse(text))
  mark()
  read()
  const reading: number[] = []
  const rounds = await inRounds(() => {
    const marked = rate(mark)
    reading.push(rate(read))
    return marked / reading.at(-1)!
  })
  return [
    {
      id: 'marking.rate',
      what: `Answers of all kinds marked in a second on one core, beside reading them from JSON`,
      unit: 'x',
      rounds,
      aim: { least: 0.4 },
      limit: '1 ×, nothing but reading them',
      reference: `${amount(middle(reading), '/s')} read from JSON`,
    },
  ]
}
