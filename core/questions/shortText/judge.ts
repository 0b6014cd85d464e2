// Which of the listed answers somebody meant.
import { readPattern } from './pattern.ts'
import type { ListedAnswer, WordRules } from './schema.ts'
import { comparable, slipsOf } from './words.ts'

export type Listed = Pick<ListedAnswer, 'id' | 'text' | 'as' | 'share'>

/**
 * The listed answer that a text stands for, or null: first those that say the same, then the patterns, then, where
 * typos are let pass, the one with the fewest slips, unless a wrong one is as near (computation page, Marking).
 */
export function findListed<L extends Listed>(
  listed: readonly L[],
  text: string,
  rules: WordRules,
): L | null {
  const typed = comparable(text, rules)
  if (typed === '') return null
  const words = listed.filter((one) => one.as === 'words')
  const same = best(words.filter((one) => comparable(one.text, rules) === typed))
  if (same) return same
  const fold = (letter: string) => comparable(letter, rules) || letter
  const fits = listed.filter((one) => {
    if (one.as !== 'pattern') return false
    const pattern = readPattern(one.text, fold)
    return pattern.ok && pattern.matches(typed)
  })
  return best(fits) ?? (rules.typos ? nearest(words, typed, rules) : null)
}

/** Where several say the same, the one that earns most. */
const best = <L extends Listed>(found: readonly L[]): L | null =>
  found.reduce<L | null>((most, one) => (most && most.share >= one.share ? most : one), null)

function nearest<L extends Listed>(words: readonly L[], typed: string, rules: WordRules): L | null {
  const near = words.flatMap((one) => {
    const slips = slipsOf(typed, comparable(one.text, rules))
    return slips === null ? [] : [{ one, slips }]
  })
  if (near.length === 0) return null
  const fewest = Math.min(...near.map(({ slips }) => slips))
  const nearestOnes = near.filter(({ slips }) => slips === fewest).map(({ one }) => one)
  // As near to a wrong answer as to a right one is nobody's slip of the hand.
  const wrong = nearestOnes.find(({ share }) => share === 0)
  return wrong ?? best(nearestOnes)
}
