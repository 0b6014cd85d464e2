// Marking words on a page: from what is selected to a place that can be kept, and from kept places to marks on the words.
// Marks are painted by the browser over the words (CSS Custom Highlight API), so the page itself stays as it is.
import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import { findQuote, type NotePlace, type OwnNote } from '@fernbrake/core/notes'

type WordsPlace = Extract<NotePlace, { on: 'words' }>

/** The name under which the style sheet colours the marks. */
const MARKS = 'own-notes'

const blockOf = (node: Node | null): HTMLElement | null => {
  const element = node instanceof Element ? node : node?.parentElement
  return element?.closest<HTMLElement>('[data-block]') ?? null
}

/** The place that is selected, if it lies in one block; a selection that goes on into the next ends with the first. */
export function placeSelected(selection: Selection | null, root: HTMLElement): WordsPlace | null {
  if (!selection || selection.rangeCount === 0 || selection.isCollapsed) return null
  const range = selection.getRangeAt(0)
  const block = blockOf(range.startContainer)
  if (!block || !root.contains(block)) return null
  const said = block.textContent
  const from = offsetIn(block, range.startContainer, range.startOffset)
  const ends = block.contains(range.endContainer)
  const to = ends ? offsetIn(block, range.endContainer, range.endOffset) : said.length
  const quote = said.slice(from, to)
  return quote.trim() === ''
    ? null
    : { on: 'words', blockId: block.dataset.block!, from, to, quote }
}

function offsetIn(block: HTMLElement, node: Node, offset: number): number {
  const before = document.createRange()
  before.selectNodeContents(block)
  before.setEnd(node, offset)
  return before.toString().length
}

/** The words of a place on the page; null where they are not there. */
export function rangeOf(place: WordsPlace, root: HTMLElement): Range | null {
  const block = root.querySelector<HTMLElement>(`[data-block="${CSS.escape(place.blockId)}"]`)
  const found = block && findQuote(block.textContent, place)
  if (!found) return null
  const range = document.createRange()
  const walker = document.createTreeWalker(block, NodeFilter.SHOW_TEXT)
  let at = 0
  let isOpen = false
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const end = at + node.textContent!.length
    if (!isOpen && found.from < end) {
      range.setStart(node, found.from - at)
      isOpen = true
    }
    if (isOpen && found.to <= end) {
      range.setEnd(node, found.to - at)
      return range
    }
    at = end
  }
  return null
}

/** Keeps the marks on the page as the notes are, and tells what is selected on it, while there is something. */
export function useMarking(root: Readonly<Ref<HTMLElement | null>>, notes: () => OwnNote[]) {
  const selected = shallowRef<{ place: WordsPlace; box: DOMRect } | null>(null)
  const canPaint = 'highlights' in CSS

  function paint(): void {
    if (!canPaint || !root.value) return
    const ranges = notes().flatMap(({ place }) =>
      place.on === 'words' ? (rangeOf(place, root.value!) ?? []) : [],
    )
    CSS.highlights.set(MARKS, new Highlight(...ranges))
  }
  function look(): void {
    const selection = document.getSelection()
    const place = root.value && placeSelected(selection, root.value)
    // Pressing a button beside takes the selection away in some browsers; what was selected is still meant then.
    if (!place && document.activeElement?.closest('[data-keeps-selection]')) return
    selected.value = place ? { place, box: selection!.getRangeAt(0).getBoundingClientRect() } : null
  }
  watch([root, notes], paint, { flush: 'post', immediate: true })
  // What is selected moves with the page under it.
  const onScroll = () => void (selected.value && look())
  document.addEventListener('selectionchange', look)
  document.addEventListener('scroll', onScroll, { capture: true, passive: true })
  onScopeDispose(() => {
    document.removeEventListener('selectionchange', look)
    document.removeEventListener('scroll', onScroll, { capture: true })
    if (canPaint) CSS.highlights.delete(MARKS)
  })
  return {
    selected,
    unselect() {
      document.getSelection()?.removeAllRanges()
      selected.value = null
    },
  }
}
