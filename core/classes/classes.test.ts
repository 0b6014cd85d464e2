import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  countPhraseWords,
  countRoster,
  joinCodeOf,
  nameFault,
  nameKey,
  passPhraseOf,
  phraseKey,
  planRoster,
  readJoinCode,
  readRosterTable,
  signInNameOf,
  chooseSignInName,
  tidyName,
  writeJoinCode,
} from './index.ts'

/** Bytes that are random enough for a test, and the same each time. */
function bytesFrom(seed: number): (count: number) => Uint8Array {
  let state = seed >>> 0
  return (count) =>
    Uint8Array.from({ length: count }, () => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0
      return state >>> 24
    })
}

describe('names', () => {
  it.each([
    ['Perrin Askew', null],
    ['Odile', null],
    ['O’Mara-Finch, Ada (B)', null],
    ['李雷', null],
    ['=HYPERLINK("x")', 'formula'],
    ['+44 7', 'formula'],
    ['@SUM(A1)', 'formula'],
    ['-Ada', 'formula'],
    ['<b>Ada</b>', 'markup'],
    ['see https://x.example', 'markup'],
    ['12345', 'noLetters'],
    ['', 'noLetters'],
    ['a'.repeat(121), 'tooLong'],
  ])('%j', (name, fault) => expect(nameFault(tidyName(name))).toBe(fault))

  it('are tidied, and compared without case, accents and spaces', () => {
    expect(tidyName('  Zoë \t Fen\u0000wick \r\n')).toBe('Zoë Fenwick')
    expect(nameKey('ZOË  Fenwick')).toBe(nameKey('Zoe Fenwick'))
  })

  it.each([
    ['Perrin Askew', 'perrin.askew'],
    ['Zoë van der Brück', 'zoe.bruck'],
    ['Odile', 'odile'],
    ['Strauß, Søren', 'strauss.soren'],
    ['Ada O’Mara', 'ada.omara'],
    ['李雷', 'learner'],
  ])('%s signs in as %s', (name, signIn) => expect(signInNameOf(name)).toBe(signIn))

  it('nobody signs in by the name of another', () => {
    const taken = new Set(['ada', 'ada2'])
    expect([chooseSignInName('ada', taken), chooseSignInName('ada', taken)]).toEqual([
      'ada3',
      'ada4',
    ])
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (name) => {
        expect(signInNameOf(name)).toMatch(/^[a-z0-9]+(\.[a-z0-9]+)?$/)
        expect(signInNameOf(name).length).toBeLessThanOrEqual(34)
      }),
    )
  })
})

describe('codes and phrases', () => {
  it('a code is read however it was typed', () => {
    fc.assert(
      fc.property(fc.integer(), (seed) => {
        const code = joinCodeOf(bytesFrom(seed))
        expect(code).toMatch(/^[2-9A-HJ-NP-TV-Z]{8}$/)
        expect(readJoinCode(writeJoinCode(code).toLowerCase())).toBe(code)
        expect(readJoinCode(` ${code.slice(0, 3)} ${code.slice(3)} `)).toBe(code)
      }),
    )
    expect(['', 'ABCD', 'ABCD-EFGI', 'ABCDEFGHJ'].map(readJoinCode)).toEqual([
      null,
      null,
      null,
      null,
    ])
  })

  it('no letter of a code comes more often than another', () => {
    const counts = new Map<string, number>()
    const random = bytesFrom(7)
    for (let index = 0; index < 4000; index += 1)
      for (const letter of joinCodeOf(random)) counts.set(letter, (counts.get(letter) ?? 0) + 1)
    const all = [...counts.values()]
    expect(all).toHaveLength(30)
    expect(Math.max(...all) / Math.min(...all)).toBeLessThan(1.25)
  })

  it('a phrase is four words, read however it was typed', () => {
    expect(countPhraseWords()).toBe(256)
    const phrase = passPhraseOf(bytesFrom(3))
    expect(phrase.split('-')).toHaveLength(4)
    expect(phraseKey(`  ${phrase.toUpperCase().replaceAll('-', ' ')}.`)).toBe(phrase)
    expect(passPhraseOf(() => Uint8Array.of(0, 255, 1, 0))).toBe('acorn-tulip-alder-acorn')
  })
})

describe('a roster', () => {
  const table = (text: string) => readRosterTable(text)
  const known = [
    { id: 'p1', name: 'Ada Finch', hasLeft: false },
    { id: 'p2', name: 'Bram Gale', hasLeft: true },
  ]

  it('is one name a line', () => {
    const entries = planRoster(
      table('Perrin Askew\n\n  ada  FINCH \r\nBram Gale\nPerrin Askew\n=1+1\n'),
      known,
    )
    expect(entries.map(({ line, name, state, personId }) => [line, name, state, personId])).toEqual(
      [
        [1, 'Perrin Askew', 'new', null],
        [2, 'ada FINCH', 'here', 'p1'],
        [3, 'Bram Gale', 'back', 'p2'],
        [4, 'Perrin Askew', 'again', null],
        [5, '=1+1', 'unfit', null],
      ],
    )
    expect(countRoster(entries)).toEqual({ new: 1, here: 1, back: 1, again: 1, unfit: 1 })
  })

  it('is a table whose head says what its columns are', () => {
    const { meanings, rows, hasHead } = table(
      'Surname;First name;Group;Note\n"Askew; B";Perrin;North;x\nGale;Odile;;\n',
    )
    expect([meanings, hasHead, rows.length]).toEqual([
      ['last', 'first', 'group', 'nothing'],
      true,
      2,
    ])
    const entries = planRoster({ meanings, rows, hasHead }, [])
    expect(entries.map(({ line, name, group }) => [line, name, group])).toEqual([
      [2, 'Perrin Askew; B', 'North'],
      [3, 'Odile Gale', ''],
    ])
  })

  it('may come without a head, and its columns can be told', () => {
    const read = table('Askew\tPerrin\nGale\tOdile')
    expect(read.meanings).toEqual(['name', 'nothing'])
    const told = planRoster({ ...read, meanings: ['last', 'first'] }, [])
    expect(told.map(({ name }) => name)).toEqual(['Perrin Askew', 'Odile Gale'])
  })

  it('of last names before first ones is turned round', () => {
    const entries = planRoster(table('Askew, Perrin\nGale, Odile Wren\n'), [])
    expect(entries.map(({ name }) => name)).toEqual(['Perrin Askew', 'Odile Wren Gale'])
  })

  it('with commas in some lines alone is still one name a line', () =>
    expect(table('Askew, Perrin\nOdile Gale').rows).toEqual([['Askew, Perrin'], ['Odile Gale']]))

  it('of 5,000 names, and of anything at all, is read in whole', () => {
    const names = Array.from({ length: 5000 }, (_, index) => `Learner ${index} Fen`)
    expect(countRoster(planRoster(table(names.join('\n')), [])).new).toBe(5000)
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        for (const entry of planRoster(table(text), known))
          if (entry.state === 'new') expect(nameFault(entry.name)).toBeNull()
      }),
    )
  })
})
