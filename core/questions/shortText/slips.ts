// Small slips of the hand: which are let pass, and which make another word (computation page, Marking).
import { confusedWith } from './confused.ts'
import { exchangeCost, gapCost } from './likely.ts'
import { oppositesOf } from './opposites.ts'

/** One letter each: a word in these scripts with one sign changed is another word. */
const SIGNS = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u
const DIGIT = /\p{N}/u

/** How many slips a word of this length may have: one from 4 letters on, two from 8; none in signs and figures. */
export function slipsAllowed(word: string): number {
  if (SIGNS.test(word) || DIGIT.test(word)) return 0
  // Marks belong to the letter that they stand on: in Thai or Devanagari they are half of a word.
  const letters = [...word.replace(/\p{M}/gu, '')].length
  return letters >= 8 ? 2 : letters >= 4 ? 1 : 0
}

interface Costs {
  /** Of the letter at `i` of what was typed, put for the one at `j` of what is listed. */
  exchange(typed: readonly string[], i: number, listed: readonly string[], j: number): number
  /** Of a letter that is in one of the two words alone, and the one that follows it there. */
  gap(letter: string, next: string | undefined, at: number): number
}
const EVERY_SLIP: Costs = { exchange: (a, i, b, j) => (a[i] === b[j] ? 0 : 1), gap: () => 1 }
const LIKELY_SLIPS: Costs = {
  exchange: exchangeCost,
  gap: (letter, next, at) => gapCost(letter, next, at === 0),
}

/**
 * How many letters were left out, put in, changed, or swapped with their neighbour between two words (optimal string
 * alignment); `limit + 1` as soon as it is more than `limit`.
 */
export const slipsBetween = (a: string, b: string, limit: number): number =>
  distance([...a], [...b], limit, EVERY_SLIP)

/** The same of a typed and a listed word, where letters that nobody puts for each other cost more (likely.ts). */
export function likelySlips(typed: string, listed: string, limit: number): number {
  const slips = distance([...typed], [...listed], limit, LIKELY_SLIPS)
  const [heard, meant] = [asHeard(typed), asHeard(listed)]
  const isSaid = heard !== typed || meant !== listed
  if (!isSaid || slips < 2) return slips
  return Math.min(slips, 1 + distance([...heard], [...meant], limit - 1, LIKELY_SLIPS))
}

const asHeard = (word: string) => word.replaceAll('ph', 'f')

function distance(
  from: readonly string[],
  to: readonly string[],
  limit: number,
  { exchange, gap }: Costs,
): number {
  if (Math.abs(from.length - to.length) > limit) return limit + 1
  let before: number[] = []
  let last = [0]
  for (const [at, letter] of to.entries()) last.push(last[at]! + gap(letter, to[at + 1], at))
  for (let i = 1; i <= from.length; i += 1) {
    const [letter, next] = [from[i - 1]!, from[i]]
    const row = [last[0]! + gap(letter, next, i - 1)]
    for (let j = 1; j <= to.length; j += 1) {
      let least = Math.min(
        last[j]! + gap(letter, next, i - 1),
        row[j - 1]! + gap(to[j - 1]!, to[j], j - 1),
        last[j - 1]! + exchange(from, i - 1, to, j - 1),
      )
      const isSwapped = i > 1 && j > 1 && letter === to[j - 2] && from[i - 2] === to[j - 1]
      if (isSwapped) least = Math.min(least, before[j - 2]! + 1)
      row.push(least)
    }
    if (Math.min(...row) > limit) return limit + 1
    before = last
    last = row
  }
  return Math.min(limit + 1, last[to.length]!)
}

/** Words that turn a meaning round: one too many or too few is no slip. */
const TURNS = new Set(
  'no not non never nicht kein keine nie ne pas jamais sin un in dis'.split(' '),
)

export interface SlipRules {
  /** Brings words to what they are without capitals and accents. */
  fold(text: string): string
  /** Words that are others, so near they may lie to what is listed. */
  others: ReadonlySet<string>
}

/**
 * The slips between what was typed and what is listed, word by word; null where a word has more than it may, or is another
 * word. A space or hyphen too many or too few is one slip.
 */
export function slipsOf(typed: string, listed: string, rules: SlipRules): number | null {
  if (typed === listed) return 0
  const byWord = slipsByWord(typed, listed, rules)
  return byWord ?? slipsOfSpacing(typed, listed)
}

function slipsByWord(typed: string, listed: string, rules: SlipRules): number | null {
  const [typedWords, listedWords] = [typed.split(' '), listed.split(' ')]
  if (typedWords.length !== listedWords.length) return null
  let sum = 0
  for (const [index, word] of listedWords.entries()) {
    const slips = slipsInWord(typedWords[index]!, word, rules)
    if (slips === null) return null
    sum += slips
  }
  return sum
}

function slipsInWord(typed: string, listed: string, { fold, others }: SlipRules): number | null {
  if (typed === listed) return 0
  const limit = slipsAllowed(listed)
  if (limit === 0 || DIGIT.test(typed)) return null
  const slips = likelySlips(typed, listed, limit)
  if (slips > limit) return null
  const [bareTyped, bareListed] = [fold(typed), fold(listed)]
  // Where capitals or accents matter, one of them is no slip of the hand.
  if (likelySlips(bareTyped, bareListed, limit) < slips) return null
  if (others.has(bareTyped)) return null
  const isOther = [...oppositesOf(bareListed), ...confusedWith(bareListed)].some(
    (word) => slipsBetween(bareTyped, word, slips) < slips,
  )
  return isOther ? null : slips
}

/** Written together or apart, with a hyphen or without. */
function slipsOfSpacing(typed: string, listed: string): number | null {
  const together = (text: string) => text.replace(/[ -]/g, '')
  const squeezed = together(typed)
  if (squeezed !== together(listed) || DIGIT.test(squeezed) || [...squeezed].length < 4) return null
  const turns = (text: string) =>
    text
      .split(/[ -]/)
      .filter((word) => TURNS.has(word))
      .join(' ')
  return turns(typed) === turns(listed) ? 1 : null
}
