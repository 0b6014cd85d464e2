// Dragging cues in time on the frond: one edge, or all that is selected, held by what lies near.
import { computed, ref, shallowRef, type Ref } from 'vue'
import { nearestPoint, snapPoints, snapShift, type SnapPoint } from '@fernbrake/core/frond'
import { boundedShift, cueEndMs, cueStartMs, edits, type Cue } from '@fernbrake/core/lesson'
import { frameAt, msOfFrame } from '@fernbrake/core/media'
import type { FrondDrag } from '@fernbrake/player'
import type { Bench } from './useBench.ts'

/** What is dragged is held by a point this near, in pixels. */
const REACH_PX = 8
/** An overlay is not dragged shorter than this, in ms. */
const SHORTEST_MS = 40

export interface Place {
  fromMs: number
  toMs: number
}

/** What a drag does: everything moves by so much, or one cue gets other edges. */
interface Outcome {
  shift: number
  place: Place | null
  snappedMs: number | null
}

/** `msPerPx` says how much film a pixel of the frond is. */
export function useFrondDrag(bench: Bench, msPerPx: Ref<number>) {
  const { playhead, reading, selection } = bench
  const drag = shallowRef<FrondDrag | null>(null)
  const snaps = ref(true)

  const movedIds = computed(() => {
    const { id } = drag.value ?? { id: null }
    if (id === null) return []
    return selection.selectedIds.value.includes(id) ? selection.selectedIds.value : [id]
  })

  /** Everything in the film that may hold what is dragged, itself left out. */
  const points = computed<SnapPoint[]>(() => {
    const moved = new Set(movedIds.value)
    const at = (kind: SnapPoint['kind'], ...times: number[]) => times.map((ms) => ({ ms, kind }))
    return snapPoints([
      ...at('cue', 0, playhead.durationMs.value),
      ...playhead.times.shots.value.flatMap((ms) => at('shot', ms)),
      ...selection.cues.value
        .filter(({ id }) => !moved.has(id))
        .flatMap((cue) =>
          cue.kind === 'bookmark'
            ? at('bookmark', cue.atMs)
            : at('cue', cueStartMs(cue), cueEndMs(cue)),
        ),
      ...reading.lines.value.flatMap(({ fromMs, toMs }) => at('line', fromMs, toMs)),
      ...playhead.times.pauses.value.flatMap(({ fromMs, toMs }) => at('pause', fromMs, toMs)),
    ])
  })

  const onFrame = (ms: number) =>
    msOfFrame(frameAt(Math.max(0, ms), playhead.frameRate.value), playhead.frameRate.value)
  const reachMs = (by: FrondDrag) => (snaps.value && !by.free ? REACH_PX * msPerPx.value : -1)

  /** Everything that is dragged moves, to a point or to a whole frame of the cue in hand. */
  function moved(by: FrondDrag, cue: Cue): Outcome {
    const cues = movedIds.value.flatMap((id) => bench.lesson.value.cues[id] ?? [])
    const edges = cues.flatMap((one) => [cueStartMs(one), cueEndMs(one)])
    const snapped = snapShift(points.value, edges, by.byMs, reachMs(by))
    const startMs = cueStartMs(cue)
    const wanted = snapped.point ? snapped.byMs : onFrame(startMs + by.byMs) - startMs
    const shift = boundedShift(bench.lesson.value, cues, wanted)
    return { shift, place: null, snappedMs: snapped.point?.ms ?? null }
  }

  /** One edge of a cue moves, and does not come nearer to the other than a frame or so. */
  function stretched(by: FrondDrag, cue: Cue): Outcome {
    const [fromMs, toMs] = [cueStartMs(cue), cueEndMs(cue)]
    const edge = by.part === 'start' ? fromMs : toMs
    const point = nearestPoint(points.value, edge + by.byMs, reachMs(by))
    const ms = point ? point.ms : onFrame(edge + by.byMs)
    const place =
      by.part === 'start'
        ? { fromMs: Math.max(0, Math.min(ms, toMs - SHORTEST_MS)), toMs }
        : { fromMs, toMs: Math.min(playhead.durationMs.value, Math.max(ms, fromMs + SHORTEST_MS)) }
    return { shift: 0, place, snappedMs: point?.ms ?? null }
  }

  /** What the drag would do if it ended now. */
  const outcome = computed<Outcome | null>(() => {
    const by = drag.value
    const cue = by && bench.lesson.value.cues[by.id]
    if (!by || !cue) return null
    return by.part === 'whole' ? moved(by, cue) : stretched(by, cue)
  })
  const snappedMs = computed(() => outcome.value?.snappedMs ?? null)

  /** Where a cue lies, as far as it is being dragged. */
  function placeOf(cue: Cue): Place {
    const [fromMs, toMs] = [cueStartMs(cue), cueEndMs(cue)]
    const now = outcome.value
    if (now?.place) return drag.value!.id === cue.id ? now.place : { fromMs, toMs }
    const shift = now && movedIds.value.includes(cue.id) ? now.shift : 0
    return { fromMs: fromMs + shift, toMs: toMs + shift }
  }

  function onDrag(next: FrondDrag): void {
    drag.value = next
    const cue = bench.lesson.value.cues[next.id]
    const now = outcome.value
    if (!cue || !now) return
    const { place, shift } = now
    playhead.film.value?.pause()
    playhead.seek(next.part === 'end' ? placeOf(cue).toMs : placeOf(cue).fromMs)
    if (!next.done) return
    const cueIds = movedIds.value
    drag.value = null
    if (next.byMs === 0) return
    if (place) bench.draft.make(edits.setOverlaySpan, { cueId: cue.id, ...place })
    else if (shift !== 0) bench.draft.make(edits.moveCues, { cueIds, byMs: shift })
  }

  return { snaps, snappedMs, placeOf, onDrag }
}
