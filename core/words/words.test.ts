import { describe, expect, it } from 'vitest'
import { PROBLEM_TYPES } from '../contract/index.ts'
import { REFUSALS } from '../records/index.ts'
import {
  fillFacts,
  inMadeUp,
  LANGUAGE_TAGS,
  languageOf,
  madeUp,
  pluralRule,
  problemWords,
  sayProblem,
} from './index.ts'

describe('the form that a figure takes', () => {
  const forms = (language: string, count: number, figures: number[]) =>
    figures.map((figure) => pluralRule(language)(figure, count))
  it('is one or many in English, with a form before them for nothing', () => {
    expect(forms('en', 2, [0, 1, 2, 0.5, 1.5])).toEqual([1, 0, 1, 1, 1])
    expect(forms('en', 3, [0, 1, 2, 0.5])).toEqual([0, 1, 2, 2])
    expect(forms('en', 1, [0, 1, 7])).toEqual([0, 0, 0])
  })
  it('follows the rules of each language', () => {
    expect(forms('fr', 3, [1, 1.5, 1_000_000, 2])).toEqual([0, 0, 1, 2])
    expect(forms('pl', 4, [1, 2, 5, 22])).toEqual([0, 1, 2, 1])
    expect(forms('ar', 6, [0, 1, 2, 3, 11, 100])).toEqual([0, 1, 2, 3, 4, 5])
    expect(forms('ja', 1, [0, 1, 7])).toEqual([0, 0, 0])
  })
})

describe('the languages of the interface', () => {
  it('are found by whatever tag a browser says, and are English where there is none', () => {
    const tags = ['en', 'en-GB', 'EN-us', 'qaa-x', 'xx', '', 'constructor']
    expect(tags.map(languageOf)).toEqual(['en', 'en', 'en', 'qaa', 'en', 'en', 'en'])
  })
  it.each(LANGUAGE_TAGS)('%s has a sentence for every fault and every refusal', (tag) => {
    const { problems, refusals, reasons } = problemWords(tag)
    expect(Object.keys(problems).sort()).toEqual([...PROBLEM_TYPES].sort())
    expect(Object.keys(refusals).sort()).toEqual([...REFUSALS].sort())
    for (const sentence of [...Object.values(refusals), ...Object.values(reasons)])
      expect(sentence.trim().length).toBeGreaterThan(10)
  })
})

describe('what a fault says', () => {
  const say = (fault: Parameters<typeof sayProblem>[1]) => sayProblem('en', fault)?.detail
  it('is why, with its facts, where that is known; else what its type says', () => {
    expect(say({ type: 'class-full', reason: 'groupsFull', facts: { most: 1200 } })).toBe(
      'A class holds up to 1,200 groups; nothing was changed.',
    )
    expect(say({ type: 'not-found' })).toBe('There is nothing here, or it is not yours to see.')
    expect(say({ type: 'not-allowed', reason: 'notForYou' })).toBe(
      'This is not yours to say or to change.',
    )
  })
  it('is what its type says where the reason is not known, and nothing where the type is not', () => {
    expect(say({ type: 'not-found', reason: 'constructor' })).toMatch('There is nothing here')
    expect(sayProblem('en', { type: 'toString' })).toBeNull()
  })
  it('joins lists in the way of the language, and leaves places without facts', () => {
    expect(fillFacts('{who} of {all}', { who: ['a', 'b', 'c'] }, 'en')).toBe('a, b, and c of {all}')
    expect(fillFacts('{who}', { who: ['a', 'b'] }, 'de')).toBe('a und b')
    expect(fillFacts('{n}', { n: 1234.5 }, 'de')).toBe('1.234,5')
  })
})

describe('the made-up language', () => {
  it('is longer by two fifths, keeps places, links and forms, and changes every letter that it can', () => {
    const sentence = 'One entry by {name} waits @:open.now | {n} entries wait'
    const made = madeUp(sentence)
    expect(made).toContain('{name}')
    expect(made).toContain('@:open.now')
    expect(made.split(' | ')).toHaveLength(2)
    expect(made.length).toBeGreaterThanOrEqual(Math.floor(sentence.length * 1.35))
    expect(made).not.toMatch(/entry|waits/)
  })
  it('goes through whole files, however deep', () => {
    expect(inMadeUp({ a: { b: 'Go' }, c: '' })).toEqual({ a: { b: 'Ĝö ļ' }, c: '' })
  })
})
