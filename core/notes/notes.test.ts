import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fullLesson, PAGE, PART, withThings } from '../testing/index.ts'
import {
  findQuote,
  LONGEST_QUOTE,
  notesOfPart,
  withNote,
  writeNotes,
  type OwnNote,
} from './index.ts'

const at = (second: number) => new Date(Date.UTC(2026, 0, 1, 12, 0, second)).toISOString()
const moment = (id: string, atMs: number, words = id, second = 0): OwnNote => ({
  id,
  partId: PART,
  place: { on: 'moment', atMs },
  words,
  at: at(second),
})
const marked = (id: string, blockId: string, from: number, quote: string, words = ''): OwnNote => ({
  id,
  partId: PAGE,
  words,
  at: at(0),
  place: { on: 'words', blockId, from, to: from + quote.length, quote },
})

describe('the latest word on a note holds', () => {
  it('whether it was written, changed or taken away', () => {
    const one = withNote([], 'a', moment('a', 1000))
    const changed = withNote(one, 'a', moment('a', 1000, 'again', 5))
    expect(changed).toEqual([moment('a', 1000, 'again', 5)])
    expect(withNote(changed, 'a', moment('a', 1000, 'late', 2))).toEqual(changed)
    expect(withNote(changed, 'a', null)).toEqual([])
    expect(withNote(changed, 'b', null)).toEqual(changed)
  })

  it('in whatever order the words come', () => {
    const states = fc.uniqueArray(fc.integer({ min: 0, max: 50 }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(states, (seconds) => {
        const end = seconds.reduce<OwnNote[]>(
          (notes, second) => withNote(notes, 'a', moment('a', 0, String(second), second)),
          [],
        )
        expect(end.map(({ words }) => words)).toEqual([String(Math.max(...seconds))])
      }),
    )
  })
})

it('notes stand in the order of what they are about', () => {
  const notes = [
    moment('late', 9000),
    moment('early', 20),
    marked('second', 'two', 3, 'gate'),
    marked('first', 'one', 40, 'sill'),
    marked('sooner', 'one', 4, 'lock'),
    marked('lost', 'gone', 0, 'x'),
  ]
  expect(notesOfPart(notes, PART).map(({ id }) => id)).toEqual(['early', 'late'])
  expect(notesOfPart(notes, PAGE, ['one', 'two']).map(({ id }) => id)).toEqual([
    'sooner',
    'first',
    'second',
    'lost',
  ])
})

describe('a quote', () => {
  const said = 'The gate holds the water, and the gate lets it go.'
  const place = (from: number, quote: string) => {
    const { place: made } = marked('m', 'one', from, quote)
    return made as Extract<OwnNote['place'], { on: 'words' }>
  }
  it.each([
    [4, 'gate', { from: 4, to: 8 }],
    [34, 'gate', { from: 34, to: 38 }],
    [0, 'holds', { from: 9, to: 14 }],
    [0, 'paddle', null],
    [60, 'x'.repeat(9), null],
  ])('from %i, %j is found', (from, quote, found) => {
    expect(findQuote(said, place(from, quote))).toEqual(found)
  })
  it('that was longer than is kept is found by its beginning, and is marked whole', () => {
    const long = 'ab'.repeat(LONGEST_QUOTE)
    const kept = { ...place(0, long), quote: long.slice(0, LONGEST_QUOTE) }
    expect(findQuote(long, kept)).toEqual({ from: 0, to: long.length })
  })
})

it('all notes can be taken along as a text', () => {
  const lesson = withThings(fullLesson())
  const notes = [
    moment('b', 65_000, 'Ask about the sill'),
    marked('c', 'one', 0, 'flat\n water'),
    marked('d', 'one', 9, 'gate', 'Which one?'),
    { ...moment('e', 0), partId: PAGE, place: { on: 'part' as const }, words: 'Read again' },
  ]
  const text = writeNotes(lesson, notes, () => ['one'])
  expect(text).toBe(
    [
      `# ${lesson.title}`,
      `## ${lesson.parts[PART]!.title || lesson.title}`,
      '[1:05] Ask about the sill',
      `## ${lesson.parts[PAGE]!.title}`,
      '“flat water”',
      '“gate”\nWhich one?',
      'Read again\n',
    ].join('\n\n'),
  )
})
