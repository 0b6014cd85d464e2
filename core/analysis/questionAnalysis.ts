// What answers say about questions, by classical test theory: Crocker and Algina, “Introduction to Classical and Modern Test
// Theory”; groups of 27 % after Kelley 1939.
import {
  correlation,
  mean,
  median,
  quantile,
  shareDifference,
  sum,
  variance,
  type Share,
} from '../statistics/index.ts'

/** What one learner did with one question, all tries together. */
export interface Outcome {
  points: number
  /** The options that were picked, of kinds that have some. */
  picked: readonly string[]
  tries: number
  /** How long it took to the first answer, in ms; null where nobody knows. */
  tookMs: number | null
  /** Whether the stretch that answers it had been watched before; null where it names none. */
  hadSeen: boolean | null
}

export interface Asked {
  id: string
  /** The most points it brings; above 0. */
  max: number
  /** Of kinds that have some: which are right. */
  options: readonly { id: string; right: boolean }[]
}

/** Outcomes by question; a question that was not answered is missing, and counts as no points in sums. */
export type Sitting = Readonly<Record<string, Outcome>>

export interface OptionShares {
  id: string
  right: boolean
  upper: number
  middle: number
  lower: number
}

export interface QuestionFigures {
  id: string
  answered: number
  /** The share of its points that was earned by those who answered, 0 to 1. */
  difficulty: number | null
  /** The correlation with the points of all other questions. */
  discrimination: number | null
  /** The share earned by the upper 27 % less that of the lower 27 %, by the points of the whole. */
  upperLower: number | null
  /** Who picked what, by thirds of the whole. */
  options: OptionShares[]
  /** Wrong options that the upper third picked more often than any right one. */
  misleading: string[]
  medianMs: number | null
  tries: number | null
  /** Right after having seen the answer, and right without; with how far they are apart. */
  seen: { withIt: Share; without: Share; gap: ReturnType<typeof shareDifference> } | null
}

export interface TestFigures {
  learners: number
  mean: number | null
  sd: number | null
  median: number | null
  quartiles: { lower: number; upper: number } | null
  /** Cronbach's alpha; where all marks are 0 or all of it, this is KR-20. */
  reliability: number | null
  /** The standard error of measurement, in points. */
  error: number | null
  /** There are enough learners to say any of this without a warning. */
  isEnough: boolean
}

/** From fewer nothing is shown without saying so. */
export const ENOUGH_LEARNERS = 10
const KELLEY = 0.27

const pointsOf = (sitting: Sitting, id: string) => sitting[id]?.points ?? 0

/** The figures of each question, in the order in which they are given. */
export function analyseQuestions(
  questions: readonly Asked[],
  sittings: readonly Sitting[],
): QuestionFigures[] {
  const totals = sittings.map((one) => sum(questions.map(({ id }) => pointsOf(one, id))))
  const groups: Groups = {
    kelley: outerGroups(totals, Math.round(totals.length * KELLEY)),
    thirds: outerGroups(totals, Math.floor(totals.length / 3)),
  }
  return questions.map((question) => figuresOf(question, sittings, totals, groups))
}

/** How much of each sitting belongs to the best and to the weakest of so many, 0 to 1; `size` in sittings. */
interface Outer {
  size: number
  upper: readonly number[]
  lower: readonly number[]
}
interface Groups {
  /** Kelley's, of 27 in a hundred. */
  kelley: Outer
  thirds: Outer
}

/** Those at the border with equal totals share what is left of it, so that the order of arrival changes nothing. O(n log n). */
function outerGroups(totals: readonly number[], size: number): Outer {
  const counts = new Map<number, number>()
  for (const total of totals) counts.set(total, (counts.get(total) ?? 0) + 1)
  const fromWeakest = [...counts].sort(([a], [b]) => a - b)
  const sharesFrom = (inOrder: readonly [total: number, equal: number][]): number[] => {
    const shares = new Map<number, number>()
    let before = 0
    for (const [total, equal] of inOrder) {
      shares.set(total, Math.min(1, Math.max(0, (size - before) / equal)))
      before += equal
    }
    return totals.map((total) => shares.get(total)!)
  }
  return { size, upper: sharesFrom(fromWeakest.toReversed()), lower: sharesFrom(fromWeakest) }
}

function figuresOf(
  question: Asked,
  sittings: readonly Sitting[],
  totals: readonly number[],
  groups: Groups,
): QuestionFigures {
  const { id, max } = question
  const outcomes = sittings.flatMap((sitting) => sitting[id] ?? [])
  const earned = mean(outcomes.map(({ points }) => points))
  const own = sittings.map((sitting) => pointsOf(sitting, id))
  const rest = totals.map((total, index) => total - own[index]!)
  const options = optionShares(question, sittings, groups.thirds)
  return {
    id,
    answered: outcomes.length,
    difficulty: earned === null ? null : earned / max,
    discrimination: correlation(own, rest),
    upperLower: upperLower(question, own, groups.kelley),
    options,
    misleading: misleadingOf(options),
    medianMs: median(outcomes.flatMap(({ tookMs }) => tookMs ?? [])),
    tries: mean(outcomes.map(({ tries }) => tries)),
    seen: seenIt(question, outcomes),
  }
}

