// What a simulated learner is like. All of it is drawn from one seed, so the same seed makes the same class.
import type { Random } from '../chance/index.ts'

export interface Persona {
  /** θ of the item response model, about −2 to 2. */
  ability: number
  /** How long they stay with a film that asks nothing of them before leaving becomes likely, in ms. */
  patienceMs: number
  /** The speed at which they play. */
  rate: number
  /** Jumps from question to question instead of watching. */
  skips: boolean
}

const MIDDLE_PATIENCE_MS = 200_000
/** Of a hundred learners so many only skip through. */
const SKIPPING = 0.06
const FASTER: readonly [share: number, rate: number][] = [
  [0.06, 1.5],
  [0.14, 1.25],
]

export function drawPersona(random: Random): Persona {
  const ability = random.normal()
  const patienceMs = Math.round(MIDDLE_PATIENCE_MS * Math.exp(0.7 * random.normal()))
  const [drawn, honest] = [random.next(), random.next()]
  const faster = FASTER.find(([share]) => drawn < share)
  return { ability, patienceMs, rate: faster?.[1] ?? 1, skips: honest < SKIPPING }
}

/**
 * How likely it is to leave while playing from `fromMs` to `toMs` after the last thing to do: the hazard grows in a line
 * with the time since then (a Rayleigh distribution with its mode at the patience).
 */
export function chanceOfLeaving({ patienceMs }: Persona, fromMs: number, toMs: number): number {
  return 1 - Math.exp(-(toMs ** 2 - fromMs ** 2) / (2 * patienceMs ** 2))
}
