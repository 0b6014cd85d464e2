// The application's texts in the reader's language.
import { createI18n } from 'vue-i18n'
import { playerMessages } from '@fernbrake/player'
import en from '../locales/en.ts'

export function createAppI18n(locale: string) {
  return createI18n({
    legacy: false,
    locale,
    fallbackLocale: 'en',
    messages: { en: { ...playerMessages.en, ...en } },
  })
}
