// The player's texts in the reader's language; English where a language is missing.
import { createI18n } from 'vue-i18n'
import en from './locales/en.ts'

/** Which form a figure takes: one, or many; a fraction such as 0.5 counts as many (“0.5 marks”). */
export const pluralOf = (figure: number): number => (figure === 1 ? 1 : 2)

/** What a learner's page needs at once; the texts of the talk come with it (see locales/talk.ts). */
const playerMessages = { en: { player: en } }

export function createPlayerI18n(locale: string) {
  return createI18n({ legacy: false, locale, fallbackLocale: 'en', messages: playerMessages })
}
