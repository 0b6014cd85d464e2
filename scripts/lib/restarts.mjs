// How soon what ended by itself is started again.

/** So many ends within this time are bad luck; from then on it is given time between two tries. */
const MOST_AT_ONCE = 10
const WINDOW_MS = 60_000
const LONG_PAUSE_MS = 15_000

/**
 * Counts ends in a window of time, however long all runs. `next(now)` notes an end at `now`, in ms, and answers how long to
 * wait before the next start, in ms: nothing at first, a while where one end follows another.
 */
export function createRestarts() {
  let ends = []
  return {
    next(now) {
      ends = [...ends.filter((end) => now - end < WINDOW_MS), now]
      return ends.length <= MOST_AT_ONCE ? 0 : LONG_PAUSE_MS
    },
  }
}
