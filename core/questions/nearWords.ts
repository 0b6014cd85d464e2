// Words that lie a slip away from what is listed: typed instead of it, they are other words and no slips. They come from a
// lesson's films and, where one is at hand, from a list of the words of its language.
import { MOST_OTHERS } from './limits.ts'
import { makingOf } from './makings.ts'
import type { Question } from './schema.ts'
import { likelySlips, slipsAllowed } from './shortText/slips.ts'
import { isOneWord } from './shortText/spellings.ts'
import { comparable } from './shortText/words.ts'

const BARE = { minds: { case: false, accents: false } }

/** The words of some texts as they are compared with what is listed, each once. */
export function wordsOf(texts: Iterable<string>): Set<string> {
  const words = new Set<string>()
  for (const text of texts)
    for (const [word] of text.matchAll(/[\p{L}\p{M}]+(?:['’-][\p{L}\p{M}]+)*/gu))
      words.add(comparable(word, BARE))
  return words
}

/** What may stand behind a word without making another of it. */
const INFLECTIONS = new Set(['s', 'es', "'s", 'en', 'e', 'ed', 'er', 'ing', 'ly'])
/** The same behind an e. */
const AFTER_E = new Set(['n', 'd', 'r'])

function isInflected(one: string, other: string): boolean {
  const [short, long] = one.length < other.length ? [one, other] : [other, one]
  const ending = long.startsWith(short) ? long.slice(short.length) : ''
  if (INFLECTIONS.has(ending) || (short.endsWith('e') && AFTER_E.has(ending))) return true
  return one.replace(/is$/, 'es') === other || other.replace(/is$/, 'es') === one
}

/** The words that a question lists as right and lets slips pass in, as they are compared; none where it minds slips. */
export const wordsListed = (question: Question): Set<string> =>
  wordsOf(makingOf(question).slipsIn?.(question) ?? [])

/** Whether it compares words with what it lists. */
export const comparesWords = (question: Question): boolean =>
  makingOf(question).withOthers !== undefined

/** The question with those of `words` that are no slips for what it lists; the same question where there is nothing to say. */
export function withOthers(question: Question, words: Iterable<string>): Question {
  const { withOthers: write } = makingOf(question)
  if (!write) return question
  const others = nearWords(wordsListed(question), words).slice(0, MOST_OTHERS)
  return write(question, others)
}

/** Those of some words that lie a slip away from a listed one and are no form of it; each once. */
export function nearWords(listed: ReadonlySet<string>, words: Iterable<string>): string[] {
  const wanted = [...listed]
    .map((word) => ({ word, limit: slipsAllowed(word), signs: signsOf(word) }))
    .filter(({ limit }) => limit > 0)
  if (wanted.length === 0) return []
  const near = new Set<string>()
  for (const word of words) {
    if (word.length > LONGEST || listed.has(word)) continue
    const signs = signsOf(word)
    for (const one of wanted)
      // Most words of a language fall out by their length and letters alone.
      if (
        Math.abs(word.length - one.word.length) <= one.limit &&
        differing(signs, one.signs) <= 2 * one.limit &&
        isOther(word, one.word, one.limit)
      )
        near.add(word)
  }
  return [...near]
}

const LONGEST = 60

const undoubled = (word: string) => word.replace(/(.)\1/g, '$1')

const isOther = (word: string, listed: string, limit: number): boolean =>
  likelySlips(word, listed, limit) <= limit &&
  !isInflected(word, listed) &&
  // One of two letters is left out or doubled by mistake far more often than for a rare word (padle); confused.ts has the rest.
  undoubled(word) !== undoubled(listed) &&
  !isOneWord(word, listed)

/** Which letters a word has, as bits; other signs share them. */
function signsOf(word: string): number {
  let signs = 0
  for (let at = 0; at < word.length; at += 1) signs |= 1 << (word.charCodeAt(at) & 31)
  return signs
}

/** In how many letters two words differ, counted by their bits. */
function differing(one: number, other: number): number {
  let bits = one ^ other
  let count = 0
  while (bits !== 0) {
    bits &= bits - 1
    count += 1
  }
  return count
}
