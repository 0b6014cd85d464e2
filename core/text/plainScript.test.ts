import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findInLines, linesOfPlainText, roughTimes } from './index.ts'

describe('a plain text', () => {
  it('is cut at line breaks and after sentences', () => {
    expect(
      linesOfPlainText(
        'Water will not lie on a slope. Pour it out!\r\n\r\n“It runs away.” So it does…\n— \n',
      ),
    ).toEqual(['Water will not lie on a slope.', 'Pour it out!', '“It runs away.”', 'So it does…'])
  })
  it('is cut at a comma, or between words, where a sentence is too long', () => {
    const long = `The keeper winds the paddle, ${'and waits '.repeat(12)}for the water.`
    const lines = linesOfPlainText(long)
    expect(lines[0]).toMatch(/^The keeper winds the paddle/)
    expect(lines.join(' ')).toBe(long)
    expect(Math.max(...lines.map((line) => line.length))).toBeLessThanOrEqual(84)
    expect(linesOfPlainText('x'.repeat(200)).map((line) => line.length)).toEqual([84, 84, 32])
  })
  it('loses no letter, whatever it is', () => {
    const letters = (text: string) => text.replace(/[^\p{L}\p{N}]/gu, '')
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        expect(letters(linesOfPlainText(text).join(''))).toBe(letters(text))
      }),
      { seed: 21 },
    )
  })
})

describe('rough times', () => {
  const pauses = [
    { fromMs: 0, toMs: 1000 },
    { fromMs: 3000, toMs: 3500 },
    { fromMs: 5500, toMs: 6000 },
    { fromMs: 8000, toMs: 9000 },
  ]
  it('begin after the pauses between sentences, and end before them', () => {
    expect(roughTimes(['Ten letter', 'Ten letter', 'Ten letter'], pauses, 9000)).toEqual([
      { text: 'Ten letter', fromMs: 1000, toMs: 3000 },
      { text: 'Ten letter', fromMs: 3500, toMs: 5500 },
      { text: 'Ten letter', fromMs: 6000, toMs: 8000 },
    ])
  })
  it('share a film without pauses by letters', () => {
    expect(roughTimes(['aaa', 'b'], [], 8000).map(({ fromMs, toMs }) => [fromMs, toMs])).toEqual([
      [0, 6000],
      [6000, 8000],
    ])
  })
  it('are in order, apart, and within the film', () => {
    const texts = fc.array(fc.string({ minLength: 1, maxLength: 90 }), {
      minLength: 1,
      maxLength: 30,
    })
    const gaps = fc.array(fc.tuple(fc.nat(4000), fc.integer({ min: 350, max: 3000 })), {
      maxLength: 20,
    })
    fc.assert(
      fc.property(
        texts,
        gaps,
        fc.integer({ min: 6000, max: 200_000 }),
        (list, found, durationMs) => {
          let at = 0
          const quiet = found.map(([speech, pause]) => {
            const fromMs = at + speech + 10
            at = fromMs + pause
            return { fromMs, toMs: at }
          })
          const within = quiet.filter(({ toMs }) => toMs <= durationMs)
          let before = 0
          for (const { fromMs, toMs } of roughTimes(list, within, durationMs)) {
            expect(fromMs).toBeGreaterThanOrEqual(before)
            expect(toMs).toBeGreaterThan(fromMs)
            expect(toMs).toBeLessThanOrEqual(durationMs)
            before = toMs
          }
        },
      ),
      { seed: 22 },
    )
  })
})

it('words are found whatever their case and accents', () => {
  const lines = [{ text: 'The sill is dangerous' }, { text: 'Émile minds the Sill' }, { text: '' }]
  expect(findInLines(lines, 'sill')).toEqual([0, 1])
  expect(findInLines(lines, ' EMILE  sill ')).toEqual([1])
  expect(findInLines(lines, ' ')).toEqual([])
})
