// Going on by key: from one region of the bench to the next (head, parts, stage, frond, and what stands beside them), and within a sheet
// from one group of fields to the next.
import { onMounted, onScopeDispose } from 'vue'

const REGION = '[data-region]'
const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [contenteditable="true"], [tabindex="0"], summary'
const SHEET = '.side'
const GROUP = 'fieldset, .fold'
/** What is in hand in a region, rather than the first that stands there. */
const IN_HAND = '.handle.selected, [data-focus="first"] :is(input, textarea)'

export function useRegions(): void {
  /** Where the focus was in each region when it was left. */
  const left = new WeakMap<Element, HTMLElement>()

  /** From the fields of one group of a sheet to the first of the next. */
  function onGroupKey(event: KeyboardEvent): void {
    const by = event.key === 'PageDown' ? 1 : event.key === 'PageUp' ? -1 : 0
    const sheet = document.activeElement?.closest(SHEET)
    if (by === 0 || !event.altKey || event.ctrlKey || !sheet) return
    event.preventDefault()
    const groups = [...sheet.querySelectorAll(GROUP)]
    const isBefore = (group: Element) =>
      (group.compareDocumentPosition(document.activeElement!) &
        (Node.DOCUMENT_POSITION_FOLLOWING | Node.DOCUMENT_POSITION_CONTAINED_BY)) !==
      0
    const at = groups.findLastIndex(isBefore)
    const next = by > 0 ? groups[at + 1] : groups[Math.max(0, at - 1)]
    next?.querySelector<HTMLElement>(FOCUSABLE)?.focus()
  }

  function onKey(event: KeyboardEvent): void {
    onGroupKey(event)
    if (event.key !== 'F6' || event.ctrlKey || event.altKey || event.metaKey) return
    if (document.querySelector('[role="dialog"]')) return
    event.preventDefault()
    const regions = [...document.querySelectorAll(REGION)]
    const now = document.activeElement
    const at = regions.findIndex((region) => region.contains(now))
    if (at >= 0 && now instanceof HTMLElement) left.set(regions[at]!, now)
    goFrom(regions, at, event.shiftKey ? -1 : 1)
  }

  /** To the next region in which anything can take the focus, round and round. */
  function goFrom(regions: Element[], at: number, by: 1 | -1): void {
    const first = at < 0 ? (by > 0 ? 0 : regions.length - 1) : at + by
    for (let step = 0; step < regions.length; step += 1) {
      const index = (first + step * by + 2 * regions.length) % regions.length
      const target = targetIn(regions[index]!)
      if (target) return target.focus()
    }
  }

  function targetIn(region: Element): HTMLElement | null {
    const inHand = region.querySelector<HTMLElement>(IN_HAND)
    const before = left.get(region)
    if (inHand?.matches('.handle')) return inHand
    if (before?.isConnected) return before
    return inHand ?? region.querySelector<HTMLElement>(FOCUSABLE)
  }

  onMounted(() => document.addEventListener('keydown', onKey))
  onScopeDispose(() => document.removeEventListener('keydown', onKey))
}
