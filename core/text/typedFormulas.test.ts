import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { richText, type RichText } from '../fields/index.ts'
import { readFormulas, typeFormulas } from './index.ts'

const line = (...runs: ({ text: string } | { tex: string })[]): RichText => ({
  blocks: [{ block: 'paragraph', runs }],
})

describe('what is typed', () => {
  it.each<[string, RichText]>([
    ['no formula', 'no formula'],
    ['$x^2$', line({ tex: 'x^2' })],
    ['so $x^2$ is', line({ text: 'so ' }, { tex: 'x^2' }, { text: ' is' })],
    ['$a$, $b$', line({ tex: 'a' }, { text: ', ' }, { tex: 'b' })],
    ['from $5 to $6', 'from $5 to $6'],
    ['it costs $5', 'it costs $5'],
    ['$ x $', '$ x $'],
    ['$$', '$$'],
    ['$x', '$x'],
    ['\\$x$ and $y$', line({ text: '$x$ and ' }, { tex: 'y' })],
    ['$\\$5$', line({ tex: '\\$5' })],
    ['$$V = abc$$', { blocks: [{ block: 'formula', tex: 'V = abc' }] }],
    [
      'First:\n$$V$$\nthen',
      {
        blocks: [
          { block: 'paragraph', runs: [{ text: 'First:' }] },
          { block: 'formula', tex: 'V' },
          { block: 'paragraph', runs: [{ text: 'then' }] },
        ],
      },
    ],
  ])('%j', (typed, text) => expect(readFormulas(typed)).toEqual(text))

  it('is what comes back to be typed on', () => {
    for (const typed of ['words', '$5', 'so $x^2$ is', 'a\n$$V$$\nb', '\\$1 is $y$', ''])
      expect(typeFormulas(readFormulas(typed))).toBe(typed)
  })

  it('is always a text that can be kept, and is read the same when typed again', () => {
    const pieces = fc.constantFrom('$', '$$', '\\', ' ', 'x', '5', '\n', '^', '{', '}')
    const typed = fc.array(pieces, { maxLength: 24 }).map((all) => all.join(''))
    fc.assert(
      fc.property(typed, (words) => {
        const text = readFormulas(words)
        expect(richText(2000).safeParse(text).success).toBe(true)
        const again = typeFormulas(text)
        if (again !== null) expect(readFormulas(again)).toEqual(text)
      }),
      { seed: 4, numRuns: 2000 },
    )
  })
})

it('comes back to be typed on from a database, which puts keys in an order of its own', () => {
  const kept: RichText = {
    blocks: [
      { runs: [{ text: 'First:' }], block: 'paragraph' },
      { tex: 'V', block: 'formula' },
    ],
  }
  expect(typeFormulas(kept)).toBe('First:\n$$V$$')
})

it('what cannot be typed is not', () => {
  const bold: RichText = {
    blocks: [{ block: 'paragraph', runs: [{ text: 'a', marks: ['bold'] }] }],
  }
  const picture: RichText = { blocks: [{ block: 'picture', mediaId: 'm', alternative: '' }] }
  expect([typeFormulas(bold), typeFormulas(picture)]).toEqual([null, null])
})
