// Whether single letters act, on the bench, on the marking desk and beside a film; remembered on the device.
// Whoever speaks to the computer, or hits keys by chance, has to be able to switch them off (WCAG 2.2, 2.1.4).
import { ref } from 'vue'

const WISH_KEY = 'fernbrake-keys'

function readWish(): boolean {
  try {
    return localStorage.getItem(WISH_KEY) !== 'off'
  } catch {
    return true
  }
}

/** One wish for the whole page; change it with `switchKeys`. */
export const keysOn = ref(readWish())

export function switchKeys(on: boolean): void {
  keysOn.value = on
  try {
    localStorage.setItem(WISH_KEY, on ? 'on' : 'off')
  } catch {
    // Without storage the wish lasts for this sitting.
  }
}
