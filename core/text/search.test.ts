import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { excerptHolding, foldWords, holdingWords } from './index.ts'

describe('a stretch of what holds the words that were asked for', () => {
  const LONG =
    'The keeper wound the paddle while, further down, an Écluse filled as slowly as ever.'

  it('begins shortly before the first of them, whatever case and accents', () => {
    expect(excerptHolding(LONG, 'slowly ecluse', 60)).toBe(
      '… down, an Écluse filled as slowly as ever.',
    )
    expect(excerptHolding(LONG, 'KEEPER', 60)).toMatch(/^The keeper wound/)
  })

  it('is one line, cut where it is too long', () => {
    expect(excerptHolding('One\n\n two\tthree four five', 'five', 80)).toBe(
      'One two three four five',
    )
    expect(excerptHolding(LONG, 'keeper', 14)).toBe('The keeper wo…')
  })

  it('is never longer than was asked for, and holds the first word found if it has room', () => {
    const word = fc.stringMatching(/^[a-zé]{1,12}$/)
    const texts = fc.array(word, { minLength: 1, maxLength: 60 })
    fc.assert(
      fc.property(texts, fc.nat(), (words, at) => {
        const asked = words[at % words.length]!
        const line = excerptHolding(words.join(' '), asked, 60)
        expect(line.length).toBeLessThanOrEqual(60)
        expect(holdingWords(asked)(line)).toBe(true)
        expect(foldWords(words.join(' '))).toContain(foldWords(line.replaceAll('…', '').trim()))
      }),
    )
  })
})
