// The player's texts in the reader's language; English where a language is missing.
import { createI18n } from 'vue-i18n'
import en from './locales/en.ts'

/** Messages of the player by language, for embedding applications. */
export const playerMessages = { en: { player: en } }

export function createPlayerI18n(locale: string) {
  return createI18n({ legacy: false, locale, fallbackLocale: 'en', messages: playerMessages })
}
