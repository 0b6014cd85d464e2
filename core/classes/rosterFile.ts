// A roster out of a text: which columns it has, and what each means.
import { parse } from 'csv-parse/browser/esm/sync'

/** Larger files are no rosters; in bytes. */
export const LARGEST_ROSTER_FILE = 4 * 1024 * 1024

export const COLUMN_MEANINGS = ['name', 'first', 'last', 'group', 'nothing'] as const
export type ColumnMeaning = (typeof COLUMN_MEANINGS)[number]

export interface RosterTable {
  rows: string[][]
  meanings: ColumnMeaning[]
  /** Whether the first row names the columns. */
  hasHead: boolean
}

const HEADS: [ColumnMeaning, RegExp][] = [
  ['first', /^(first|given|fore)[\s_-]?names?$|^(vorname|prénom|prenom|nombre)$/],
  ['last', /^(last|family|sur)[\s_-]?names?$|^surname$|^(nachname|nom|apellidos?)$/],
  ['name', /^((full|learner|student|pupil)[\s_-]?)?names?$|^(learner|student|pupil)s?$/],
  ['group', /^(group|team|set|form|gruppe|groupe|grupo)s?$/],
]
const meaningOf = (head: string): ColumnMeaning =>
  HEADS.find(([, pattern]) => pattern.test(head.trim().toLowerCase()))?.[0] ?? 'nothing'

/**
 * The table in a text: columns parted by the delimiter that its first lines agree on. A text without delimiters is one
 * name a line. Meanings are taken from a head row where there is one; without, the first column is names.
 */
export function readRosterTable(text: string): RosterTable {
  const delimiter = delimiterOf(text)
  const rows = delimiter === null ? linesOf(text) : rowsOf(text, delimiter)
  const head = (rows[0] ?? []).map(meaningOf)
  const hasHead = head.some((meaning) => meaning !== 'nothing' && meaning !== 'group')
  const width = Math.max(1, ...rows.slice(0, 1000).map((row) => row.length))
  // “Askew, Perrin” on every line is a last name and a first.
  const isTurned =
    delimiter === ',' && linesOf(text).every(([line]) => /^[^,]+, [^,]+$/.test(line!))
  const guess = (at: number): ColumnMeaning =>
    isTurned ? (['last', 'first'] as const)[at]! : at === 0 ? 'name' : 'nothing'
  return {
    rows: hasHead ? rows.slice(1) : rows,
    meanings: Array.from({ length: width }, (_, at) =>
      hasHead ? (head[at] ?? 'nothing') : guess(at),
    ),
    hasHead,
  }
}

const linesOf = (text: string) =>
  text
    .split(/\r\n?|\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => [line])

/** A delimiter that stands in each of the first lines; a comma alone is one only beside a head or in quotes or twice. */
function delimiterOf(text: string): string | null {
  const lines = linesOf(text)
    .slice(0, 20)
    .map(([line]) => line!)
  const inAll = (sign: string) => lines.length > 0 && lines.every((line) => line.includes(sign))
  return ['\t', ';', ','].find(inAll) ?? null
}

function rowsOf(text: string, delimiter: string): string[][] {
  const rows = parse(text, {
    delimiter,
    bom: true,
    relax_quotes: true,
    relax_column_count: true,
    skip_empty_lines: true,
    trim: true,
  })
  return rows.filter((row) => row.some((cell) => cell !== ''))
}

/** What a row of a table names: whom, and in which group ('' for none). */
export function readRow(row: readonly string[], meanings: readonly ColumnMeaning[]) {
  const cell = (meaning: ColumnMeaning) =>
    meanings.flatMap((one, at) => (one === meaning && row[at] ? [row[at]] : []))
  const parts =
    cell('name').length > 0 ? cell('name').slice(0, 1) : [...cell('first'), ...cell('last')]
  return { name: parts.join(' '), group: cell('group')[0] ?? '' }
}
