// Stretches of film in texts and on pages: inside a sitting they are played by the player itself, so that what is watched is
// recorded as watched.
import { provide } from 'vue'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { STRETCHES } from '../questions/answerView.ts'
import StretchBlock from './page/StretchBlock.vue'

export function provideStretches(host: Host, opened: OpenedLesson): void {
  provide(STRETCHES, { host, opened, view: StretchBlock })
}
