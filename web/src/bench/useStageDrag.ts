// Moving, resizing and turning overlays on the stage by pointer and by keys.
import { computed, ref, shallowRef, type Ref } from 'vue'
import {
  alongTurned,
  cornerDrawn,
  degreesTowards,
  edits,
  formOf,
  movedBox,
  movedTogether,
  resizedBox,
  snappedBox,
  snappedCorner,
  type Box,
  type Corner,
  type Guides,
  type OverlayCue,
  type Point,
} from '@fernbrake/core/lesson'
import { followPointer } from '@fernbrake/player'
import { nudgeOf } from '../ui/nudge.ts'
import type { Bench } from './useBench.ts'

type How = 'move' | 'turn' | 'point' | Corner

interface Held {
  how: How
  overlay: OverlayCue
  /** All that move along, the overlay itself among them. */
  along: OverlayCue[]
  x: number
  y: number
}

/** Boxes are held by lines nearer than this, in pixels. */
const SNAP_PX = 7
const DRAG_FROM_PX = 3
const TURN_DEGREES = 5
const TURN_SNAP_DEGREES = 15

/** The ids of those that belong together with an overlay, itself among them; none where it stands alone. */
const groupOf = ({ groupId }: OverlayCue, all: readonly OverlayCue[]): string[] =>
  groupId ? all.filter((one) => one.groupId === groupId).map(({ id }) => id) : []