function upperLower(
  { max }: Asked,
  own: readonly number[],
  { size, upper, lower }: Outer,
): number | null {
  if (size === 0) return null
  const earned = (weights: readonly number[]) => sum(own.map((points, at) => points * weights[at]!))
  return (earned(upper) - earned(lower)) / (size * max)
}

/** By thirds of all who sat, as shares of those in each third who answered it. */
function optionShares(
  { id, options }: Asked,
  sittings: readonly Sitting[],
  { upper, lower }: Outer,
): OptionShares[] {
  const middle = upper.map((weight, at) => Math.max(0, 1 - weight - lower[at]!))
  const answered = sittings.flatMap((sitting, at) => {
    const outcome = sitting[id]
    return outcome ? [{ outcome, at }] : []
  })
  const shareOf = (weights: readonly number[], optionId: string) => {
    const all = sum(answered.map(({ at }) => weights[at]!))
    const picked = answered.filter(({ outcome }) => outcome.picked.includes(optionId))
    return all === 0 ? 0 : sum(picked.map(({ at }) => weights[at]!)) / all
  }
  return options.map(({ id: optionId, right }) => ({
    id: optionId,
    right,
    upper: shareOf(upper, optionId),
    middle: shareOf(middle, optionId),
    lower: shareOf(lower, optionId),
  }))
}

function misleadingOf(options: readonly OptionShares[]): string[] {
  const right = options.filter((option) => option.right)
  if (right.length === 0) return []
  const best = Math.max(...right.map(({ upper }) => upper))
  return options.flatMap((option) => (!option.right && option.upper > best ? [option.id] : []))
}

function seenIt({ max }: Asked, outcomes: readonly Outcome[]): QuestionFigures['seen'] {
  const known = outcomes.filter(({ hadSeen }) => hadSeen !== null)
  if (known.length === 0) return null
  const shareOf = (hadSeen: boolean): Share => {
    const group = known.filter((outcome) => outcome.hadSeen === hadSeen)
    return { count: group.filter(({ points }) => points >= max).length, of: group.length }
  }
  const [withIt, without] = [shareOf(true), shareOf(false)]
  return { withIt, without, gap: shareDifference(withIt, without) }
}

/** The figures of all questions together, over everybody who sat. */
export function analyseTest(
  questions: readonly Asked[],
  sittings: readonly Sitting[],
): TestFigures {
  const totals = sittings.map((one) => sum(questions.map(({ id }) => pointsOf(one, id))))
  const spread = variance(totals)
  const reliability = alpha(questions, sittings, spread)
  const sd = spread === null ? null : Math.sqrt(spread)
  const [lower, upper] = [quantile(totals, 0.25), quantile(totals, 0.75)]
  return {
    learners: sittings.length,
    mean: mean(totals),
    sd,
    median: median(totals),
    quartiles: lower === null || upper === null ? null : { lower, upper },
    reliability,
    // Where chance makes alpha negative, all of the spread is error.
    error:
      sd === null || reliability === null ? null : sd * Math.sqrt(1 - Math.max(0, reliability)),
    isEnough: sittings.length >= ENOUGH_LEARNERS,
  }
}

/** How many totals lie in each tenth of the points that could be had; the upper end belongs to it. */
export function tenthsOf(totals: readonly number[], max: number): number[] {
  const tenths = Array<number>(10).fill(0)
  if (max <= 0) return tenths
  for (const total of totals) {
    // What rounding adds at the edge of a tenth is no reason to be in the next.
    const tenth = Math.ceil((total / max) * 10 - 1e-9) - 1
    tenths[Math.min(9, Math.max(0, tenth))]! += 1
  }
  return tenths
}

/** Below this a question hardly tells the strong from the weak (Crocker and Algina, after Ebel). */
const LITTLE = 0.2
export type Telling = 'unknown' | 'against' | 'little' | 'well'

/** How well a question tells the strong from the weak, in a word. */
export function tellingOf(discrimination: number | null): Telling {
  if (discrimination === null) return 'unknown'
  return discrimination < 0 ? 'against' : discrimination < LITTLE ? 'little' : 'well'
}

/** What comes of having seen the answer: something only where the interval leaves no doubt. */
export function helpOf(
  gap: { low: number; high: number } | null | undefined,
): 'unknown' | 'helped' | 'hindered' | 'open' {
  if (!gap) return 'unknown'
  return gap.low > 0 ? 'helped' : gap.high < 0 ? 'hindered' : 'open'
}

/** Cronbach 1951; null of fewer than two questions, or where nobody differs. */
function alpha(
  questions: readonly Asked[],
  sittings: readonly Sitting[],
  spread: number | null,
): number | null {
  const k = questions.length
  if (k < 2 || spread === null || spread < 1e-12) return null
  const items = questions.map(({ id }) => variance(sittings.map((one) => pointsOf(one, id)))!)
  return (k / (k - 1)) * (1 - sum(items) / spread)
}
