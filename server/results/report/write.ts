// Reports as files: CSV holds the first table, XLSX and PDF hold all of it.
import type { Content, TableCell } from 'pdfmake/interfaces.js'
import { writeCsv, type Cell } from '@fernbrake/core/formats'
import type { ReportFormat } from '@fernbrake/core/contract'
import { wordsIn } from '../../locales/words.ts'
import { drawPdf, FERN, INK_2, LINE } from '../../print/pdf.ts'
import type { Column, ReportDocument, Table } from './document.ts'

export const CONTENT_TYPES: Record<ReportFormat, string> = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  pdf: 'application/pdf',
}

export function writeReport(document: ReportDocument, format: ReportFormat): Promise<Buffer> {
  switch (format) {
    case 'csv':
      return Promise.resolve(Buffer.from(csvOf(document.tables[0]!)))
    case 'xlsx':
      return xlsxOf(document)
    case 'pdf':
      return pdfOf(document)
  }
}

const csvOf = ({ columns, rows }: Table) => writeCsv([columns.map(({ head }) => head), ...rows])

/** Sheets of a workbook are told apart by these; it allows 31 letters, none of them among []:*?/\ */
const sheetName = (title: string, index: number) =>
  `${index + 1} ${title.replace(/[[\]:*?/\\']/g, ' ')}`.slice(0, 31).trim()

/** Cells hold values and never formulas, whatever stands in them. */
async function xlsxOf({ title, about, sentences, tables }: ReportDocument): Promise<Buffer> {
  // Read with the first sheet that is asked for: it would double the time in which the server starts.
  const { default: ExcelJS } = await import('exceljs')
  const book = new ExcelJS.Workbook()
  for (const [index, { title: name, columns, rows }] of tables.entries()) {
    const sheet = book.addWorksheet(sheetName(name, index))
    if (index === 0) for (const line of [title, about, ...sentences, '']) sheet.addRow([line])
    sheet.addRow(columns.map(({ head }) => head)).font = { bold: true }
    for (const row of rows) sheet.addRow(row)
    for (const [at, { kind }] of columns.entries()) {
      const column = sheet.getColumn(at + 1)
      if (kind === 'share') column.numFmt = '0 %'
      column.width = widthOf(columns[at]!, rows, at)
    }
  }
  return Buffer.from(await book.xlsx.writeBuffer())
}

const widthOf = ({ head }: Column, rows: Table['rows'], at: number) =>
  Math.min(
    60,
    Math.max(10, head.length + 2, ...rows.map((row) => String(row[at] ?? '').length + 1)),
  )

/** A page holds about so many lines; a longer table of times is of no use on paper. */
const MOST_ROWS = 400

function written(cell: Cell | undefined, { kind }: Column, language: string): string {
  if (cell === null || cell === undefined) return ''
  if (typeof cell === 'string') return cell
  if (kind === 'share') return `${Math.round(cell * 100)} %`
  return new Intl.NumberFormat(language, { maximumFractionDigits: 4 }).format(cell)
}

function tableOf({ columns, rows }: Table, language: string): Content {
  const { heads } = wordsIn(language).report
  const cell = (value: Cell | undefined, column: Column): TableCell => ({
    text: written(value, column, language),
    alignment: column.kind === 'text' ? 'left' : 'right',
  })
  const head = columns.map((column) => ({
    text: column.head,
    bold: true,
    color: INK_2,
    alignment: column.kind === 'text' ? ('left' as const) : ('right' as const),
  }))
  const body = rows
    .slice(0, MOST_ROWS)
    .map((row) => columns.map((column, at) => cell(row[at], column)))
  const longest = columns.findIndex(({ head: word }) =>
    [heads.question, heads.line, heads.way].includes(word),
  )
  return {
    fontSize: 8,
    margin: [0, 4, 0, 14],
    layout: {
      hLineWidth: (at: number) => (at <= 1 ? 0.8 : 0.4),
      vLineWidth: () => 0,
      hLineColor: () => LINE,
    },
    table: {
      headerRows: 1,
      body: [head, ...body],
      widths: columns.map((_, at) => (at === longest ? '*' : 'auto')),
    },
  }
}

async function pdfOf({
  language,
  title,
  about,
  sentences,
  tables,
}: ReportDocument): Promise<Buffer> {
  const { report } = wordsIn(language)
  const filled = tables.filter(({ rows }) => rows.length > 0)
  return drawPdf({
    pageOrientation: 'landscape',
    pageMargins: [40, 44, 40, 44],
    info: { title: `${title} · ${about}` },
    footer: (page, pages) => ({
      text: report.page(page, pages),
      alignment: 'center',
      fontSize: 8,
      color: INK_2,
    }),
    content: [
      { text: title, font: 'Serif', fontSize: 20, bold: true },
      { text: about, color: INK_2, margin: [0, 2, 0, 8] },
      ...sentences.map((sentence) => ({ text: sentence, font: 'Serif', fontSize: 12 })),
      ...filled.flatMap((table): Content[] => [
        { text: table.title, bold: true, fontSize: 12, color: FERN, margin: [0, 12, 0, 2] },
        tableOf(table, language),
        ...(table.rows.length > MOST_ROWS
          ? [{ text: report.cut(table.rows.length - MOST_ROWS), fontSize: 8, color: INK_2 }]
          : []),
      ]),
    ],
  })
}
