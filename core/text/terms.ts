// Reads a typed or pasted list of terms with their meanings, one pair a line.
import { cleanText, cutText } from '../fields/index.ts'
import { withoutBullet } from './lines.ts'

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
 * seldom stand in words.
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
]
/** Parts all lines of a list that has no other sign and one comma a line, such as a table that was saved as CSV. */
const COMMA = /,\s*/u

export interface TermList {
  /** Those with two sides; so many at the most. */
  terms: TermLine[]
  /** How many other lines say something. */
  halves: number
}

/** What a list says, one pair a line. */
export function readTermList(text: string): TermList {
  const lines = cleanText(text).split('\n').map(plainLine).filter(Boolean)
  const hasCommas = lines.every((line) => /^[^,]*,[^,]*$/u.test(line) && !signIn(line))
  const terms = lines.flatMap((line) => readTerm(line, hasCommas ? COMMA : signIn(line)) ?? [])
  return { terms: terms.slice(0, MOST_LINES), halves: lines.length - terms.length }
}

/** A star is a bullet here. */
const plainLine = (line: string): string => withoutBullet(line.trim().replace(/^\*\s+/u, ''))

const signIn = (line: string): RegExp | undefined => BETWEEN.find((sign) => sign.test(line))

function readTerm(line: string, sign: RegExp | undefined): TermLine | null {
  const at = sign ? line.match(sign) : null
  if (!at) return null
  const term = cutText(line.slice(0, at.index).trim(), LONGEST_TERM)
  const meaning = cutText(line.slice(at.index! + at[0].length).trim(), LONGEST_MEANING)
  return term && meaning ? { term, meaning } : null
}
