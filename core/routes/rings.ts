// Forks that lead back by themselves where nothing on the way can change what they go by. Playback goes round once and then
// lets a learner go on; the designer is told.
import { cuesInOrder, type Condition, type ForkCue, type Lesson } from '../lesson/index.ts'

export interface Ring {
  partId: string
  cueId: string
  atMs: number
}

/** The forks of a film that lead back and can only do so once, by time. */
export function findRings(lesson: Lesson, partId: string): Ring[] {
  return cuesInOrder(lesson, partId).flatMap((cue) =>
    cue.kind === 'fork' && cue.decides && leadsBackInVain(lesson, cue)
      ? [{ partId, cueId: cue.id, atMs: cue.atMs }]
      : [],
  )
}

function leadsBackInVain(lesson: Lesson, fork: ForkCue): boolean {
  const ways = Object.values(fork.choices).sort((a, b) => (a.order < b.order ? -1 : 1))
  return ways.some(({ id, target, condition }, index) => {
    if (target.to !== 'time' || target.atMs >= fork.atMs) return false
    const always = ways.findIndex((way) => way.condition === null)
    const isReached = always < 0 || index <= always
    const isUsual = always < 0 && fork.defaultChoice === id
    // Whatever comes before a way may hold the next time; before the usual one come all.
    const tried = isUsual ? ways : ways.slice(0, index + 1)
    const isTaken = isUsual || (isReached && (condition !== null || index === always))
    return isTaken && !tried.some((way) => canChange(lesson, fork, target.atMs, way.condition))
  })
}

/** Whether going on from `fromMs` to the fork can make a condition hold, or no longer hold. */
function canChange(
  lesson: Lesson,
  fork: ForkCue,
  fromMs: number,
  condition: Condition | null,
): boolean {
  switch (condition?.if) {
    case 'answer':
      return condition.is !== 'given' && isAskedAgain(lesson, fork, fromMs, condition.cueId)
    case 'score':
      return isAskedAgain(lesson, fork, fromMs)
    case 'watched':
      return condition.partId === fork.partId
    case 'visited':
    case undefined:
      return false
  }
}

/** Whether a question, or any that earns marks, stands between and has more than one try. */
const isAskedAgain = (
  lesson: Lesson,
  fork: ForkCue,
  fromMs: number,
  cueId?: string | null,
): boolean =>
  cuesInOrder(lesson, fork.partId).some((cue) => {
    if (cue.kind !== 'question' || cue.atMs < fromMs || cue.atMs > fork.atMs) return false
    const { tries, points } = lesson.questions[cue.questionId]!
    return tries !== 1 && (cueId === undefined ? points > 0 : cue.id === cueId)
  })
