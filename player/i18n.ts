// The player's texts in the reader's language; English where a language is missing.
import { registerMessageCompiler, type MessageCompiler } from '@intlify/core-base'
import { createI18n } from 'vue-i18n'
import { compileMessage, languageOf, pluralRule, type LanguageTag } from '@fernbrake/core/words'
import en from './locales/en.ts'

/** What a learner's page needs at once; other texts come with what they are of (`addMessages`, locales/talk.ts). */
const playerMessages = { en: { player: en } }

/** How texts come to be in the other languages: fetched, or made of the English ones. */
type InOther = (english: object) => object
const OTHERS: Record<Exclude<LanguageTag, 'en'>, () => Promise<InOther>> = {
  qaa: async () => (await import('./locales/madeUp.ts')).inMadeUp,
}

registerMessageCompiler(compileMessage as unknown as MessageCompiler)

const create = (locale: LanguageTag) =>
  createI18n({
    legacy: false,
    locale,
    fallbackLocale: 'en',
    messages: playerMessages,
    pluralRules: { [locale]: pluralRule(locale) },
  })
/** That of this page. */
let own: ReturnType<typeof create> | null = null
let inOther: InOther | null = null

/** Answers once the texts of the page's language are there; without them it speaks English. */
export async function createPlayerI18n(tag: string) {
  const locale = languageOf(tag)
  own = create(locale)
  inOther = locale === 'en' ? null : await OTHERS[locale]().catch(() => null)
  if (inOther) addTo(locale, { player: inOther(en) })
  return own
}

/** Adds the player's texts that travel apart; an application that embeds it has them all (allMessages.ts). */
export function addMessages(english: object): void {
  addTo('en', { player: english })
  if (own && inOther) addTo(own.global.locale.value, { player: inOther(english) })
}

const addTo = (locale: string, messages: object) =>
  own?.global.mergeLocaleMessage(locale, messages as never)
