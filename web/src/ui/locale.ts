// In which way dates are written: the language of the interface, so that no sentence mixes two, and in it the reader's country.

/** The first of a reader's languages that is the interface's, with its country; else the interface's alone. */
export const localeFor = (language: string, wanted: readonly string[]): string =>
  wanted.find((tag) => tag.split('-')[0]!.toLowerCase() === language.split('-')[0]) ?? language

const { document, navigator } = globalThis as Partial<typeof globalThis>

/** That of this page. */
export const LOCALE = localeFor(document?.documentElement.lang || 'en', navigator?.languages ?? [])
