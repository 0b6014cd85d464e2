// Pulling a line from the foot of one part to another, by mouse, pen or finger.
import { shallowRef } from 'vue'
import type { XYPosition } from '@vue-flow/core'
import { followPointer } from '@fernbrake/player'

/** A line on its way, in the map's own coordinates. */
export interface Pull {
  fromId: string
  from: XYPosition
  to: XYPosition
  /** What it would lead to if it were let go now. */
  overId: string | null
}

export function usePull(
  onMap: (screen: XYPosition) => XYPosition,
  drawn: (fromId: string, toId: string) => void,
) {
  const pull = shallowRef<Pull | null>(null)
  const nodeAt = ({ clientX, clientY }: PointerEvent, fromId: string): string | null => {
    const under = document.elementsFromPoint(clientX, clientY)
    const nodes = under.flatMap((one) => one.closest<HTMLElement>('[data-node]') ?? [])
    return nodes.find((node) => node.dataset.node !== fromId)?.dataset.node ?? null
  }
  const placeOf = ({ clientX, clientY }: PointerEvent) => onMap({ x: clientX, y: clientY })

  function begin(event: PointerEvent, fromId: string): void {
    if (event.button !== 0) return
    const foot = event.currentTarget as HTMLElement
    const { left, top, width, height } = foot.getBoundingClientRect()
    const from = onMap({ x: left + width / 2, y: top + height / 2 })
    pull.value = { fromId, from, to: from, overId: null }
    followPointer(event, {
      move,
      end: (last, isKept) => (isKept ? end(last) : void (pull.value = null)),
    })
  }
  function move(event: PointerEvent): void {
    if (!pull.value) return
    const overId = nodeAt(event, pull.value.fromId)
    pull.value = { ...pull.value, to: placeOf(event), overId }
  }
  function end(event: PointerEvent): void {
    if (!pull.value) return
    const { fromId } = pull.value
    const toId = nodeAt(event, fromId)
    pull.value = null
    if (toId !== null) drawn(fromId, toId)
  }
  return { pull, begin }
}
