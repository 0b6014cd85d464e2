// The texts of the talk by language. They travel with the talk, not with the player.
import talk from './enTalk.ts'

export const talkMessages = { en: { player: { talk } } }
