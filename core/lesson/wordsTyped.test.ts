// The words of an edit that was not taken in.
import { expect, it } from 'vitest'
import { z } from 'zod'
import { lessonSchema, wordsTyped } from './index.ts'

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

/** Texts of a lesson that nobody writes as words: addresses and the like, and what is chosen from a list. */
const NO_WORDS = new Set([
  'address',
  'colour',
  'frameRate',
  'page',
  'player',
  'unit',
  'symbol',
  'mix',
  'markup',
  'others',
  'settings',
])

/** The names of all properties of a schema that hold free text: strings that are long enough, and follow no pattern. */
function freeTexts(schema: unknown, name = '', found = new Set<string>()): Set<string> {
  if (typeof schema !== 'object' || schema === null) return found
  const { type, pattern, format, maxLength, enum: listed } = schema as Record<string, unknown>
  if (type === 'string' && !pattern && !format && !listed && Number(maxLength) >= 60)
    found.add(name)
  const { properties, additionalProperties, items, anyOf, oneOf, allOf, $defs } = schema as Record<
    string,
    Record<string, unknown>
  >
  for (const [key, inside] of Object.entries(properties ?? {})) freeTexts(inside, key, found)
  for (const inside of [additionalProperties, items]) freeTexts(inside, name, found)
  for (const inside of [anyOf, oneOf, allOf, $defs].flatMap((one) => Object.values(one ?? {})))
    freeTexts(inside, name, found)
  return found
}

it('are of every text that a lesson has', () => {
  const schema = z.toJSONSchema(lessonSchema, { unrepresentable: 'any', io: 'input' })
  const names = [...freeTexts(schema)].filter((name) => !NO_WORDS.has(name)).sort()
  expect(names.length).toBeGreaterThan(20)
  const untold = names.filter(
    (name) => wordsTyped([{ op: 'replace', path: `/x/${name}`, value: 'Some words' }]) === '',
  )
  expect(untold).toEqual([])
})
