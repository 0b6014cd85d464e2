// The languages that lessons and scripts are offered in, by their names.
import { languageName as nameIn } from '@fernbrake/core/fields'
import { LOCALE } from '../ui/locale.ts'

const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'pt', 'sv', 'ar', 'he', 'ja', 'zh']

/** The name of a language for whoever reads, or its tag where it has none. */
export const languageName = (tag: string): string => nameIn(tag, LOCALE)

export const languageChoices = LANGUAGES.map((value) => ({ value, label: languageName(value) }))
