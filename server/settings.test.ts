import { expect, it } from 'vitest'
import { archives } from './settings.ts'

it('reads which archives are asked, and says what cannot be asked', () => {
  expect(archives('')).toEqual([])
  const two = 'https://a.example/find?q={searchTerms}\n  http://b.example/{searchTerms}?n={count?}'
  expect(archives(two)).toHaveLength(2)
  for (const wrong of ['https://a.example/find', 'a.example/{searchTerms}', '{searchTerms}'])
    expect(() => archives(wrong)).toThrow('which is no address with {searchTerms} in it')
  expect(() => archives('https://a.example/{searchTerms}?key={apiKey}')).toThrow('is not known')
})
