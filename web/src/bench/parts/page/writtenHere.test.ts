import { expect, it } from 'vitest'
import type { PageBlock } from '@fernbrake/core/lesson'
import { newBlock, type AddKind } from './newBlock.ts'
import { seenBeside, writtenHere } from './writtenHere.ts'

const block = (kind: AddKind, more: object = {}): PageBlock =>
  ({
    ...newBlock(kind, 'one', { questionId: 'asked', stretch: null }),
    order: 'a',
    ...more,
  }) as PageBlock
const names = (one: PageBlock) => writtenHere(one, () => 'Why?').map(({ name }) => name)

it.each<[AddKind, string[]]>([
  ['text', ['text']],
  ['heading', ['words']],
  ['question', ['stem']],
  ['fact', ['title', 'text']],
  ['picture', ['caption']],
  ['sound', ['title']],
  ['film', ['title']],
  ['file', ['title']],
  ['web', ['title']],
  ['stretch', []],
  ['columns', []],
])('of a block of kind %s its words are written where they stand', (kind, expected) => {
  expect(names(block(kind))).toEqual(expected)
})

it('a note in the margin is written too, once there is one', () => {
  expect(names(block('stretch', { note: 'Ten minutes' }))).toEqual(['note'])
  expect(names(block('fact', { note: 'Mark this' }))).toEqual(['title', 'text', 'note'])
})

it('what is written in a field is not shown a second time beside it', () => {
  const picture = block('picture', { caption: 'The sill', note: 'Low water', mediaId: 'sill' })
  expect(seenBeside(picture)).toMatchObject({ mediaId: 'sill', caption: '' })
  expect(seenBeside(picture)).not.toHaveProperty('note')
  expect(seenBeside(block('text'))).toBeNull()
  expect(seenBeside(block('columns'))).toBeNull()
})
