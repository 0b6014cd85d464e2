// How long hands and head take for what they do: the keystroke-level model (S. K. Card, T. P. Moran, A. Newell: The Keystroke-Level
// Model for User Performance Time with Interactive Systems, Communications of the ACM 23, 1980).

/** How often each thing is done in a job. Words that are written are no part of it, for they are the same however they are written. */
export interface Effort {
  /** Keys that do something, and presses of a button of the mouse. */
  keys: number
  /** Ways of the pointer to what is pressed or dragged. */
  moves: number
  /** Turns of the wheel until something comes into sight; each takes as long as a way of the pointer. */
  scrolls: number
  /** Ways of a hand between keys and mouse. */
  homings: number
  /** Choices of what to do next. */
  choices: number
}

/** In seconds. */
const K = 0.2
const P = 1.1
const H = 0.4
const M = 1.35

export const noEffort = (): Effort => ({ keys: 0, moves: 0, scrolls: 0, homings: 0, choices: 0 })

/** Seconds that a practised person needs, without the words themselves and without waiting for the program. */
export function secondsOf({ keys, moves, scrolls, homings, choices }: Effort): number {
  return keys * K + (moves + scrolls) * P + homings * H + choices * M
}
