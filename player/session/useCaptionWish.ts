// Whether a learner wants captions; remembered on the device.
import { ref, watch, type Ref } from 'vue'

const CAPTIONS_KEY = 'fernbrake-captions'

/** On until they are switched off. */
export function useCaptionWish(): Ref<boolean> {
  const wish = ref(read())
  watch(wish, keep)
  return wish
}

function read(): boolean {
  try {
    return localStorage.getItem(CAPTIONS_KEY) !== 'off'
  } catch {
    return true
  }
}

function keep(on: boolean): void {
  try {
    localStorage.setItem(CAPTIONS_KEY, on ? 'on' : 'off')
  } catch {
    // Storage may be switched off; the wish then lasts for this sitting.
  }
}
