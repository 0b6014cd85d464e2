// @vitest-environment node
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSameText, simplest, type Block, type RichText, type Run } from '@fernbrake/core/fields'
import { fromEditor, toEditor } from './convert.ts'

const words = fc.stringMatching(/^[a-zé ,.$]{1,12}$/)
const run: fc.Arbitrary<Run> = fc.oneof(
  fc.record({ text: words }),
  fc.record({
    text: words,
    marks: fc.subarray(['bold', 'italic', 'code', 'sub', 'super', 'highlight'] as const, {
      minLength: 1,
    }),
  }),
  fc.record({ text: words, address: fc.constantFrom('https://harrowmere.example/levels') }),
  fc.record({ tex: fc.constantFrom('x^2', '\\frac{1}{2}') }),
)
const runs = fc.array(run, { maxLength: 4 })
const block: fc.Arbitrary<Block> = fc.oneof(
  fc.record({ block: fc.constant('paragraph' as const), runs }),
  fc.record({
    block: fc.constant('list' as const),
    ordered: fc.boolean(),
    items: fc.array(runs, { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ block: fc.constant('formula' as const), tex: fc.constant('a = b') }),
  fc.record({
    block: fc.constant('table' as const),
    headed: fc.boolean(),
    rows: fc.array(fc.tuple(runs, runs), { minLength: 1, maxLength: 3 }),
  }),
  fc.constant({ block: 'picture' as const, mediaId: 'm', alternative: 'A lock' }),
  fc.constant({ block: 'sound' as const, mediaId: 'm', title: 'Water' }),
  fc.constant({ block: 'stretch' as const, partId: 'p', fromMs: 0, toMs: 900 }),
  fc.record({
    block: fc.constant('page' as const),
    address: fc.webUrl(),
    title: fc.string(),
    opens: fc.constantFrom('inside' as const, 'newTab' as const),
  }),
)

describe('a text and the document that its editor holds', () => {
  it('say the same there and back', () => {
    fc.assert(
      fc.property(fc.array(block, { minLength: 1, maxLength: 5 }), (blocks) => {
        const text: RichText = { blocks }
        expect(isSameText(fromEditor(toEditor(text)), simplest(text))).toBe(true)
      }),
    )
  })

  it('keep plain lines plain', () => {
    for (const text of ['', 'One line', 'Two\nlines', '\n\nspaced\n'])
      expect(fromEditor(toEditor(text))).toBe(text)
  })

  it('lay lists in lists flat, and join the lines of a cell', () => {
    const line = (text: string) => ({ type: 'paragraph', content: [{ type: 'text', text }] })
    const inner = { type: 'bulletList', content: [{ type: 'listItem', content: [line('inner')] }] }
    const list = {
      type: 'bulletList',
      content: [{ type: 'listItem', content: [line('outer'), inner] }],
    }
    const cell = { type: 'tableCell', content: [line('a'), line('b')] }
    const table = { type: 'table', content: [{ type: 'tableRow', content: [cell] }] }
    expect(fromEditor({ type: 'doc', content: [list, table] })).toEqual({
      blocks: [
        { block: 'list', ordered: false, items: [[{ text: 'outer' }], [{ text: 'inner' }]] },
        { block: 'table', headed: false, rows: [[[{ text: 'a' }, { text: ' ' }, { text: 'b' }]]] },
      ],
    })
  })

  it('leave out what a text cannot hold', () => {
    expect(
      fromEditor({ type: 'doc', content: [{ type: 'script' }, { type: 'formulaBlock' }] }),
    ).toBe('')
  })
})
