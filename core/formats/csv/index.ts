// Tables as CSV (RFC 4180), as spreadsheets read them.

export type Cell = string | number | null

/** What spreadsheets take for a formula is text here, and must stay so: it gets an apostrophe before it. */
const FORMULA = /^[=+\-@\t\r]/

function writeCell(cell: Cell): string {
  if (cell === null) return ''
  if (typeof cell === 'number') return String(cell)
  const text = FORMULA.test(cell) ? `'${cell}` : cell
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
}

/** The rows as CSV, with a mark at the beginning by which spreadsheets know that it is UTF-8. */
export const writeCsv = (rows: readonly (readonly Cell[])[]): string =>
  `\uFEFF${rows.map((row) => `${row.map(writeCell).join(',')}\r\n`).join('')}`
