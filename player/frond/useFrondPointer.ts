// What a pointer does on a frond: seek on the stem, pick and drag cues, draw a marquee round several.
import { ref, type Ref } from 'vue'
import { followPointer } from '../ui/followPointer.ts'
import type { Marquee } from './crowd.ts'
import type { FrondDrag } from './model.ts'

interface PointerOptions {
  root: Ref<HTMLElement | null>
  /** Time at a place of the page, within the film. */
  msAt(clientX: number): number
  /** The cue of a crowd at a place of the drawing: those are not elements of their own. */
  crowdedAt(at: { x: number; y: number }): string | null
  isEditable(): boolean
  isSeekable(): boolean
  onSeek(ms: number): void
  onPick(id: string, extend: boolean): void
  onDrag(drag: FrondDrag): void
  onMarquee(marquee: Marquee): void
}

/** A drag begins when the pointer has moved this far, in pixels: a click with a shaking hand moves nothing. */
const DRAG_FROM_PX = 3

type Held =
  | {
      kind: 'cue'
      id: string
      part: FrondDrag['part']
      fromMs: number
      fromX: number
      moved: boolean
    }
  | { kind: 'scrub' }
  | { kind: 'marquee'; x: number; y: number }

export function useFrondPointer(options: PointerOptions) {
  const marquee = ref<Marquee | null>(null)
  let held: Held | null = null

  /** Where the pointer is in the frond's own pixels. */
  function placeOf(event: PointerEvent): { x: number; y: number } {
    const { left, top } = options.root.value!.getBoundingClientRect()
    return { x: event.clientX - left, y: event.clientY - top }
  }

  function cueUnder(event: PointerEvent): { id: string; part: FrondDrag['part'] } | null {
    const target = (event.target as Element).closest<SVGElement>('[data-cue]')
    if (target) {
      const { cue, part } = target.dataset as { cue: string; part?: FrondDrag['part'] }
      return { id: cue, part: part ?? 'whole' }
    }
    const id = options.crowdedAt(placeOf(event))
    return id ? { id, part: 'whole' } : null
  }

  function onDown(event: PointerEvent): void {
    if (event.button !== 0) return
    const extend = event.shiftKey || event.ctrlKey || event.metaKey
    followPointer(event, {
      move: onMove,
      end: (last, isKept) => (isKept ? onUp(last) : onCancel()),
    })
    const cue = cueUnder(event)
    if (cue) {
      const { clientX: fromX } = event
      held = { kind: 'cue', ...cue, fromMs: options.msAt(fromX), fromX, moved: false }
      options.onPick(cue.id, extend)
    } else if (event.shiftKey && options.isEditable()) {
      held = { kind: 'marquee', ...placeOf(event) }
    } else if (options.isSeekable()) {
      held = { kind: 'scrub' }
      options.onSeek(options.msAt(event.clientX))
    }
  }

  function onMove(event: PointerEvent): void {
    if (held?.kind === 'scrub') options.onSeek(options.msAt(event.clientX))
    if (held?.kind === 'marquee') marquee.value = rectangle(held, event)
    if (held?.kind !== 'cue' || !options.isEditable()) return
    if (Math.abs(event.clientX - held.fromX) >= DRAG_FROM_PX) held.moved = true
    if (held.moved) options.onDrag(dragOf(held, event, false))
  }

  function onUp(event: PointerEvent): void {
    if (held?.kind === 'cue' && held.moved && options.isEditable())
      options.onDrag(dragOf(held, event, true))
    if (held?.kind === 'marquee' && marquee.value) options.onMarquee(marquee.value)
    letGo()
  }

  function onCancel(): void {
    if (held?.kind === 'cue' && held.moved) {
      const { id, part } = held
      options.onDrag({ id, part, byMs: 0, free: false, done: true })
    }
    letGo()
  }

  function letGo(): void {
    held = null
    marquee.value = null
  }

  function dragOf(
    cue: Extract<Held, { kind: 'cue' }>,
    event: PointerEvent,
    done: boolean,
  ): FrondDrag {
    const byMs = options.msAt(event.clientX) - cue.fromMs
    return { id: cue.id, part: cue.part, byMs, free: event.altKey, done }
  }

  function rectangle(from: { x: number; y: number }, event: PointerEvent): Marquee {
    const { x, y } = placeOf(event)
    return {
      left: Math.min(from.x, x),
      right: Math.max(from.x, x),
      top: Math.min(from.y, y),
      bottom: Math.max(from.y, y),
    }
  }

  return { marquee, onDown }
}
