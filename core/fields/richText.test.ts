import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  cleanRich,
  cutText,
  isBlank,
  mediaOfText,
  partsOfText,
  plainOf,
  withBlock,
  richText,
  simplest,
  withoutStretches,
  type Block,
  type RichText,
} from './index.ts'

const says = (text: string): Block => ({ block: 'paragraph', runs: [{ text }] })
const doc = (...blocks: Block[]): RichText => ({ blocks })
const picture = { block: 'picture', mediaId: 'm1', alternative: 'A sill' } as const
const sound = { block: 'sound', mediaId: 'm2', title: 'Water' } as const
const stretch = { block: 'stretch', partId: 'film', fromMs: 0, toMs: 1000 } as const
const page = {
  block: 'page',
  address: 'https://locks.example/levels',
  title: 'Levels today',
  opens: 'inside',
} as const

describe('a rich text is read', () => {
  it.each<[string, RichText, string]>([
    ['plain', 'words', 'words'],
    ['paragraphs', doc(says('one'), says('two')), 'one\ntwo'],
    [
      'marks and formulas',
      doc({ block: 'paragraph', runs: [{ text: 'V', marks: ['bold'] }, { tex: 'x^2' }] }),
      'Vx^2',
    ],
    [
      'a list',
      doc({ block: 'list', ordered: true, items: [[{ text: 'a' }], [{ text: 'b' }]] }),
      'a\nb',
    ],
    [
      'a table',
      doc({ block: 'table', headed: true, rows: [[[{ text: 'a' }], [{ text: 'b' }]]] }),
      'a · b',
    ],
    ['media', doc(picture, sound, stretch), 'A sill\nWater'],
    ['pages', doc(page, { ...page, title: '' }), `Levels today\n${page.address}`],
  ])('%s', (_what, text, plain) => expect(plainOf(text)).toBe(plain))

  it('is blank without words, but not with something to see, hear or read', () => {
    expect([' \n', doc(says(' ')), doc({ block: 'paragraph', runs: [] })].map(isBlank)).toEqual([
      true,
      true,
      true,
    ])
    expect(['a', doc(picture), doc(sound), doc(stretch)].map(isBlank)).toEqual([
      false,
      false,
      false,
      false,
    ])
  })

  it('names the media and films that it shows', () => {
    const text = doc(picture, says('x'), sound, stretch)
    expect(mediaOfText(text)).toEqual(['m1', 'm2'])
    expect(partsOfText(text)).toEqual(['film'])
    expect([mediaOfText('m1'), partsOfText('film')]).toEqual([[], []])
  })
})

it('what says no more than plain words becomes plain', () => {
  expect(simplest(doc(says('one'), says('two')))).toBe('one\ntwo')
  const marked = doc({ block: 'paragraph', runs: [{ text: 'a', marks: ['bold'] }] })
  for (const text of [marked, doc(picture)]) expect(simplest(text)).toEqual(text)
})

it('stretches of films that are gone are left out, wherever they stand', () => {
  const isGone = (partId: string) => partId === 'film'
  expect(withoutStretches({ a: [doc(stretch)], b: doc(says('x'), stretch) }, isGone)).toEqual({
    a: [''],
    b: doc(says('x')),
  })
})

describe('the schema', () => {
  const schema = richText(20)
  it.each<[string, unknown]>([
    ['a long plain text', 'x'.repeat(21)],
    ['control characters', 'a\u0000'],
    ['control characters in a run', doc(says('a\u0007'))],
    ['an unknown block', { blocks: [{ block: 'script', text: 'x' }] }],
    [
      'an unknown mark',
      { blocks: [{ block: 'paragraph', runs: [{ text: 'x', marks: ['blink'] }] }] },
    ],
    ['markup of its own', { blocks: [{ block: 'paragraph', runs: [{ text: 'x', href: '#' }] }] }],
    ['no block', { blocks: [] }],
    ['a stretch that ends before it begins', doc({ ...stretch, fromMs: 2000 })],
    ['a page that is a script', doc({ ...page, address: 'javascript:alert(1)' })],
    [
      'a page that would open over the lesson’s own window',
      doc({ ...page, opens: 'here' as never }),
    ],
    ['more than fits', doc(...Array.from({ length: 5 }, () => says('x'.repeat(19_000))))],
  ])('refuses %s', (_what, value) => expect(schema.safeParse(value).success).toBe(false))

  it('takes whatever has been cleaned', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 20, unit: 'binary' }), (words) => {
        const clean = cleanRich(doc(says(`a${words}`)))
        expect(schema.safeParse(clean).success).toBe(true)
        expect(schema.safeParse(cutText(cleanRich(words), 20)).success).toBe(true)
      }),
      { seed: 2 },
    )
  })
})

describe('something more at the end of a text', () => {
  const picture = { block: 'picture', mediaId: 'm', alternative: 'A gate' } as const

  it('comes after its lines, as the schema wants them, and loses none of its words', () => {
    expect(withBlock('', picture)).toEqual({ blocks: [picture] })
    const text = withBlock('One\n\nTwo\n', picture)
    expect(richText(100).safeParse(text).success).toBe(true)
    expect(plainOf(text)).toBe('One\nTwo\nA gate')
    expect(withBlock(text, picture).blocks).toHaveLength(5)
  })
})
