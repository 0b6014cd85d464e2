// The application's texts in the reader's language. Those of the pages on which people come in travel with the first page, the others
// with what they are of.
import { registerMessageCompiler, type MessageCompiler } from '@intlify/core-base'
import { createI18n } from 'vue-i18n'
import { compileMessage, languageOf, pluralRule, type LanguageTag } from '@fernbrake/core/words'
import entry from '../locales/enEntry.ts'

/** The other languages, each with the player's texts; fetched before the application is shown. */
const OTHERS: Record<Exclude<LanguageTag, 'en'>, () => Promise<{ default: object }>> = {
  qaa: () => import('../locales/madeUp.ts'),
}

registerMessageCompiler(compileMessage as unknown as MessageCompiler)

/** Answers once the texts of the page's language are there; without them it speaks English, of which the entry's texts are there. */
export async function createAppI18n(tag: string) {
  const locale = languageOf(tag)
  const texts = locale === 'en' ? null : await OTHERS[locale]().catch(() => null)
  return createI18n({
    legacy: false,
    locale,
    fallbackLocale: 'en',
    messages: { en: entry, ...(texts ? { [locale]: texts.default as typeof entry } : {}) },
    pluralRules: { en: pluralRule('en'), [locale]: pluralRule(locale) },
  })
}

export type AppI18n = Awaited<ReturnType<typeof createAppI18n>>

/** Adds all other English texts, with the player's; what could not be fetched is fetched when it is asked for again. */
export async function addFurtherTexts({ global }: AppI18n): Promise<void> {
  const { default: texts } = await import('../locales/enWithPlayer.ts')
  global.mergeLocaleMessage('en', texts)
}
