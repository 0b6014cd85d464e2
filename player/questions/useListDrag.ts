// Dragging the lines of a list to other places, with a mouse, a finger or a pen.
import { onScopeDispose, ref, type Ref } from 'vue'
import { followPointer } from '../ui/followPointer.ts'

/**
 * `list` is the element whose children are the lines; `move(from, to)` is called while a line is dragged past others.
 * `dragged` is the place of the line that is in hand, or null.
 */
export function useListDrag(
  list: Readonly<Ref<HTMLElement | null>>,
  move: (from: number, to: number) => void,
): { dragged: Ref<number | null>; begin(event: PointerEvent, at: number): void } {
  const dragged = ref<number | null>(null)
  let stop: () => void = () => undefined

  function onMove(event: PointerEvent): void {
    if (dragged.value === null || !list.value) return
    event.preventDefault()
    const lines = [...list.value.children]
    const from = dragged.value
    const to = lines.findIndex((line, index) => {
      const { top, height } = line.getBoundingClientRect()
      // A line is passed once its middle is, so that lines of unlike heights do not flutter.
      return index < from ? event.clientY < top + height / 2 : event.clientY < top + height
    })
    const target = to < 0 ? lines.length - 1 : to
    if (target === from) return
    const { top, height } = lines[target]!.getBoundingClientRect()
    if (target > from && event.clientY < top + height / 2) return
    dragged.value = target
    move(from, target)
  }

  onScopeDispose(() => stop())

  return {
    dragged,
    begin(event, at) {
      if (event.button !== 0) return
      event.preventDefault()
      dragged.value = at
      const end = () => void (dragged.value = null)
      // A line that is moved is put into another place of the page.
      stop = followPointer(event, { move: onMove, end }, { captures: false })
    },
  }
}
