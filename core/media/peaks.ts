// The waveform: least and greatest sample of every 10 ms, as signed bytes, and coarser levels for zooming out.

/** The length of one peak of the finest level, in ms. */
export const PEAK_MS = 10
/** Each coarser level takes this many peaks of the finer one together. */
const LEVEL_FACTOR = 4
/** Levels are made until one has no more peaks than this: fewer than a screen is wide. */
const COARSEST_PEAKS = 512

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

/** Pairs of least and greatest by level, the finest first; each level is 4 times as coarse as the one before. */
export type PeakLevels = readonly Int8Array[]

/** The finest level and all coarser ones. */
export function peakLevels(finest: Int8Array): PeakLevels {
  const levels = [finest]
  for (let level = finest; level.length / 2 > COARSEST_PEAKS; levels.push(level))
    level = coarser(level)
  return levels
}

function coarser(level: Int8Array): Int8Array {
  const next = new Int8Array(Math.ceil(level.length / 2 / LEVEL_FACTOR) * 2)
  for (let index = 0; index < level.length; index += 2) {
    const at = Math.floor(index / 2 / LEVEL_FACTOR) * 2
    next[at] = Math.min(next[at]!, level[index]!)
    next[at + 1] = Math.max(next[at + 1]!, level[index + 1]!)
  }
  return next
}

/**
 * The peaks of `[fromMs, toMs)` drawn into `columns`: pairs of least and greatest, −1 to 1. Each column takes the
 * extremes of all peaks that it covers, from the coarsest level that is fine enough: the cost does not grow with
 * the stretch.
 */
export function peakColumns(
  levels: PeakLevels,
  fromMs: number,
  toMs: number,
  columns: number,
): Float32Array {
  const drawn = new Float32Array(columns * 2)
  const msPerColumn = (toMs - fromMs) / columns
  const wanted = Math.floor(Math.log(msPerColumn / PEAK_MS) / Math.log(LEVEL_FACTOR))
  const index = Math.min(levels.length - 1, Math.max(0, wanted))
  const peaks = levels[index]!
  const peakMs = PEAK_MS * LEVEL_FACTOR ** index
  const total = peaks.length / 2
  for (let column = 0; column < columns; column += 1) {
    const at = (share: number) => (fromMs + share * (toMs - fromMs)) / peakMs
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

const MAGIC = 'FBPK'
const HEADER_BYTES = 8

/**
 * The file that keeps the levels: `FBPK`, a byte for the version (1), a byte for the number of levels, two bytes
 * left free; the number of pairs of each level as uint32, little endian; then the pairs, the finest level first.
 */
export function writePeakFile(levels: PeakLevels): Uint8Array {
  const lengths = HEADER_BYTES + 4 * levels.length
  const bytes = new Uint8Array(lengths + levels.reduce((sum, level) => sum + level.length, 0))
  const view = new DataView(bytes.buffer)
  for (let index = 0; index < MAGIC.length; index += 1) bytes[index] = MAGIC.charCodeAt(index)
  bytes[4] = 1
  bytes[5] = levels.length
  let at = lengths
  levels.forEach((level, index) => {
    view.setUint32(HEADER_BYTES + 4 * index, level.length / 2, true)
    bytes.set(new Uint8Array(level.buffer, level.byteOffset, level.length), at)
    at += level.length
  })
  return bytes
}

/** Reads what `writePeakFile` wrote; null where it is something else or cut off. */
export function readPeakFile(buffer: ArrayBuffer): PeakLevels | null {
  if (buffer.byteLength < HEADER_BYTES) return null
  const view = new DataView(buffer)
  const magic = String.fromCharCode(...new Uint8Array(buffer, 0, 4))
  const count = view.getUint8(5)
  let at = HEADER_BYTES + 4 * count
  if (magic !== MAGIC || view.getUint8(4) !== 1 || count === 0 || at > buffer.byteLength)
    return null
  const levels: Int8Array[] = []
  for (let index = 0; index < count; index += 1) {
    const length = view.getUint32(HEADER_BYTES + 4 * index, true) * 2
    if (at + length > buffer.byteLength) return null
    levels.push(new Int8Array(buffer, at, length))
    at += length
  }
  return levels
}
