// The learner's keys. They never fire while typing or while a control that uses the key itself has the focus.
import { onMounted, onScopeDispose } from 'vue'
import { keysOn } from './singleKeys.ts'

export interface PlayerKeyActions {
  toggle(): void
  step(ms: number): void
  bookmark(direction: 1 | -1): void
  captions(): void
  mute(): void
  fullScreen(): void
  note(): void
}

const TYPING = 'input, textarea, select, [contenteditable="true"]'

const isLetter = (key: string) => key.length === 1 && key !== ' '

/** Whether a key pressed here belongs to the element itself. */
export function belongsToTarget(event: KeyboardEvent): boolean {
  const target = event.target as Element | null
  if (!target?.closest) return false
  if (target.closest(TYPING)) return true
  return (
    (event.key === ' ' || event.key === 'Enter') &&
    target.closest('button, a, [role="tab"]') !== null
  )
}

export function usePlayerKeys(actions: PlayerKeyActions): void {
  const keys: Record<string, () => void> = {
    ' ': () => actions.toggle(),
    k: () => actions.toggle(),
    j: () => actions.step(-10_000),
    l: () => actions.step(10_000),
    ArrowLeft: () => actions.step(-5000),
    ArrowRight: () => actions.step(5000),
    ArrowUp: () => actions.bookmark(-1),
    ArrowDown: () => actions.bookmark(1),
    c: () => actions.captions(),
    m: () => actions.mute(),
    f: () => actions.fullScreen(),
    n: () => actions.note(),
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
    if (!keysOn.value && isLetter(event.key)) return
    const action = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!action || belongsToTarget(event)) return
    event.preventDefault()
    action()
  }
  onMounted(() => document.addEventListener('keydown', onKey))
  onScopeDispose(() => document.removeEventListener('keydown', onKey))
}
