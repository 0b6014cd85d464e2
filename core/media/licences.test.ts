import { describe, expect, it } from 'vitest'
import { meets, termsOf, USE_TERMS } from './index.ts'

describe('what a licence lets others do', () => {
  it.each([
    ['CC0 1.0', '', 'free'],
    ['In the public domain', '', 'free'],
    ['', 'https://creativecommons.org/publicdomain/mark/1.0/', 'free'],
    ['CC BY 4.0', '', 'named'],
    ['Creative Commons BY-SA 3.0', '', 'named'],
    ['Free', 'https://creativecommons.org/licenses/by-sa/4.0/', 'named'],
    ['CC BY-NC 4.0', '', 'limited'],
    ['cc-by-nd', '', 'limited'],
    ['CC BY 4.0', 'https://creativecommons.org/licenses/by-nc-nd/4.0/', 'limited'],
    ['Free to show from here; not to be copied', '', 'other'],
    ['', 'https://archive.example/terms', 'other'],
    ['Bye for now', '', 'other'],
    ['  ', '', 'none'],
  ])('“%s” at “%s” is %s', (words, address, terms) => {
    expect(termsOf(words, address)).toBe(terms)
  })

  it('meets what was asked for, each wish holding those before it', () => {
    const met = (wanted: 'free' | 'named' | 'any') =>
      USE_TERMS.filter((terms) => meets(terms, wanted))
    expect(met('free')).toEqual(['free'])
    expect(met('named')).toEqual(['free', 'named'])
    expect(met('any')).toEqual([...USE_TERMS])
  })
})
