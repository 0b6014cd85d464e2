// One pointer from a press until it is let go: a mouse, a finger or a pen.

export interface PointerSteps {
  move(event: PointerEvent): void
  /** `isKept` is false where it was cut off: by the system, or because the window lost it. */
  end(event: PointerEvent, isKept: boolean): void
}

/**
 * Follows the pointer of a press; answers with how to stop before it is let go. `fromPx` is how far it has to move before it is
 * a drag: a press that trembles is none. It is captured by what was pressed, so that no frame under it takes it away; not
 * (`captures`) where what was pressed moves about in the page, which would let go of it.
 */
export function followPointer(
  down: PointerEvent,
  steps: PointerSteps,
  { fromPx = 0, captures = true }: { fromPx?: number; captures?: boolean } = {},
): () => void {
  const { pointerId, clientX, clientY } = down
  if (captures) (down.currentTarget as Element).setPointerCapture(pointerId)
  let hasBegun = fromPx === 0
  const onMove = (event: PointerEvent) => {
    if (event.pointerId !== pointerId) return
    hasBegun ||= Math.hypot(event.clientX - clientX, event.clientY - clientY) >= fromPx
    if (hasBegun) steps.move(event)
  }
  const onEnd = (event: PointerEvent) => {
    if (event.pointerId !== pointerId) return
    stop()
    steps.end(event, event.type === 'pointerup')
  }
  const heard = [
    ['pointermove', onMove],
    ['pointerup', onEnd],
    ['pointercancel', onEnd],
  ] as const
  const stop = () =>
    heard.forEach(([name, listener]) => document.removeEventListener(name, listener))
  heard.forEach(([name, listener]) => document.addEventListener(name, listener))
  return stop
}
