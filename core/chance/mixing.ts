// Mixing things so that a learner who comes back finds them in the order they were left in.
import { numbersFrom } from './numbers.ts'

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
