// Messages of the player by language, for applications that embed it or parts of it.
import en from './locales/en.ts'
import further from './locales/enFurther.ts'
import quiz from './locales/enQuiz.ts'
import { talkMessages } from './locales/talk.ts'

export const playerMessages = {
  en: { player: { ...en, ...further, ...quiz, ...talkMessages.en.player } },
}
