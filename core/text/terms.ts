// Reads a typed or pasted list of terms with their meanings, one pair a line.
import { cleanText, cutText } from '../fields/index.ts'

export interface TermLine {
  term: string
  meaning: string
}

const MOST_LINES = 100
/** Longer sides are cut, in characters. */
const LONGEST_TERM = 300
const LONGEST_MEANING = 500

/** What may stand between a term and its meaning, the surest first: a tab, as from a table; then signs with space around. */
const BETWEEN = [/\t+/u, /\s+[–—=]\s+/u, /\s+-\s+/u, /:\s+/u]

/** The lines that have two sides; the others are left out. */
export function readTerms(text: string): TermLine[] {
  return cleanText(text)
    .split('\n')
    .flatMap((line) => {
      const sign = BETWEEN.find((between) => between.test(line.trim()))
      const at = sign && line.trim().match(sign)
      if (!at) return []
      const whole = line.trim()
      const term = cutText(whole.slice(0, at.index).trim(), LONGEST_TERM)
      const meaning = cutText(whole.slice(at.index! + at[0].length).trim(), LONGEST_MEANING)
      return term && meaning ? [{ term, meaning }] : []
    })
    .slice(0, MOST_LINES)
}
