import { expect, it } from 'vitest'
import { isName, isOneWord } from './personName.ts'

it.each([
  'Kezia',
  'Kezia Sandholm',
  ' Ana  María de la O ',
  "Siân O'Dell",
  'J. R. Ash',
  '李',
  'Ž-Ana',
])('“%s” is a name', (name) => expect(isName(name)).toBe(true))
it.each(['', ' ', '7', 'R2 D2', '<b>Ada</b>', '=1+1', '-Ada', 'Ada, Finch', 'ada@finch.example'])(
  '“%s” is none',
  (name) => expect(isName(name)).toBe(false),
)
it('one word is told from several', () => {
  expect(['Kezia', ' Kezia ', 'Ž-Ana'].every(isOneWord)).toBe(true)
  expect(isOneWord('Kezia Sandholm')).toBe(false)
})
