// A clock that counts only while somebody can see it run.
import { onScopeDispose, watch } from 'vue'
import { nowMs } from '../clock.ts'

/** How often is counted, in ms. */
const COUNT_EVERY_MS = 100

/** Tells how much time passed, again and again while `runs`; call within a scope, with which it ends. */
export function countWhile(runs: () => boolean, onPassed: (ms: number) => void): void {
  let countedMs = 0
  let counting: ReturnType<typeof setInterval> | undefined
  const count = () => {
    const now = nowMs()
    const passed = now - countedMs
    countedMs = now
    // A page that was asleep counts no more than it would have awake.
    if (document.visibilityState === 'visible') onPassed(Math.min(passed, 2 * COUNT_EVERY_MS))
  }
  watch(
    runs,
    (counts) => {
      clearInterval(counting)
      countedMs = nowMs()
      if (counts) counting = setInterval(count, COUNT_EVERY_MS)
    },
    { immediate: true, flush: 'sync' },
  )
  onScopeDispose(() => clearInterval(counting))
}
