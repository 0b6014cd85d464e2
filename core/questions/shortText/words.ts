// Comparing words as people type them: width, spaces, capitals, accents, and small slips of the hand.
import type { WordRules } from './schema.ts'

/** The text as it is compared: NFKC, trimmed, single spaces, one apostrophe, capitals and accents as the rules say. */
export function comparable(text: string, { minds }: Pick<WordRules, 'minds'>): string {
  let plain = text
    .normalize('NFKC')
    .replace(/[\u2018\u2019\u02bc`´]/g, "'")
    .replace(/[\u2010-\u2015\u2212]/g, '-')
  if (!minds.accents)
    plain = plain
      .normalize('NFD')
      .replace(/\p{M}+/gu, '')
      .normalize('NFC')
  // Both ways, so that letters with two small forms (ς and σ, ß and SS) meet.
  if (!minds.case) plain = plain.toUpperCase().toLowerCase()
  return plain.replace(/\s+/gu, ' ').trim()
}

/** How many slips a word of this length may have: one from 4 letters on, two from 8. */
export function slipsAllowed(word: string): number {
  const letters = [...word].length
  return letters >= 8 ? 2 : letters >= 4 ? 1 : 0
}

/**
 * How many letters were left out, put in, changed, or swapped with their neighbour between two words (optimal string
 * alignment); `limit + 1` as soon as it is more than `limit`.
 */
export function slipsBetween(a: string, b: string, limit: number): number {
  const [from, to] = [[...a], [...b]]
  if (Math.abs(from.length - to.length) > limit) return limit + 1
  let before: number[] = []
  let last = Array.from({ length: to.length + 1 }, (_, at) => at)
  for (let i = 1; i <= from.length; i += 1) {
    const row = [i]
    for (let j = 1; j <= to.length; j += 1) {
      const isSame = from[i - 1] === to[j - 1]
      let least = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (isSame ? 0 : 1))
      const isSwapped = i > 1 && j > 1 && from[i - 1] === to[j - 2] && from[i - 2] === to[j - 1]
      if (isSwapped) least = Math.min(least, before[j - 2]! + 1)
      row.push(least)
    }
    if (Math.min(...row) > limit) return limit + 1
    before = last
    last = row
  }
  return Math.min(limit + 1, last[to.length]!)
}

/**
 * The slips between what was typed and what is listed, word by word; null where a word has more than it may, or there
 * are more or fewer words.
 */
export function slipsOf(typed: string, listed: string): number | null {
  if (typed === listed) return 0
  const [typedWords, listedWords] = [typed.split(' '), listed.split(' ')]
  if (typedWords.length !== listedWords.length) return null
  let sum = 0
  for (const [index, word] of listedWords.entries()) {
    const limit = slipsAllowed(word)
    const slips = slipsBetween(typedWords[index]!, word, limit)
    if (slips > limit) return null
    sum += slips
  }
  return sum
}
