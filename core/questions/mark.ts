// What marking any kind of question yields, and how tries weigh on it.

/** `unmarked` waits for a person. */
export type Verdict = 'right' | 'partly' | 'wrong' | 'unmarked'

/** One option, gap, pair or place: whether the learner picked or filled it, and whether it is, or was done, right. */
export interface PartMark {
  id: string
  picked: boolean
  right: boolean
}

/** Points are between 0 and `max`; `perPart` tells the same for each option, gap or pair. */
export interface Mark {
  points: number
  max: number
  verdict: Verdict
  perPart: PartMark[]
}

/** Whether nothing stands against going on: it was right, or there was nothing to be wrong about yet. */
export const isSettled = (verdict: Verdict) => verdict === 'right' || verdict === 'unmarked'

/** Of what a learner may not know yet: nothing is said of it. */
export const unsaid = (question: { points: number }): Mark => ({
  points: 0,
  max: question.points,
  verdict: 'unmarked',
  perPart: [],
})

/** The verdict for a share of the points between 0 and 1. */
export function verdictOf(share: number): Verdict {
  return share >= 1 ? 'right' : share > 0 ? 'partly' : 'wrong'
}

/** `points × (1 − penalty × (tries − 1))`, not below 0; `tryNumber` counts from 1. */
export function pointsAfterTries(points: number, tryPenalty: number, tryNumber: number): number {
  return Math.max(0, points * (1 - tryPenalty * (tryNumber - 1)))
}

/** The points that count out of the points of each try in order: the best or the last; 0 when there is none. */
export function pointsKept(pointsPerTry: readonly number[], keep: 'best' | 'last'): number {
  if (pointsPerTry.length === 0) return 0
  return keep === 'best' ? Math.max(...pointsPerTry) : pointsPerTry[pointsPerTry.length - 1]!
}

/** The mark for a share of the points, by what became of the parts. */
export function markOf(question: { points: number }, share: number, perPart: PartMark[]): Mark {
  const { points: max } = question
  return { points: share * max, max, verdict: verdictOf(share), perPart }
}

/** Of what learners tick about themselves: right once all of it is, and never wrong. */
export function tickedMark(
  question: { points: number },
  ids: readonly string[],
  ticked: ReadonlySet<string>,
): Mark {
  const perPart = ids.map((id) => ({ id, picked: ticked.has(id), right: true }))
  const count = perPart.filter(({ picked }) => picked).length
  const share = ids.length > 0 ? count / ids.length : 0
  const verdict = share >= 1 ? 'right' : 'partly'
  return { points: share * question.points, max: question.points, verdict, perPart }
}

/** Of what only asks: there is nothing to earn, and nothing to be wrong about. */
export const unjudged = (): Mark => ({ points: 0, max: 0, verdict: 'unmarked', perPart: [] })

/** Of what a person has to look at: no points yet. */
export const waitingForPerson = (question: { points: number }): Mark => ({
  points: 0,
  max: question.points,
  verdict: 'unmarked',
  perPart: [],
})
