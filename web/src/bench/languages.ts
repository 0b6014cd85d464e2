// The languages that lessons and scripts are offered in, by their names.
import { LOCALE } from '../ui/locale.ts'

const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'pt', 'sv', 'ar', 'he', 'ja', 'zh']
const names = new Intl.DisplayNames([LOCALE], { type: 'language' })

/** The name of a language, or its tag where it has none. */
export function languageName(tag: string): string {
  try {
    return names.of(tag) ?? tag
  } catch {
    return tag
  }
}

export const languageChoices = LANGUAGES.map((value) => ({ value, label: languageName(value) }))
