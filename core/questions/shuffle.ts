// Mixing things so that a learner who comes back finds them in the order they were left in.

/** Numbers in [0, 1) that follow from a text (FNV-1a seeds splitmix32): the same text, the same numbers. */
export function numbersFrom(seed: string): () => number {
  let state = 0x811c9dc5
  for (let index = 0; index < seed.length; index += 1)
    state = Math.imul(state ^ seed.charCodeAt(index), 0x01000193)
  return () => {
    state = (state + 0x9e3779b9) | 0
    let mixed = state ^ (state >>> 16)
    mixed = Math.imul(mixed, 0x21f0aaad)
    mixed ^= mixed >>> 15
    mixed = Math.imul(mixed, 0x735a2d97)
    return ((mixed ^ (mixed >>> 15)) >>> 0) / 2 ** 32
  }
}

/** What the mixing of a question follows from, for one learner. */
export const mixOf = (question: { id: string; mix?: string | undefined }, seed: string): string =>
  question.mix ?? `${seed} ${question.id}`

/** The things in an order that follows from the seed (Fisher and Yates). */
export function shuffled<T>(things: readonly T[], seed: string): T[] {
  const next = numbersFrom(seed)
  const mixed = [...things]
  for (let last = mixed.length - 1; last > 0; last -= 1) {
    const other = Math.floor(next() * (last + 1))
    ;[mixed[last], mixed[other]] = [mixed[other]!, mixed[last]!]
  }
  return mixed
}

/** The same, but never in the order in which they came: where there are two or more, the first comes later. */
export function disarranged<T>(things: readonly T[], seed: string): T[] {
  const mixed = shuffled(things, seed)
  if (things.length < 2 || mixed.some((thing, index) => thing !== things[index])) return mixed
  return [...mixed.slice(1), mixed[0]!]
}
