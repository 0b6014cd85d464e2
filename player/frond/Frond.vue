<script setup lang="ts">
// The frond: one drawing of a film's time. Used small on cards, for playing, for editing and for results.
import { computed, ref } from 'vue'
import FrondCrowd from './FrondCrowd.vue'
import FrondMark from './FrondMark.vue'
import { cueAt, cuesIn, partCrowd } from './crowd.ts'
import { useElementWidth } from './useElementWidth.ts'
import { placeLabels } from '@fernbrake/core/frond'
import type { FrondCue, FrondDrag, FrondWatching, Span } from './model.ts'
import { useFrondLayout } from './useFrondLayout.ts'
import { useFrondPointer } from './useFrondPointer.ts'
import { RING_RADIUS, thicknessPath } from './shapes.ts'

const props = withDefaults(
  defineProps<{
    durationMs: number
    cues: readonly FrondCue[]
    window?: { fromMs: number; toMs: number }
    playheadMs?: number | null
    covered?: readonly Span[]
    watching?: FrondWatching | null
    selectedIds?: readonly string[]
    /** Where something that is dragged has taken hold, in ms. */
    snappedMs?: number | null
    /** Cues can be picked up and moved. */
    editable?: boolean
    /** A click on the stem asks for that time. */
    seekable?: boolean
    labels?: boolean
    small?: boolean
  }>(),
  {
    window: undefined,
    playheadMs: null,
    covered: () => [],
    watching: null,
    selectedIds: () => [],
    snappedMs: null,
    labels: true,
  },
)

const emit = defineEmits<{
  seek: [ms: number]
  pick: [id: string, extend: boolean]
  drag: [drag: FrondDrag]
  /** The cues that a rectangle was drawn round. */
  marquee: [ids: string[]]
}>()

/** A cue shows so far beside its place. */
const BESIDE_PX = 20
const root = ref<HTMLElement | null>(null)
// Nothing is drawn before the width is known, which is before the first frame: it would all be drawn twice.
const fullWidth = useElementWidth(root, 0)
const { places, msAtX, stemY, labelY, height } = useFrondLayout(props, fullWidth)
const x = (ms: number) => places.value.x(ms)

const visible = computed(() => {
  const { x: at } = places.value
  const right = fullWidth.value + BESIDE_PX
  return props.cues.filter((cue) => at(cue.toMs) > -BESIDE_PX && at(cue.fromMs) < right)
})
const selected = computed(() => new Set(props.selectedIds))
const told = computed(() => partCrowd(visible.value, selected.value).told)
// The same crowd stays the same list, and is not drawn anew while one that stands out is edited.
const crowd = computed<FrondCue[]>((known) => {
  const { crowd: now } = partCrowd(visible.value, selected.value)
  const isSame = known?.length === now.length && now.every((cue, index) => cue === known[index])
  return isSame ? known : now
})
const placedLabels = computed(() => {
  if (!props.labels || props.small) return []
  const named = visible.value
    .filter((cue) => cue.kind === 'bookmark' && cue.title)
    .map((cue) => ({ id: cue.id, x: x(cue.fromMs), text: cue.title! }))
  return placeLabels(
    named.filter((one) => one.x >= 0),
    fullWidth.value,
  )
})

/** The stem of results: as thick as the number who watched. */
const thickness = computed(() =>
  props.watching ? thicknessPath(props.watching, props.durationMs, x, stemY.value) : '',
)

const msAt = (clientX: number) => msAtX(clientX - root.value!.getBoundingClientRect().left)

const { marquee, onDown } = useFrondPointer({
  root,
  msAt,
  crowdedAt: (at) => cueAt(at, crowd.value, places.value)?.id ?? null,
  isEditable: () => props.editable,
  isSeekable: () => props.seekable,
  onSeek: (ms) => emit('seek', ms),
  onPick: (id, extend) => emit('pick', id, extend),
  onDrag: (drag) => emit('drag', drag),
  onMarquee: (drawn) => emit('marquee', cuesIn(drawn, visible.value, places.value)),
})
</script>

<template>
  <div ref="root" class="frond" :class="{ small, seekable, editable }" @pointerdown="onDown">
    <svg :width="fullWidth" :height="height" aria-hidden="true" focusable="false">
      <template v-if="fullWidth > 0">
        <path v-if="watching" :d="thickness" class="thick" />
        <line v-else :x1="x(0)" :x2="x(durationMs)" :y1="stemY" :y2="stemY" class="stem" />
        <line
          v-for="(span, index) in covered"
          :key="index"
          :x1="x(span.fromMs)"
          :x2="x(span.toMs)"
          :y1="stemY"
          :y2="stemY"
          class="watched"
        />
        <slot name="under" :x="x" :stem-y="stemY" :ms-at="msAt" />
        <FrondCrowd :cues="crowd" :places="places" />
        <FrondMark
          v-for="cue in told"
          :key="cue.id"
          :cue="cue"
          :left="x(cue.fromMs)"
          :width="x(cue.toMs) - x(cue.fromMs)"
          :stem-y="stemY"
          :lane-y="cue.kind === 'overlay' ? places.laneY(cue.id) : stemY"
          :small="small"
          :selected="selected.has(cue.id)"
          :editable="editable"
        />
        <text
          v-for="label in placedLabels"
          :key="label.id"
          :x="label.x + (label.anchor === 'start' ? -RING_RADIUS : RING_RADIUS)"
          :y="labelY"
          :text-anchor="label.anchor"
          class="label"
        >
          {{ label.text }}
        </text>
        <line
          v-if="snappedMs !== null"
          :x1="x(snappedMs)"
          :x2="x(snappedMs)"
          y1="0"
          :y2="height"
          class="snap"
        />
        <rect
          v-if="marquee"
          :x="marquee.left"
          :y="marquee.top"
          :width="marquee.right - marquee.left"
          :height="marquee.bottom - marquee.top"
          class="marquee"
        />
        <g v-if="playheadMs !== null" :transform="`translate(${x(playheadMs)} 0)`" class="playhead">
          <path d="M-6 0 L6 0 L0 8 Z" />
          <line x1="0" x2="0" y1="0" :y2="height - (labels && !small ? 16 : 0)" />
        </g>
      </template>
    </svg>
  </div>
</template>

<style scoped>
.frond {
  position: relative;
  /* Time runs this way in every language. */
  direction: ltr;
  width: 100%;
  min-width: 0;
  user-select: none;
}
.frond svg {
  display: block;
  overflow: hidden;
}
.seekable {
  cursor: pointer;
  touch-action: pan-y;
}
.stem {
  stroke: var(--stem, var(--line-strong));
  stroke-width: 5;
  stroke-linecap: round;
  opacity: 0.55;
}
.small .stem {
  stroke-width: 3;
}
.thick {
  fill: var(--fern);
}
.watched {
  stroke: var(--fern);
  stroke-width: 6;
}
.snap {
  stroke: var(--fern);
  stroke-width: 1.5;
  stroke-dasharray: 4 3;
}
.marquee {
  fill: color-mix(in srgb, var(--fern) 12%, transparent);
  stroke: var(--fern);
}
.snap,
.marquee {
  pointer-events: none;
}
.label {
  fill: var(--ink-2);
  font-family: var(--interface);
  font-size: 12.5px;
}
/* What lies under the playhead can still be taken hold of. */
.playhead,
.label {
  pointer-events: none;
}
.playhead path {
  fill: var(--ink);
}
.playhead line {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
