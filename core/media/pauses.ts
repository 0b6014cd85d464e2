// Pauses in speech: runs of sound hardly louder than the quietest that is always there.
import { PEAK_MS } from './peaks.ts'

export interface Pause {
  fromMs: number
  toMs: number
}

/** A pause lasts at least this long, in ms. */
export const SHORTEST_PAUSE_MS = 350
/** Sound up to this much above the noise floor is no speech, in dB. */
const ABOVE_FLOOR_DB = 6
/** A film with stretches of digital silence still has a room elsewhere: the floor is not taken lower than this. */
const LOWEST_FLOOR_DB = -60
/** What is quieter at a tenth of all times counts as the noise floor. */
const FLOOR_SHARE = 0.1
const SILENCE_DB = -96

/** Collects how loud each 10 ms are, in dB of full scale, from samples that arrive in pieces. */
export class LoudnessCollector {
  readonly #samplesPerStep: number
  readonly #levels: number[] = []
  #sum = 0
  #count = 0

  /** `sampleRate` in samples a second; a multiple of 100. */
  constructor(sampleRate: number) {
    this.#samplesPerStep = (sampleRate * PEAK_MS) / 1000
  }

  add(samples: Int16Array): void {
    for (const sample of samples) {
      this.#sum += sample * sample
      this.#count += 1
      if (this.#count === this.#samplesPerStep) this.#close()
    }
  }

  /** Root mean square of each 10 ms in dB, −96 to 0. A last, unfinished step counts too. */
  finish(): Float32Array {
    if (this.#count > 0) this.#close()
    return Float32Array.from(this.#levels)
  }

  #close(): void {
    const rms = Math.sqrt(this.#sum / this.#count) / 32768
    this.#levels.push(rms > 0 ? Math.max(SILENCE_DB, 20 * Math.log10(rms)) : SILENCE_DB)
    this.#sum = 0
    this.#count = 0
  }
}

/** Runs quieter than the noise floor + 6 dB that last at least 350 ms, in order. */
export function findPauses(levels: Float32Array): Pause[] {
  if (levels.length === 0) return []
  const sorted = Float32Array.from(levels).sort()
  const floor = Math.max(LOWEST_FLOOR_DB, sorted[Math.floor(sorted.length * FLOOR_SHARE)]!)
  const pauses: Pause[] = []
  let begin = -1
  for (let step = 0; step <= levels.length; step += 1) {
    const quiet = step < levels.length && levels[step]! < floor + ABOVE_FLOOR_DB
    if (quiet && begin < 0) begin = step
    if (quiet || begin < 0) continue
    const [fromMs, toMs] = [begin * PEAK_MS, step * PEAK_MS]
    if (toMs - fromMs >= SHORTEST_PAUSE_MS) pauses.push({ fromMs, toMs })
    begin = -1
  }
  return pauses
}
