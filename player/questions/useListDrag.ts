// Dragging the lines of a list to other places, with a mouse, a finger or a pen.
import { onScopeDispose, ref, type Ref } from 'vue'

/**
 * `list` is the element whose children are the lines; `move(from, to)` is called while a line is dragged past others.
 * `dragged` is the place of the line that is in hand, or null.
 */
export function useListDrag(
  list: Readonly<Ref<HTMLElement | null>>,
  move: (from: number, to: number) => void,
): { dragged: Ref<number | null>; begin(event: PointerEvent, at: number): void } {
  const dragged = ref<number | null>(null)
  let pointer: number | null = null

  function onMove(event: PointerEvent): void {
    if (event.pointerId !== pointer || dragged.value === null || !list.value) return
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

  function end(event: PointerEvent): void {
    if (event.pointerId !== pointer) return
    pointer = null
    dragged.value = null
    stop()
  }

  function stop(): void {
    document.removeEventListener('pointermove', onMove)
    document.removeEventListener('pointerup', end)
    document.removeEventListener('pointercancel', end)
  }
  onScopeDispose(stop)

  return {
    dragged,
    begin(event, at) {
      if (event.button !== 0) return
      event.preventDefault()
      pointer = event.pointerId
      dragged.value = at
      document.addEventListener('pointermove', onMove)
      document.addEventListener('pointerup', end)
      document.addEventListener('pointercancel', end)
    },
  }
}
