import { describe, expect, it } from 'vitest'
import { articleBlocks, heldPicture, sourceText } from './articleBlocks.ts'

const text = (words: string) => ({
  piece: 'text' as const,
  text: { blocks: [{ block: 'paragraph' as const, runs: [{ text: words }] }] },
})

describe('an article as blocks', () => {
  it('has each piece as a block of its own, and tells which pictures are still to come', () => {
    let made = 0
    const { blocks, pictures } = articleBlocks(
      [
        { piece: 'heading', words: 'The log', level: 2 },
        text('One'),
        {
          piece: 'picture',
          address: 'https://a.example/g.png',
          alternative: '',
          caption: 'A gate',
        },
      ],
      () => `b${(made += 1)}`,
    )
    expect(blocks).toEqual([
      { id: 'b1', kind: 'heading', words: 'The log', level: 2 },
      { id: 'b2', kind: 'text', text: 'One' },
      { id: 'b3', kind: 'picture', mediaId: null, alternative: '', caption: 'A gate' },
    ])
    expect(pictures).toEqual([
      { thingId: 'b3', address: 'https://a.example/g.png', alternative: 'A gate' },
    ])
  })

  it('says from where it is, as far as that is known', () => {
    const nothing = { title: '', maker: '', site: '', licence: '', address: '' }
    const said = (source: Partial<typeof nothing>) => {
      const [block] = sourceText({ ...nothing, ...source }, 'From:')?.blocks ?? []
      return block?.block === 'paragraph' ? block.runs : null
    }
    expect(said({})).toBeNull()
    expect(said({ address: 'javascript:x' })).toBeNull()
    expect(
      said({ title: 'The log', maker: 'Odile', site: 'Trust', licence: 'CC0', address: '/log' }),
    ).toEqual([
      { text: 'From: ' },
      { text: 'The log', address: '/log' },
      { text: ', Odile, Trust' },
      { text: '. CC0' },
    ])
    expect(said({ maker: 'Odile' })).toEqual([{ text: 'From: ' }, { text: 'Odile' }])
    expect(said({ licence: 'CC0' })).toEqual([{ text: 'From: ' }, { text: 'CC0' }])
  })

  it('reads pictures that a document holds in itself', async () => {
    const held = heldPicture('data:image/png;base64,aGVsbG8=')
    expect(held?.type).toBe('image/png')
    expect(await held?.text()).toBe('hello')
    expect(heldPicture('data:image/png;base64,***')).toBeNull()
    expect(heldPicture('https://a.example/g.png')).toBeNull()
  })
})
