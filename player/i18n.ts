// The player's texts in the reader's language; English where a language is missing.
import { createI18n } from 'vue-i18n'
import en from './locales/en.ts'

/** Which form a figure takes: one, or many; a fraction such as 0.5 counts as many (“0.5 marks”). */
export const pluralOf = (figure: number): number => (figure === 1 ? 1 : 2)

/** What a learner's page needs at once; other texts come with what they are of (`addMessages`, locales/talk.ts). */
const playerMessages = { en: { player: en } }

const create = (locale: string) =>
  createI18n({ legacy: false, locale, fallbackLocale: 'en', messages: playerMessages })
/** That of this page. */
let own: ReturnType<typeof create> | null = null

export function createPlayerI18n(locale: string) {
  own = create(locale)
  return own
}

/** Adds the player's texts in English that travel apart; an application that embeds it has them all (allMessages.ts). */
export const addMessages = (more: object): void =>
  own?.global.mergeLocaleMessage('en', { player: more } as never)
