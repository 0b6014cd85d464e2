// The waveform: least and greatest sample of every 10 ms, as signed bytes.

/** The length of one peak, in ms. */
export const PEAK_MS = 10

/** Collects peaks from samples that arrive in pieces. */
export class PeakCollector {
  readonly #samplesPerPeak: number
  readonly #peaks: number[] = []
  #least = 0
  #greatest = 0
  #count = 0

  /** `sampleRate` in samples a second; a multiple of 100. */
  constructor(sampleRate: number) {
    this.#samplesPerPeak = (sampleRate * PEAK_MS) / 1000
  }

  add(samples: Int16Array): void {
    for (const sample of samples) {
      if (sample < this.#least) this.#least = sample
      if (sample > this.#greatest) this.#greatest = sample
      this.#count += 1
      if (this.#count === this.#samplesPerPeak) this.#close()
    }
  }

  /** Pairs of least and greatest, −128 to 127. A last, unfinished peak counts too. */
  finish(): Int8Array {
    if (this.#count > 0) this.#close()
    return Int8Array.from(this.#peaks)
  }

  #close(): void {
    this.#peaks.push(this.#least >> 8, this.#greatest >> 8)
    this.#least = 0
    this.#greatest = 0
    this.#count = 0
  }
}

/**
 * The peaks of `[fromMs, toMs)` drawn into `columns`: pairs of least and greatest, −1 to 1. Each column takes the
 * extremes of all peaks that it covers.
 */
export function peakColumns(
  peaks: Int8Array,
  fromMs: number,
  toMs: number,
  columns: number,
): Float32Array {
  const drawn = new Float32Array(columns * 2)
  const total = peaks.length / 2
  for (let column = 0; column < columns; column += 1) {
    const at = (share: number) => (fromMs + share * (toMs - fromMs)) / PEAK_MS
    const first = Math.max(0, Math.floor(at(column / columns)))
    const last = Math.min(total, Math.max(first + 1, Math.ceil(at((column + 1) / columns))))
    let least = 0
    let greatest = 0
    for (let peak = first; peak < last; peak += 1) {
      least = Math.min(least, peaks[peak * 2]!)
      greatest = Math.max(greatest, peaks[peak * 2 + 1]!)
    }
    drawn[column * 2] = least / 128
    drawn[column * 2 + 1] = greatest / 128
  }
  return drawn
}