export function useStageDrag(
  bench: Bench,
  stage: Ref<HTMLElement | null>,
  onStage: Ref<readonly OverlayCue[]>,
) {
  const { draft, selection, rights } = bench
  let held: Held | null = null
  /** What is being changed and not yet an edit, by overlay. */
  const pending = shallowRef<Record<string, Partial<OverlayCue>>>({})
  const guides = ref<Guides>({ x: null, y: null })
  const drawn = computed(() =>
    onStage.value.map((overlay) => ({ ...overlay, ...pending.value[overlay.id] })),
  )

  function selectWith(overlay: OverlayCue, extend: boolean): void {
    const isSelected = selection.selectedIds.value.includes(overlay.id)
    if (isSelected && !extend) return
    const group = groupOf(overlay, onStage.value)
    if (extend || group.length < 2) return selection.select(overlay.id, false, extend)
    selection.selectMany([...group.filter((id) => id !== overlay.id), overlay.id])
  }

  function onDown(event: PointerEvent, overlay: OverlayCue, how: How): void {
    selectWith(overlay, event.shiftKey || event.ctrlKey || event.metaKey)
    if (!rights.canEdit.value || event.button !== 0 || overlay.locked) return
    const along = onStage.value.filter(
      ({ id, locked }) =>
        !locked && (id === overlay.id || selection.selectedIds.value.includes(id)),
    )
    held = { how, overlay, along, x: event.clientX, y: event.clientY }
    followPointer(event, { move: onMove, end: onUp }, { fromPx: DRAG_FROM_PX })
  }

  function onMove(event: PointerEvent): void {
    if (!held || !stage.value) return
    const { width, height, left, top } = stage.value.getBoundingClientRect()
    const [dx, dy] = [(event.clientX - held.x) / width, (event.clientY - held.y) / height]
    const { overlay, how } = held
    const at: Point = { x: (event.clientX - left) / width, y: (event.clientY - top) / height }
    if (how === 'move') return move(dx, dy, { width, height, free: event.altKey })
    if (how === 'turn') return turn(at, width / height, event.altKey)
    if (how === 'point') return point(at)
    const by = alongTurned(dx, dy, overlay.rotation ?? 0, width / height)
    const drawn = cornerDrawn(overlay.box, how, by.x, by.y)
    // The sides of an overlay that is turned lie along no line of the stage.
    const isFree = event.altKey || (overlay.rotation ?? 0) !== 0
    pending.value = {
      [overlay.id]: { box: isFree ? drawn : resize(drawn, how, { width, height }) },
    }
  }

  const othersThan = (ids: ReadonlySet<string>) =>
    onStage.value.filter(({ id }) => !ids.has(id)).map(({ box }) => box)
  const reach = ({ width, height }: { width: number; height: number }) => ({
    x: SNAP_PX / width,
    y: SNAP_PX / height,
  })

  function resize(drawn: Box, corner: Corner, stageIs: { width: number; height: number }): Box {
    const others = othersThan(new Set([held!.overlay.id]))
    const grid = bench.showsGrid.value
    const snapped = snappedCorner(drawn, corner, others, reach(stageIs), grid)
    guides.value = snapped.guides
    return snapped.box
  }

  function move(dx: number, dy: number, stageIs: { width: number; height: number; free: boolean }) {
    const { overlay, along } = held!
    const ids = new Set(along.map(({ id }) => id))
    const wanted = movedBox(overlay.box, dx, dy)
    const snapped = stageIs.free
      ? { box: wanted, guides: { x: null, y: null } }
      : snappedBox(wanted, othersThan(ids), reach(stageIs), bench.showsGrid.value)
    guides.value = snapped.guides
    const [byX, byY] = [snapped.box.x - overlay.box.x, snapped.box.y - overlay.box.y]
    const boxes = movedTogether(
      along.map(({ box }) => box),
      byX,
      byY,
    )
    pending.value = Object.fromEntries(along.map(({ id }, index) => [id, { box: boxes[index]! }]))
  }

  function turn(at: Point, ratio: number, free: boolean): void {
    const { id, box } = held!.overlay
    const rotation = degreesTowards(box, at, ratio, free ? 1 : TURN_SNAP_DEGREES)
    pending.value = { [id]: { rotation } }
  }

  function point(at: Point): void {
    const inside = (share: number) => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000
    pending.value = {
      [held!.overlay.id]: { content: { form: 'label', to: { x: inside(at.x), y: inside(at.y) } } },
    }
  }

  function onUp(): void {
    const changed = pending.value
    const wasHeld = held
    held = null
    pending.value = {}
    guides.value = { x: null, y: null }
    if (!wasHeld || Object.keys(changed).length === 0) return
    const { rotation, content } = changed[wasHeld.overlay.id] ?? {}
    const cueId = wasHeld.overlay.id
    if (rotation !== undefined) draft.make(edits.turnOverlay, { cueId, degrees: rotation })
    else if (content) draft.make(edits.setOverlayForm, { cueId, content })
    else
      draft.make(edits.setOverlayBoxes, {
        boxes: Object.fromEntries(
          Object.entries(changed).flatMap(([id, { box }]) => (box ? [[id, box]] : [])),
        ),
      })
  }

  /** Arrows move what is selected; with Shift they resize the overlay that has the focus, with Alt they turn it. */
  function onKey(event: KeyboardEvent, overlay: OverlayCue): void {
    const by = nudgeOf(event.key)
    if (!by || !rights.canEdit.value || overlay.locked || event.ctrlKey || event.metaKey) return
    event.preventDefault()
    event.stopPropagation()
    const cueId = overlay.id
    if (event.altKey) {
      const step = by[0] + by[1] > 0 ? TURN_DEGREES : -TURN_DEGREES
      const degrees = (overlay.rotation ?? 0) + step
      return void draft.make(edits.turnOverlay, { cueId, degrees })
    }
    if (event.shiftKey)
      return void draft.make(edits.setOverlayBox, { cueId, box: resizedBox(overlay.box, ...by) })
    const along = onStage.value.filter(
      ({ id, locked }) => !locked && (id === cueId || selection.selectedIds.value.includes(id)),
    )
    const moved = movedTogether(
      along.map(({ box }) => box),
      ...by,
    )
    const boxes = Object.fromEntries(along.map(({ id }, index) => [id, moved[index]!]))
    draft.make(edits.setOverlayBoxes, { boxes })
  }

  const pointOf = (overlay: OverlayCue) =>
    formOf(overlay) === 'label' && overlay.content?.form === 'label' ? overlay.content.to : null

  return { drawn, guides, onDown, onKey, pointOf }
}
