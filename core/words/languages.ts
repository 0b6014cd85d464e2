// The languages of the interface. A new one is a line here, and its sentences: `core/words/<tag>` (named in `problems.ts`),
// `web/locales/<tag>.ts` and `player/locales/<tag>.ts` (fetched by the `i18n.ts` of each), `server/locales/<tag>.ts` (named in
// `words.ts`). The types refuse a list that leaves one out.

export interface Language {
  /** Which way it is written. */
  direction: 'ltr' | 'rtl'
}

export const LANGUAGES = {
  en: { direction: 'ltr' },
  // Nobody speaks it (qaa is for private use, ISO 639-2): English, longer by two fifths, from right to left (`madeUp.ts`).
  // Screens are looked at in it.
  qaa: { direction: 'rtl' },
} as const satisfies Record<string, Language>

export type LanguageTag = keyof typeof LANGUAGES

export const LANGUAGE_TAGS = Object.keys(LANGUAGES) as LanguageTag[]

/** The language of a tag such as `en-GB`; English where there is none of it. */
export function languageOf(tag: string): LanguageTag {
  const first = tag.split('-')[0]!.toLowerCase()
  return Object.hasOwn(LANGUAGES, first) ? (first as LanguageTag) : 'en'
}
