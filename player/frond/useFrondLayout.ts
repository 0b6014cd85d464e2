// Where things lie on the frond, in the pixels of its drawing.
import { computed, type Ref } from 'vue'
import { msOfX, stackInLanes, xOfMs } from '@fernbrake/core/frond'
import type { FrondPlaces } from './crowd.ts'
import type { FrondCue } from './model.ts'
import { FIRST_LANE, LANE_HEIGHT, LEAF_HEIGHT } from './shapes.ts'

/** What of the frond's properties decides it. */
interface Shown {
  durationMs: number
  cues: readonly FrondCue[]
  window?: { fromMs: number; toMs: number }
  labels?: boolean
  small?: boolean
}

/** Room at both ends, so that rings and leaves are not cut. */
const MARGIN = 14

export function useFrondLayout(props: Shown, fullWidth: Readonly<Ref<number>>) {
  const view = computed(() => ({
    fromMs: props.window?.fromMs ?? 0,
    toMs: props.window?.toMs ?? props.durationMs,
    width: Math.max(10, fullWidth.value - 2 * MARGIN),
  }))
  const msAtX = (left: number) =>
    Math.min(Math.max(0, msOfX(left - MARGIN, view.value)), props.durationMs)

  // The same lanes stay the same object: what hangs on them is then not drawn anew.
  const lanes = computed<Map<string, number>>((known) => {
    const stacked = stackInLanes(props.cues.filter((cue) => cue.kind === 'overlay'))
    return known && isSameMap(known, stacked) ? known : stacked
  })
  const laneCount = computed(() =>
    Math.max(0, ...[...lanes.value.values()].map((lane) => lane + 1)),
  )
  const stemY = computed(() => (props.small ? LEAF_HEIGHT * 0.62 + 3 : LEAF_HEIGHT + 10))
  /** A picture of what is decided, to be asked thousands of times without asking what it hangs on. */
  const places = computed<FrondPlaces>(() => {
    const [window, laneOf, middle] = [view.value, lanes.value, stemY.value]
    const [first, step] = props.small ? [8, 6] : [FIRST_LANE, LANE_HEIGHT]
    return {
      x: (ms) => MARGIN + xOfMs(ms, window),
      laneY: (id) => middle + first + (laneOf.get(id) ?? 0) * step,
      stemY: middle,
    }
  })
  const labelY = computed(() => stemY.value + FIRST_LANE + laneCount.value * LANE_HEIGHT + 12)
  const height = computed(() => {
    if (props.small) return stemY.value + 8 + Math.min(2, laneCount.value) * 7
    if (props.labels) return labelY.value + 8
    return stemY.value + FIRST_LANE + laneCount.value * LANE_HEIGHT + 4
  })
  return { places, msAtX, stemY, labelY, height }
}

const isSameMap = (a: Map<string, number>, b: Map<string, number>) =>
  a.size === b.size && [...a].every(([id, lane]) => b.get(id) === lane)
