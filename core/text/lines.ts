// Reads a typed or pasted list, one thing a line.
import { cleanText, cutText } from '../fields/index.ts'

export interface PastedLine {
  text: string
  /** A star stood before it. */
  marked: boolean
}

/** More lines than this are left out. */
const MOST_LINES = 200
/** Longer lines are cut, in characters. */
const LONGEST_LINE = 500

/**
 * The lines that say something, without the bullets, numbers and letters that lists put before them. A star followed by a
 * space marks a line; where only one may be marked (`oneMarked`) it is the first.
 */
export function readLines(text: string, oneMarked = false): PastedLine[] {
  const lines = cleanText(text)
    .split('\n')
    .map(readLine)
    .filter((line) => line.text !== '')
    .slice(0, MOST_LINES)
  if (!oneMarked) return lines
  const first = lines.findIndex(({ marked }) => marked)
  return lines.map((line, index) => ({ ...line, marked: index === first }))
}

/** Lists that empty lines part, each with one marked line at the most; those of a single line are left out. */
export function readSets(text: string): PastedLine[][] {
  return cleanText(text)
    .split(/\n\s*\n/u)
    .map((set) => readLines(set, true))
    .filter((set) => set.length > 1)
}

/** A line without the bullet, number or letter that lists put before theirs. */
export const withoutBullet = (line: string): string =>
  line.trim().replace(/^(?:[-–•◦▪]|\(?(?:\d{1,2}|[a-zA-Z])[.)])\s+/u, '')

function readLine(raw: string): PastedLine {
  const line = raw.replace(/\s+/gu, ' ').trim()
  const marked = /^\*\s/.test(line)
  const text = withoutBullet(marked ? line.slice(1) : line)
  return { text: cutText(text, LONGEST_LINE).trim(), marked }
}
