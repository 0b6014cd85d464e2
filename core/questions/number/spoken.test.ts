// Numbers in words against an independent package, and what people say besides.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { toCardinal as german } from 'n2words/de-DE'
import { toCardinal as british } from 'n2words/en-GB'
import { toCardinal as american } from 'n2words/en-US'
import { toCardinal as spanish } from 'n2words/es-ES'
import { toCardinal as belgian } from 'n2words/fr-BE'
import { toCardinal as french } from 'n2words/fr-FR'
import { markQuestion } from '../index.ts'
import { questionOf } from '../testing.ts'
import { readNumber } from './read.ts'

const LANGUAGES = { british, american, german, spanish, french, belgian }

describe.each(Object.entries(LANGUAGES))('%s', (_name, say) => {
  it('whole numbers that an answer has room for are read as they are said', () => {
    const size = fc.constantFrom(100, 2000, 100_000, 1_000_000, 1e9, 1e11)
    const number = fc.tuple(size, fc.double({ min: 0, max: 0.999, noNaN: true }))
    fc.assert(
      fc.property(number, ([most, share]) => {
        const value = Math.floor(most * share)
        fc.pre(say(value).length <= 100)
        expect([say(value), readNumber(say(value))]).toEqual([
          say(value),
          { values: [value], unit: '' },
        ])
      }),
      { numRuns: 800 },
    )
  })

  it('every number below two thousand is', () => {
    const wrong = Array.from({ length: 2000 }, (_, value) => value).filter(
      (value) => readNumber(say(value))?.values[0] !== value,
    )
    expect(wrong.map((value) => say(value))).toEqual([])
  })
})

describe('people also say', () => {
  const table: [string, number][] = [
    ['half', 0.5],
    ['a half', 0.5],
    ['one half', 0.5],
    ['a quarter', 0.25],
    ['three quarters', 0.75],
    ['two thirds', 2 / 3],
    ['one third', 1 / 3],
    ['two and a half', 2.5],
    ['7 and a half', 7.5],
    ['ten and three quarters', 10.75],
    ['seven point five', 7.5],
    ['zero point two five', 0.25],
    ['a dozen', 12],
    ['two dozen', 24],
    ['half a dozen', 6],
    ['half a million', 500_000],
    ['a hundred', 100],
    ['hundred', 100],
    ['fifteen hundred', 1500],
    ['minus twelve', -12],
    ['about twenty', 20],
    ['It is twenty-one.', 21],
    ['there are forty two', 42],
    ['Twenty One', 21],
    ['einundzwanzig', 21],
    ['zweieinhalb', 2.5],
    ['anderthalb', 1.5],
    ['ein Viertel', 0.25],
    ['drei Viertel', 0.75],
    ['fuenfzig', 50],
    ['sieben Komma fünf', 7.5],
    ['zwei Millionen', 2_000_000],
    ['siebenhundertsiebenundsiebzigtausendsiebenhundertsiebenundsiebzig', 777_777],
    ['un demi', 0.5],
    ['trois quarts', 0.75],
    ['deux et demi', 2.5],
    ['sept virgule cinq', 7.5],
    ['medio', 0.5],
    ['tres cuartos', 0.75],
    ['dos y medio', 2.5],
  ]
  it.each(table)('%s', (text, value) => {
    const question = questionOf('number', { value, unit: '' })
    expect(markQuestion(question, { kind: 'number', text }).verdict).toBe('right')
  })

  it.each([
    ['50 %', 'fifty percent'],
    ['0.25 L', 'a quarter of a litre'],
    ['0.5 L', 'half a litre'],
    ['0.25 L', 'a quarter of one litre'],
    ['3 quarts', 'three quarts'],
    ['12 cents', 'twelve cents'],
    ['7 ', '7 constructor'],
    ['0.5 L', 'ein halber Liter'],
    ['21 m', 'twenty-one metres'],
    ['90 s', 'one and a half minutes'],
    ['12 €', 'twelve euros'],
    ['12 €', '12,- €'],
    ['90 s', '90"'],
    ['90 s', '1\'30"'],
    ['20 m³', '20 or so m³'],
    ['20 m³', '20 m³?'],
    ['1500 ', '1.5k'],
    ['2000000 ', '2M'],
    ['7 ', '7 (seven)'],
    ['7 ', 'seven (7)'],
    ['1789 ', 'in 1789'],
    ['1789 ', 'the year 1789'],
  ])('for %s: %s', (right, text) => {
    const [value, unit] = right.split(' ') as [string, string]
    const question = questionOf('number', { value: Number(value), unit })
    expect(markQuestion(question, { kind: 'number', text }).verdict).toBe('right')
  })
})

describe('is no answer', () => {
  it.each([
    [7, 'seven or eight'],
    [7, 'seven eight'],
    [2, 'two three'],
    [7, 'six to eight'],
    [7, 'between six and eight'],
    [7, 'seventy'],
    [7, 'not seven'],
    [15, 'seven and eight'],
    [7, 'seven and a half'],
    [7, 'seven hundred'],
    [7, 'more than seven'],
    [7, 'seven (8)'],
    [7, '7 (or eight)'],
    [5, 'twenty-fifth'],
    [4, 'twenty-fifth'],
    [0.25, 'fourth'],
    [1, 'a'],
    [0.5, 'halfway there, or more'],
    [7, 'sevenfold or more'],
    [1.5, '1.5k'],
    [7, 'seven minus one'],
    [7, 'seven times two'],
    [7, '7k'],
    [7, 'seven of the eight'],
    [0.5, 'half past seven'],
  ])('%s ← %s', (value, text) => {
    const question = questionOf('number', { value, unit: '' })
    expect(markQuestion(question, { kind: 'number', text }).verdict).not.toBe('right')
  })
})
