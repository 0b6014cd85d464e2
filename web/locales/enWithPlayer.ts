// All English texts, those of the player among them.
import { playerMessages } from '@fernbrake/player'
import en from './en.ts'

export default { ...playerMessages.en, ...en }
