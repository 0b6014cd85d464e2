import { parse } from 'csv-parse/browser/esm/sync'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { writeCsv } from './index.ts'

const read = (text: string) => parse(text, { bom: true, relax_column_count: true })

describe('a table as CSV', () => {
  it('quotes what needs it', () => {
    expect(
      writeCsv([
        ['Name', 'Marks'],
        ['Askew, Perrin "P"', 21.3],
        ['two\nlines', null],
      ]),
    ).toBe('\uFEFFName,Marks\r\n"Askew, Perrin ""P""",21.3\r\n"two\nlines",\r\n')
  })
  it.each(['=1+1', '+44', '-2', '@SUM(A1)', '\tx'])('%j is no formula', (text) => {
    expect(read(writeCsv([[text]]))).toEqual([[`'${text}`]])
  })
  it('a number below nothing is a number', () => expect(read(writeCsv([[-2]]))).toEqual([['-2']]))
  it('any text comes back as it was, but for formulas', () => {
    const cell = fc.string({ unit: 'binary' }).filter((text) => !/^[=+\-@\t\r'\uFEFF]/.test(text))
    const row = fc.array(cell, { minLength: 2, maxLength: 4 })
    fc.assert(
      fc.property(fc.array(row, { minLength: 1 }), (rows) => {
        expect(read(writeCsv(rows))).toEqual(rows)
      }),
    )
  })
})
