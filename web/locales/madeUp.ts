// The application's texts in the made-up language, from the English ones.
import { inMadeUp } from '@fernbrake/core/words'
import english from './enWithPlayer.ts'

export default inMadeUp(english)
