// Words of a lesson's films that lie a slip away from what is listed: typed instead of it, they are other words and no slips.
import { readPassage } from './gaps/passage.ts'
import { MOST_OTHERS } from './limits.ts'
import type { Question } from './schema.ts'
import { slipsAllowed, slipsBetween } from './shortText/slips.ts'
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
const INFLECTIONS = new Set(['s', 'es', "'s", 'n', 'en', 'e', 'd', 'ed', 'r', 'er', 'ing', 'ly'])

function isInflected(one: string, other: string): boolean {
  const [short, long] = one.length < other.length ? [one, other] : [other, one]
  return long.startsWith(short) && INFLECTIONS.has(long.slice(short.length))
}

/** The answers in words that a question lists as right; empty for kinds that compare none. */
function listedRight(question: Question): string[] {
  if (question.kind === 'shortText')
    return Object.values(question.listed)
      .filter(({ as, share }) => as === 'words' && share > 0)
      .map(({ text }) => text)
  if (question.kind === 'gaps' && question.filledBy === 'typing')
    return readPassage(question.passage).gaps.flatMap(({ fits }) => fits)
  return []
}

/** The question with those of `words` that are no slips for what it lists; the same question where there is nothing to say. */
export function withOthers(question: Question, words: ReadonlySet<string>): Question {
  if (question.kind !== 'shortText' && question.kind !== 'gaps') return question
  const { others: before, ...rules } = question.rules
  const listed = wordsOf(listedRight(question))
  const others = rules.typos
    ? [...words]
        .filter((word) => !listed.has(word) && isNearAny(word, listed))
        .slice(0, MOST_OTHERS)
    : []
  if (others.length === 0 && before === undefined) return question
  return { ...question, rules: others.length > 0 ? { ...rules, others } : rules }
}

const isNearAny = (word: string, listed: ReadonlySet<string>): boolean =>
  word.length <= 60 &&
  [...listed].some((one) => {
    const limit = slipsAllowed(one)
    return limit > 0 && slipsBetween(word, one, limit) <= limit && !isInflected(word, one)
  })
