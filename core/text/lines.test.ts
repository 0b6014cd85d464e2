import { describe, expect, it } from 'vitest'
import { readLines, readSets } from './index.ts'

const said = (text: string, oneMarked?: boolean) =>
  readLines(text, oneMarked).map(({ text, marked }) => (marked ? `* ${text}` : text))

it.each([
  ['gate\n* paddle\nsill', ['gate', '* paddle', 'sill']],
  ['gate\r\n\r\n   sill  ', ['gate', 'sill']],
  ['a) gate\nb) paddle\n(c) sill', ['gate', 'paddle', 'sill']],
  ['1. gate\n2. paddle\n12) sill', ['gate', 'paddle', 'sill']],
  ['• gate\n– paddle\n- sill', ['gate', 'paddle', 'sill']],
  ['* a) gate', ['* gate']],
  ['*gate', ['*gate']],
  ['2.4 m\n1 234', ['2.4 m', '1 234']],
  ['A boat is too heavy', ['A boat is too heavy']],
  ['gate\u0000\tand\u00a0paddle', ['gate and paddle']],
  ['', []],
  ['* ', ['*']],
])('%j', (text, lines) => expect(said(text)).toEqual(lines))

it('keeps the first star alone where only one may be marked', () => {
  expect(said('* a\n* b\nc', true)).toEqual(['* a', 'b', 'c'])
  expect(said('a\nb', true)).toEqual(['a', 'b'])
})

it('cuts what is longer than a list should be', () => {
  expect(readLines('x\n'.repeat(1000))).toHaveLength(200)
  expect(readLines('y'.repeat(9000))[0]!.text).toHaveLength(500)
})

describe('sets of lines', () => {
  it('are parted by empty lines, each with one marked line at the most', () => {
    const sets = readSets('1. False\n* True\n* Also starred\n\n  \nNo\n* Yes\n\nAlone')
    expect(sets.map((set) => set.map(({ text, marked }) => (marked ? `*${text}` : text)))).toEqual([
      ['False', '*True', 'Also starred'],
      ['No', '*Yes'],
    ])
  })

  it('are none of nothing', () => {
    expect(readSets(' \n\n ')).toEqual([])
  })
})
