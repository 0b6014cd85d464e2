// Random numbers that follow from a seed: the same seed, the same numbers, on every machine.
// For drawing much, xoshiro128** (Blackman and Vigna 2018) seeded through splitmix32; for mixing a few things, splitmix32 alone.

export interface Random {
  /** Uniform in [0, 1). */
  next(): number
  /** Normal with mean 0 and standard deviation 1. */
  normal(): number
  /** True with the given chance. */
  chance(probability: number): boolean
  /** One of the items; throws on an empty list. */
  pick<T>(items: readonly T[]): T
  /** A short id of letters and digits. */
  id(): string
}

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789'

/** Draws from one seed, a whole number. */
export function createRandom(seed: number): Random {
  const state = seeded(seed)
  const next = () => nextUint32(state) / 2 ** 32
  return {
    next,
    // Box–Muller; 1 − u keeps the logarithm off 0.
    normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    chance: (probability) => next() < probability,
    pick: (items) => {
      if (items.length === 0) throw new Error('Nothing to pick from')
      return items[Math.floor(next() * items.length)]!
    },
    id: () =>
      Array.from({ length: 16 }, () => ALPHABET[Math.floor(next() * ALPHABET.length)]).join(''),
  }
}

/** Numbers in [0, 1) that follow from a text (FNV-1a makes a seed of it). */
export function numbersFrom(text: string): () => number {
  let seed = 0x811c9dc5
  for (let index = 0; index < text.length; index += 1)
    seed = Math.imul(seed ^ text.charCodeAt(index), 0x01000193)
  const next = splitmix32(seed)
  return () => next() / 2 ** 32
}

function seeded(seed: number): Uint32Array {
  return Uint32Array.from({ length: 4 }, splitmix32(seed))
}

/** Whole numbers of 32 bits, evenly spread (Steele, Lea and Flood 2014, in 32 bits). */
function splitmix32(seed: number): () => number {
  let state = seed | 0
  return () => {
    state = (state + 0x9e3779b9) | 0
    let mixed = state ^ (state >>> 16)
    mixed = Math.imul(mixed, 0x21f0aaad)
    mixed ^= mixed >>> 15
    mixed = Math.imul(mixed, 0x735a2d97)
    return (mixed ^ (mixed >>> 15)) >>> 0
  }
}

const rotateLeft = (value: number, bits: number) => (value << bits) | (value >>> (32 - bits))

function nextUint32(state: Uint32Array): number {
  const result = Math.imul(rotateLeft(Math.imul(state[1]!, 5), 7), 9) >>> 0
  const shifted = state[1]! << 9
  state[2]! ^= state[0]!
  state[3]! ^= state[1]!
  state[1]! ^= state[2]!
  state[0]! ^= state[3]!
  state[2]! ^= shifted
  state[3] = rotateLeft(state[3]!, 11)
  return result
}
