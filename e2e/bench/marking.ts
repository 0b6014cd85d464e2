// How fast answers of all kinds are marked, on one core, beside the cost of reading them from JSON.
import { createRandom } from '@fernbrake/core/chance'
import type { Lesson } from '@fernbrake/core/lesson'
import { drawAnswer, markQuestion, type Answer, type Question } from '@fernbrake/core/questions'
import { editsOfWaterBudget, editsOfWaterThatClimbs } from '@fernbrake/demo'
import type { Figure } from './figure.ts'

const ANSWERS = 100_000
const ROUNDS = 5
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

/** Answers a second that `work` gets through, the middle of several rounds. */
function rate(work: () => void): number {
  const rates = Array.from({ length: ROUNDS }, () => {
    const began = performance.now()
    work()
    return ANSWERS / ((performance.now() - began) / 1000)
  })
  return rates.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!
}

export function measureMarking(): Figure {
  const answers = drawAnswers()
  const texts = answers.map(({ answer }) => JSON.stringify(answer))
  const marked = rate(() =>
    answers.forEach(({ question, answer }) => markQuestion(question, answer)),
  )
  const read = rate(() => texts.forEach((text) => void JSON.parse(text)))
  return {
    what: `Answers marked in a second on one core, ${ANSWERS} of all kinds mixed`,
    value: marked.toFixed(0),
    reference: `reading them from JSON ${read.toFixed(0)}`,
    aim: 'at least 50000',
  }
}
