// A report as plain tables and sentences, whatever it is written as.
import type { Cell } from '@fernbrake/core/formats'

/** How the figures of a column are written: shares as per cent, the rest as they are. */
export type ColumnKind = 'text' | 'number' | 'share'

export interface Column {
  head: string
  kind: ColumnKind
}

export interface Table {
  title: string
  columns: readonly Column[]
  rows: readonly (readonly Cell[])[]
}

export interface ReportDocument {
  /** That of its words. */
  language: string
  title: string
  /** Which class, which edition, which report. */
  about: string
  sentences: readonly string[]
  tables: readonly Table[]
}

export const text = (head: string): Column => ({ head, kind: 'text' })
export const number = (head: string): Column => ({ head, kind: 'number' })
export const share = (head: string): Column => ({ head, kind: 'share' })
