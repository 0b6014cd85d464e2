// Chance that can be repeated: random numbers from a seed, and mixing by them.
export { createRandom, numbersFrom, type Random } from './numbers.ts'
export { disarranged, shuffled } from './mixing.ts'
