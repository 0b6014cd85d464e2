// The languages that lessons and scripts are offered in, by their names.
import { languageSchema } from '@fernbrake/core/fields'
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

/** The tag that somebody means, as it is written (BCP 47); null where it is none that a lesson takes. */
export function languageMeant(typed: string): string | null {
  try {
    const [tag = ''] = Intl.getCanonicalLocales(typed.trim().replaceAll('_', '-'))
    return languageSchema.safeParse(tag).success ? tag : null
  } catch {
    return null
  }
}

export const languageChoices = LANGUAGES.map((value) => ({ value, label: languageName(value) }))
