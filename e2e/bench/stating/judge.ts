// The arithmetic of the bench: middle and spread of rounds, whether an aim is met, whether a figure became worse.
import type { Aim, Figure } from './figure.ts'

/** JSON answers that the calibrated machine reads in a second on one core: what aims in milliseconds mean. */
export const CALIBRATED_ANSWERS = 636_000

/** The number below which a share of the numbers lies, between two of them where it falls there. */
export function quantile(numbers: readonly number[], share: number): number {
  const sorted = [...numbers].sort((a, b) => a - b)
  const at = (sorted.length - 1) * share
  const [below, above] = [sorted[Math.floor(at)]!, sorted[Math.ceil(at)]!]
  return below + (above - below) * (at - Math.floor(at))
}

export const middle = (numbers: readonly number[]): number => quantile(numbers, 0.5)

/** How far the middle half of the rounds lies apart; of few rounds one that was disturbed does not count. */
export const spread = (numbers: readonly number[]): number =>
  quantile(numbers, 0.75) - quantile(numbers, 0.25)

/** What a machine makes of its own rounds: a time of work becomes the calibrated machine's time. */
export function calibrated({ rounds, isWork }: Figure, answersASecond: number): number[] {
  return rounds.map((round) => (isWork ? (round * answersASecond) / CALIBRATED_ANSWERS : round))
}

export type Verdict = 'met' | 'missed' | 'not told apart'

/** Positive as far as the aim is missed, negative as far as there is room. */
function beyond(aim: Aim, value: number): number {
  return 'most' in aim ? value - aim.most : aim.least - value
}

/** A figure whose rounds lie further apart than its middle from the aim does not tell on which side it is. */
export function verdictOf(aim: Aim, rounds: readonly number[]): Verdict {
  const missedBy = beyond(aim, middle(rounds))
  if (spread(rounds) > Math.abs(missedBy)) return 'not told apart'
  return missedBy <= 0 ? 'met' : 'missed'
}

/** What is kept of a figure: its middle and spread, on the calibrated machine where it is work. */
export interface KeptFigure {
  middle: number
  spread: number
}

/** How much a figure is worse than what was kept of it, or null where that is within the spread of either. */
export function worseBy(aim: Aim, kept: KeptFigure, now: KeptFigure): number | null {
  const by = 'most' in aim ? now.middle - kept.middle : kept.middle - now.middle
  return by > Math.max(kept.spread, now.spread) && by > 0 ? by : null
}
