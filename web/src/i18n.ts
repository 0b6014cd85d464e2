// The application's texts in the reader's language.
import { createI18n } from 'vue-i18n'
import { languageOf, pluralRule, type LanguageTag } from '@fernbrake/core/words'
import { playerMessages } from '@fernbrake/player'
import en from '../locales/en.ts'

/** The other languages, each with the player's texts; fetched before the application is shown. */
const OTHERS: Record<Exclude<LanguageTag, 'en'>, () => Promise<{ default: object }>> = {
  qaa: () => import('../locales/madeUp.ts'),
}

/** Answers once the texts of the page's language are there; without them it speaks English. */
export async function createAppI18n(tag: string) {
  const locale = languageOf(tag)
  const texts = locale === 'en' ? null : await OTHERS[locale]().catch(() => null)
  return createI18n({
    legacy: false,
    locale,
    fallbackLocale: 'en',
    messages: {
      en: { ...playerMessages.en, ...en },
      ...(texts ? { [locale]: texts.default as typeof en & typeof playerMessages.en } : {}),
    },
    pluralRules: { en: pluralRule('en'), [locale]: pluralRule(locale) },
  })
}
