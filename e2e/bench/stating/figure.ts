// What a measurement answers with, so that it can be judged, kept and compared.

/** `x` is a ratio to a reference, `fps` frames a second, `count` how many of something. */
export type Unit = 'ms' | 's' | 'x' | 'kB' | 'MB' | '/s' | 'fps' | 'count' | 'score' | '%'

/** What is aimed at: `most` or `least` so much, in the figure's unit. */
export type Aim = { most: number } | { least: number }

export interface Figure {
  /** Stands for the figure in what is kept; never changed, or its history begins anew. */
  id: string
  what: string
  unit: Unit
  /** What each round measured, in the order in which it was. */
  rounds: readonly number[]
  aim: Aim
  /**
   * Whether the time is work of the processor, so that its aim holds on the calibrated machine and what was measured is turned into
   * that machine's time. What waits for frames or for a clock takes as long everywhere.
   */
  isWork?: boolean
  /** What nothing could be better than, in words: the reference's own work, a frame, or what must come whatever is written. */
  limit: string
  /** What stands beside it, measured in the same run: in words, with its number. */
  reference: string
}

/** How many rounds a figure is measured in: a machine that others use too has slow moments. */
export const ROUNDS = 5

/** Measures one round after another. */
export async function inRounds(
  measure: (round: number) => number | Promise<number>,
  count = ROUNDS,
): Promise<number[]> {
  const rounds: number[] = []
  for (let round = 0; round < count; round += 1) rounds.push(await measure(round))
  return rounds
}
