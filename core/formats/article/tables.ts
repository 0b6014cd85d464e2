// Tables that say something; those that only put things side by side are read as what they hold.
import type { Run } from '../../fields/index.ts'
import { allIn, childrenOf, nameOf, type HtmlNode } from './nodes.ts'
import { joined, portionsOf, runsIn, type Whole } from './runs.ts'

const MOST_COLUMNS = 12

const cellsOf = (row: HtmlNode) =>
  childrenOf(row).filter((cell) => ['td', 'th'].includes(nameOf(cell)))

export function isForData(table: HtmlNode): boolean {
  const rows = allIn(table, 'tr')
  return allIn(table, 'table').length === 0 && rows.some((row) => cellsOf(row).length > 1)
}

/** Whether its first row names the columns, and its rows, all as wide as the widest. Cells beyond the last column go. */
export function tableOf(table: HtmlNode, whole: Whole): { headed: boolean; rows: Run[][][] } {
  const rows = allIn(table, 'tr')
  const wide = Math.min(MOST_COLUMNS, Math.max(...rows.map((row) => cellsOf(row).length)))
  const read = rows.map((row) => {
    const cells = cellsOf(row).slice(0, wide)
    const runs = cells.map((cell) => portionsOf(joined(runsIn(cell, whole)))[0] ?? [])
    return runs.concat(Array.from({ length: wide - runs.length }, (): Run[] => []))
  })
  const headed = cellsOf(rows[0]!).every((cell) => nameOf(cell) === 'th')
  return { headed, rows: read.filter((row) => row.some((cell) => cell.length > 0)) }
}
