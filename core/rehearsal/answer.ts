// A simulated learner thinks, answers, and tries again, as far as the question lets them.
import { askingOf, type Lesson } from '../lesson/index.ts'
import { drawAnswer, isFinal, isSettled } from '../questions/index.ts'
import type { AnswerResult } from '../playback/index.ts'
import { SEEN_SHARE, shareWatched } from '../watching/index.ts'
import { chanceOfRight } from './answering.ts'
import { pass, record, type Sitting } from './sitting.ts'

/** Reading and thinking before an answer, in ms. */
export const THINKING_MS = [4000, 22_000] as const
const TRIES_AGAIN = 0.75
/** Whoever has tried so often, where tries are not counted, finds it in the end. */
const MOST_TRIES = 8

/** What asks. */
export interface Asked {
  id: string
  questionId: string
}

/** Whether the stretch that answers a question was watched by now; where none is named, nobody can miss it. */
function hasSeenEvidence({ lesson, covered, persona }: Sitting, questionId: string): boolean {
  const { evidence } = lesson.questions[questionId]!
  if (!evidence) return !persona.skips
  return shareWatched(covered[evidence.partId] ?? [], evidence) >= SEEN_SHARE
}

function holdsUntilRight({ cues }: Lesson, cueId: string): boolean {
  const cue = Object.hasOwn(cues, cueId) ? cues[cueId]! : null
  return cue?.kind === 'question' && cue.hold === 'right'
}

/** Answers until it is right, no try is left, or they have had enough; what came of each try is told at once. */
export function answer(
  sitting: Sitting,
  cue: Asked,
  onAnswered: (result: AnswerResult) => void = () => undefined,
): void {
  const { lesson, random, persona } = sitting
  const question = lesson.questions[cue.questionId]!
  const { countdownMs = Infinity } = askingOf(lesson, cue.id) ?? {}
  const isHeld = holdsUntilRight(lesson, cue.id)
  const earlier = sitting.responses.filter(({ cueId }) => cueId === cue.id)
  const most = question.tries || earlier.length + (isHeld ? MOST_TRIES : 1)
  if (
    isFinal(
      question,
      earlier.some(({ verdict }) => isSettled(verdict)),
      earlier.length,
    )
  )
    return
  for (let tryNumber = earlier.length + 1; tryNumber <= most; tryNumber += 1) {
    // Whoever was sent back to the stretch that answers it has seen it by now.
    const chance = chanceOfRight(question, persona.ability, hasSeenEvidence(sitting, question.id))
    const waitedMs = Math.min(pass(sitting, THINKING_MS), countdownMs)
    const findsIt = random.chance(chance) || (isHeld && question.tries === 0 && tryNumber === most)
    const given = drawAnswer(question, findsIt, random)
    record(sitting, {
      kind: 'response',
      id: random.id(),
      cueId: cue.id,
      questionId: question.id,
      answer: given,
      answeredAt: new Date(sitting.clockMs).toISOString(),
      waitedMs,
    })
    const right = isSettled(sitting.responses.at(-1)!.verdict)
    onAnswered({ right, final: isFinal(question, right, tryNumber), tries: tryNumber })
    if (right) break
    // Where playback holds until it is right, nobody goes on before, or before their tries are used up.
    if (!random.chance(TRIES_AGAIN) && !isHeld) break
  }
}
