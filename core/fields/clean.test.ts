import fc from 'fast-check'
import { expect, it } from 'vitest'
import { cleanText, cleanTexts, plainText } from './index.ts'

it.each([
  ['Shut\r\nthe paddle\rnow', 'Shut\nthe paddle\nnow'],
  ['a\u0000b\u000bc\u009fd\te', 'abcd\te'],
  ['lock \ud83d\udea2 and half \ud83d', 'lock \ud83d\udea2 and half '],
  ['\udea2 the other half', ' the other half'],
])('%j is kept as %j', (text, clean) => expect(cleanText(text)).toBe(clean))

it('whatever is cleaned may be stored, and is not changed again', () => {
  const any = fc.string({ unit: 'binary' })
  const halves = fc
    .array(fc.integer({ min: 0, max: 0xffff }))
    .map((codes) => String.fromCharCode(...codes))
  fc.assert(
    fc.property(fc.oneof(any, halves), (text) => {
      const clean = cleanText(text)
      expect(cleanText(clean)).toBe(clean)
      expect(plainText(1_000_000).safeParse(clean).success).toBe(true)
      expect(encodeURIComponent(clean)).toBeTypeOf('string')
    }),
  )
})

it('texts are cleaned wherever they stand', () => {
  const answer = { kind: 'gaps', filled: { 1: 'pad\u0000dle' }, list: ['a\r', 7, null], is: true }
  expect(cleanTexts(answer)).toEqual({
    kind: 'gaps',
    filled: { 1: 'paddle' },
    list: ['a\n', 7, null],
    is: true,
  })
})
