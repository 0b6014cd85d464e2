// Where the focus is while a cue is written: in its words as soon as it is placed, and back where it was when its sheet is closed.
import { nextTick, watch } from 'vue'
import type { Selection } from './shared/selection.ts'

/** The field in which the words of the open sheet begin; the first of all where none is marked. */
const firstField = () =>
  document.querySelector<HTMLInputElement | HTMLTextAreaElement>(
    '.side [data-focus="first"] :is(input, textarea)',
  ) ?? document.querySelector<HTMLInputElement | HTMLTextAreaElement>('.side :is(textarea, input)')

const inFocus = () =>
  document.activeElement instanceof HTMLElement ? document.activeElement : document.body

export function useSheetFocus({ placed, selectedId }: Selection): {
  /** Goes into the open sheet. */
  focusSheet(): Promise<void>
} {
  let cameFrom: HTMLElement | null = null

  async function focusSheet(): Promise<void> {
    const before = inFocus()
    if (!before.closest('.side')) cameFrom = before
    await nextTick()
    firstField()?.focus()
  }

  watch(placed, async () => {
    await focusSheet()
    // What a new bookmark or overlay says of itself is written over.
    firstField()?.select()
  })
  watch(selectedId, async (now) => {
    if (now !== null) return
    await nextTick()
    // Whoever has gone on to something else stays there.
    if (inFocus() === document.body && cameFrom?.isConnected) cameFrom.focus()
    cameFrom = null
  })
  return { focusSheet }
}
