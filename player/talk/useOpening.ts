// Something that a button opens in its place: the focus goes in with whoever opened it, and back to the button afterwards.
import { nextTick, ref, type Ref } from 'vue'

/** `isOpen` to begin with is for what was left open; the focus stays where it is then. */
export function useOpening(button: Readonly<Ref<HTMLElement | null>>, isOpenNow = false) {
  const isOpen = ref(isOpenNow)
  const takesFocus = ref(false)
  return {
    isOpen,
    takesFocus,
    open(): void {
      takesFocus.value = true
      isOpen.value = true
    },
    close(): void {
      isOpen.value = false
      void nextTick(() => button.value?.focus())
    },
  }
}
