// The keys of the bench. They never fire while typing, and can be switched off.
import { onMounted, onScopeDispose } from 'vue'
import { usualContent } from '@fernbrake/core/lesson'
import { keysOn } from '@fernbrake/player'
import type { Playhead } from './shared/playhead.ts'
import type { Bench } from './useBench.ts'

/** What acts also where the film is not in sight. */
const EVERYWHERE = new Set(['z', 'y', 'p', '?'])

export interface BenchKeyActions {
  /** Whether what the keys act on is in sight. */
  isHere(): boolean
  zoom(factor: number): void
  zoomAll(): void
  toggleSnap(): void
  findInScript(): void
  showKeys(): void
  focusSheet(): void
  publish(): void
}

const TYPING =
  'input, textarea, select, [contenteditable="true"], [role="listbox"], [role="combobox"], [role="dialog"]'
/** Jumps grow when pressed again within this time, in ms. */
const AGAIN_MS = 900
const JUMPS_MS = [1000, 2000, 5000]
const RATES = [1, 2, 4]

/** Playing by three keys: back, further back when pressed again; on, faster when pressed again; and stop or go. */
function createShuttle(playhead: Playhead) {
  let lastJ = { atMs: -Infinity, count: 0 }

  function back(): void {
    const nowMs = performance.now()
    const count = nowMs - lastJ.atMs < AGAIN_MS ? Math.min(lastJ.count + 1, JUMPS_MS.length - 1) : 0
    lastJ = { atMs: nowMs, count }
    playhead.film.value?.setRate(1)
    playhead.seek(playhead.mediaMs.value - JUMPS_MS[count]!)
  }

  function on(): void {
    const film = playhead.film.value
    if (!film) return
    const { paused, rate } = film.snapshot()
    const faster = RATES[Math.min(RATES.length - 1, RATES.indexOf(rate) + 1)]!
    film.setRate(paused ? 1 : faster)
    if (paused) playhead.toggle()
  }

  function toggle(): void {
    playhead.film.value?.setRate(1)
    playhead.toggle()
  }
  return { back, on, toggle }
}

/** With Shift a label, which is what is placed most often beside plain words. */
const overlayBy = ({ shiftKey }: KeyboardEvent) =>
  shiftKey ? { content: usualContent('label') } : {}

const CLOSED_LIST = '[role="combobox"][aria-expanded="false"]'
const leavesClosedList = ({ key, target }: KeyboardEvent) =>
  key === 'Escape' &&
  (target as Element).matches(CLOSED_LIST) &&
  !(target as Element).closest('[role="dialog"]')

export function useBenchKeys(bench: Bench, actions: BenchKeyActions): void {
  const { playhead, selection } = bench
  const { back, on, toggle } = createShuttle(playhead)
  const single: Record<string, (event: KeyboardEvent) => void> = {
    ' ': toggle,
    k: toggle,
    j: back,
    l: on,
    ArrowLeft: (event) =>
      event.shiftKey ? playhead.seek(playhead.mediaMs.value - 1000) : playhead.step(-1),
    ArrowRight: (event) =>
      event.shiftKey ? playhead.seek(playhead.mediaMs.value + 1000) : playhead.step(1),
    ArrowUp: () => selection.toCue(-1),
    ArrowDown: () => selection.toCue(1),
    q: () => bench.acts.place('question'),
    o: (event) => bench.acts.place('overlay', undefined, overlayBy(event)),
    b: () => bench.acts.place('bookmark'),
    f: () => bench.acts.place('fork'),
    n: () => bench.acts.place('note'),
    ',': (event) => bench.acts.nudge(event.shiftKey ? -10 : -1),
    '<': () => bench.acts.nudge(-10),
    '.': (event) => bench.acts.nudge(event.shiftKey ? 10 : 1),
    '>': () => bench.acts.nudge(10),
    s: () => actions.toggleSnap(),
    '[': () => bench.acts.setEdge('in'),
    ']': () => bench.acts.setEdge('out'),
    Enter: () => actions.focusSheet(),
    Delete: () => bench.acts.remove(),
    Backspace: () => bench.acts.remove(),
    '+': () => actions.zoom(1.6),
    '=': () => actions.zoom(1.6),
    '-': () => actions.zoom(1 / 1.6),
    '0': () => actions.zoomAll(),
    p: () => actions.publish(),
    '?': () => actions.showKeys(),
  }

  const withControl: Record<string, (event: KeyboardEvent) => void> = {
    z: (event) => (event.shiftKey ? bench.draft.redo() : bench.draft.undo()),
    y: () => bench.draft.redo(),
    d: () => bench.acts.duplicate(),
    a: () => selection.selectMany(selection.cues.value.map(({ id }) => id)),
    '/': () => actions.findInScript(),
  }

  function onKey(event: KeyboardEvent): void {
    if (event.altKey || event.defaultPrevented) return
    const target = event.target as Element
    if (event.key === 'Escape' && selection.selectedId.value && !target.closest('[role="dialog"]'))
      return leaveSheet(target)
    if (target.closest(TYPING)) return
    const controlled = event.ctrlKey || event.metaKey
    if (!controlled && !keysOn.value && event.key !== '?') return
    const pressesIt = event.key === ' ' || event.key === 'Enter'
    if (pressesIt && target.closest('button, a, summary, [role="tab"]')) return
    const name = event.key.length === 1 ? event.key.toLowerCase() : event.key
    const action = controlled ? withControl[name] : single[name]
    if (!action || !(actions.isHere() || EVERYWHERE.has(name))) return
    event.preventDefault()
    action(event)
  }

  function leaveSheet(target: Element): void {
    if (target instanceof HTMLElement) target.blur()
    selection.select(null)
  }

  /** A list that is closed has nothing to leave, yet keeps the key to itself: it is met on its way there. */
  function onWayIn(event: KeyboardEvent): void {
    if (!selection.selectedId.value || !leavesClosedList(event)) return
    event.stopPropagation()
    leaveSheet(event.target as Element)
  }

  onMounted(() => {
    document.addEventListener('keydown', onKey)
    document.addEventListener('keydown', onWayIn, { capture: true })
  })
  onScopeDispose(() => {
    document.removeEventListener('keydown', onKey)
    document.removeEventListener('keydown', onWayIn, { capture: true })
  })
}
