import { describe, expect, it } from 'vitest'
import { languageMeant, languageName, languageSchema } from './index.ts'

describe('a language that is named by its tag', () => {
  it.each([
    ['gd', 'gd'],
    [' PT-br ', 'pt-BR'],
    ['zh_hant', 'zh-Hant'],
    ['yue', 'yue'],
    ['de-ch-1996', 'de-CH-1996'],
    ['sl-rozaj-biske', 'sl-biske-rozaj'],
    ['en-X-cantle-a', 'en-x-cantle-a'],
    ['ZH-YUE-hant-hk', 'zh-yue-Hant-HK'],
    ['X-Steps', 'x-steps'],
    ['sgn-be-fr', 'sgn-BE-FR'],
    ['I-DEFAULT', 'i-default'],
    ['es-419', 'es-419'],
  ])('%j is kept as %j', (typed, tag) => {
    expect(languageMeant(typed)).toBe(tag)
    expect(languageSchema.safeParse(tag).success).toBe(true)
  })

  it.each([
    '',
    'english',
    'x',
    'x-',
    'en-',
    'en--GB',
    '<b>',
    'en-GB-US',
    'en-abcdefghi',
    'e',
    '12',
  ])('%j is none', (typed) => expect(languageMeant(typed)).toBeNull())

  it('is called by its name, or by its tag where it has none', () => {
    expect(languageName('gd', 'en')).toBe('Scottish Gaelic')
    expect(languageName('de', 'de')).toBe('Deutsch')
    for (const tag of ['x-steps', 'en-12-34', 'sgn-BE-FR']) expect(languageName(tag, tag)).toBe(tag)
  })
})
