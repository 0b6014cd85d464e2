// Whether single letters act, on the bench, on the marking desk and beside a film; remembered on the device.
// Whoever speaks to the computer, or hits keys by chance, has to be able to switch them off (WCAG 2.2, 2.1.4).
import { ref } from 'vue'
import { keepHere, readKept } from './onDevice.ts'

const WISH_KEY = 'fernbrake-keys'

/** One wish for the whole page; change it with `switchKeys`. */
export const keysOn = ref(readKept(WISH_KEY) !== false)

export function switchKeys(on: boolean): void {
  keysOn.value = on
  keepHere(WISH_KEY, on)
}
