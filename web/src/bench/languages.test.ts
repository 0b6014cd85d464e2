// Languages that are named by their tags.
import { expect, it } from 'vitest'
import { languageMeant } from './languages.ts'

it.each([
  ['gd', 'gd'],
  [' PT-br ', 'pt-BR'],
  ['zh_hant', 'zh-Hant'],
  ['yue', 'yue'],
  ['', null],
  ['english', null],
  ['x', null],
  ['en-', null],
  ['<b>', null],
])('%j is %j', (typed, tag) => {
  expect(languageMeant(typed)).toBe(tag)
})
