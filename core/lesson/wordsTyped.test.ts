// The words of an edit that was not taken in.
import { expect, it } from 'vitest'
import { wordsTyped } from './index.ts'

it('are told as they were typed: of a text, of a new question, of a text with formatting', () => {
  expect(
    wordsTyped([{ op: 'replace', path: '/questions/q/stem', value: 'Why is the hill cut?' }]),
  ).toBe('Why is the hill cut?')
  expect(
    wordsTyped([
      {
        op: 'add',
        path: '/questions/V1StGXR8_Z5jdHi6B-myT',
        value: {
          id: 'V1StGXR8_Z5jdHi6B-myT',
          kind: 'choice',
          stem: { blocks: [{ block: 'paragraph', runs: [{ text: 'Which gate?' }] }] },
          options: { a: { id: 'a', text: 'The upper', right: true }, b: { id: 'b', text: '' } },
        },
      },
    ]),
  ).toBe('Which gate?\nThe upper')
})

it('are none where nothing was typed', () => {
  expect(
    wordsTyped([
      { op: 'replace', path: '/cues/c/atMs', value: 4000 },
      { op: 'replace', path: '/parts/p/mediaId', value: 'a-film' },
      { op: 'remove', path: '/cues/c/text' },
    ]),
  ).toBe('')
})

it('of the items of a list are told by the list', () => {
  expect(wordsTyped([{ op: 'replace', path: '/parts/p/title', value: 'Before' }])).toBe('Before')
  expect(
    wordsTyped([
      { op: 'add', path: '/parts/p/blocks', value: { b: { title: 'One', text: 'Two' } } },
    ]),
  ).toBe('One\nTwo')
})
