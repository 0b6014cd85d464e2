// Where things lie on the frond, in the pixels of its drawing.
import { computed, type Ref } from 'vue'
import { msOfX, stackInLanes, xOfMs } from '@fernbrake/core/frond'
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
  const x = (ms: number) => MARGIN + xOfMs(ms, view.value)
  const msAtX = (left: number) =>
    Math.min(Math.max(0, msOfX(left - MARGIN, view.value)), props.durationMs)

  const lanes = computed(() => stackInLanes(props.cues.filter((cue) => cue.kind === 'overlay')))
  const laneCount = computed(() =>
    Math.max(0, ...[...lanes.value.values()].map((lane) => lane + 1)),
  )
  const stemY = computed(() => (props.small ? LEAF_HEIGHT * 0.62 + 3 : LEAF_HEIGHT + 10))
  const laneY = (id: string) =>
    stemY.value +
    (props.small ? 8 : FIRST_LANE) +
    (lanes.value.get(id) ?? 0) * (props.small ? 6 : LANE_HEIGHT)
  const labelY = computed(() => stemY.value + FIRST_LANE + laneCount.value * LANE_HEIGHT + 12)
  const height = computed(() => {
    if (props.small) return stemY.value + 8 + Math.min(2, laneCount.value) * 7
    if (props.labels) return labelY.value + 8
    return stemY.value + FIRST_LANE + laneCount.value * LANE_HEIGHT + 4
  })
  const scale = computed(() => (props.small ? 0.6 : 1))
  return { view, x, msAtX, lanes, laneY, stemY, scale, labelY, height }
}
