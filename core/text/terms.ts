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

/**
 * What may stand between a term and its meaning, the surest first: a tab, as from a table; signs with space around; signs that
 * seldom stand in words; and the comma, where there is but one, as in a table that was saved as CSV.
 */
const BETWEEN = [
  /\t+/u,
  /\s+[–—=→]\s+/u,
  /\s+[-=]>\s+/u,
  /\s+-\s+/u,
  /:\s+/u,
  /\s*(?:→|[-=]>|\|)\s*/u,
  /\s*;\s*/u,
  /\s*=\s*/u,
  /(?<=^[^,]*),\s*(?=[^,]*$)/u,
]

/** Bullets, numbers and letters that lists put before their lines. */
const LISTED = /^(?:[-–•◦▪*]|\(?(?:\d{1,2}|[a-zA-Z])[.)])\s+/u

/** The lines that have two sides; the others are left out. */
export function readTerms(text: string): TermLine[] {
  return cleanText(text)
    .split('\n')
    .flatMap((line) => {
      const whole = line.trim().replace(LISTED, '')
      const at = BETWEEN.map((between) => whole.match(between)).find((match) => match !== null)
      if (!at) return []
      const term = cutText(whole.slice(0, at.index).trim(), LONGEST_TERM)
      const meaning = cutText(whole.slice(at.index! + at[0].length).trim(), LONGEST_MEANING)
      return term && meaning ? [{ term, meaning }] : []
    })
    .slice(0, MOST_LINES)
}
