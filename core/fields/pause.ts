// How long to wait before something that failed is tried again.

export interface Pauses {
  /** Before the first try after a failure, in ms; doubled with each further one. */
  firstMs: number
  /** Never longer than this, in ms, before chance is added. */
  mostMs: number
}

/**
 * The pause after this many failures in a row, in ms: doubled each time, and drawn between half and one and a half of that,
 * so that many who failed in one moment do not come back in one. `draw` gives a number from 0 up to 1.
 */
export function pauseAfter(
  failures: number,
  { firstMs, mostMs }: Pauses,
  draw: () => number = Math.random,
): number {
  const middleMs = Math.min(mostMs, firstMs * 2 ** Math.max(0, failures - 1))
  return Math.round(middleMs * (0.5 + draw()))
}
