// The application's texts in the made-up language, from the English ones.
import { inMadeUp } from '@fernbrake/core/words'
import { playerMessages } from '@fernbrake/player'
import en from './en.ts'

export default inMadeUp({ ...playerMessages.en, ...en })
