// What the server writes itself, in each language of the interface: mails, cards, reports.
import { inMadeUp, languageOf, type LanguageTag } from '@fernbrake/core/words'
import en from './en.ts'

export type ServerWords = typeof en

/** The types refuse a language without them. */
const WORDS: Record<LanguageTag, ServerWords> = { en, qaa: inMadeUp(en) }

/** The texts of a language. */
export const wordsIn = (language: string): ServerWords => WORDS[languageOf(language)]
