// In which way dates are written.
import { expect, it } from 'vitest'
import { localeFor } from './locale.ts'

it.each([
  ['en', ['en-GB', 'de'], 'en-GB'],
  ['en', ['de-DE', 'en-AU', 'en-US'], 'en-AU'],
  // Words in one language and dates in another would be read wrong.
  ['en', ['de-DE', 'fr'], 'en'],
  ['de', ['en-GB', 'DE-AT'], 'DE-AT'],
  ['en', [], 'en'],
])('an interface in %s, read by %o: %s', (language, wanted, locale) => {
  expect(localeFor(language, wanted)).toBe(locale)
  expect(() => new Intl.DateTimeFormat(locale)).not.toThrow()
})
