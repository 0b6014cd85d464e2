<script setup lang="ts">
// The frond: one drawing of a film's time. Used small on cards, for playing, for editing and for results.
import { computed, ref } from 'vue'
import FrondFan from './FrondFan.vue'
import FrondShoot from './FrondShoot.vue'
import { cuesIn } from './marquee.ts'
import { useElementWidth } from './useElementWidth.ts'
import { placeLabels } from '@fernbrake/core/frond'
import type { FrondCue, FrondDrag, FrondWatching, Span } from './model.ts'
import { useFrondLayout } from './useFrondLayout.ts'
import { useFrondPointer, type Marquee } from './useFrondPointer.ts'
import {
  bladePath,
  LEAF_PATH,
  leafFillTop,
  NOTE_PATH,
  NOTE_TOP,
  RING_RADIUS,
  thicknessPath,
  TICK_PATH,
  VEIN_PATH,
} from './shapes.ts'

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

/** As many cues as can be told apart on one screen. */
const MOST_TOLD_APART = 300
const root = ref<HTMLElement | null>(null)
const fullWidth = useElementWidth(root)
const { view, x, msAtX, lanes, laneY, stemY, scale, labelY, height } = useFrondLayout(
  props,
  fullWidth,
)

const inView = (cue: FrondCue) => x(cue.toMs) > -20 && x(cue.fromMs) < fullWidth.value + 20
const visible = computed(() => props.cues.filter(inView))
/** So many that nobody could tell one's stalk or name from the next one's; drawing them would only take time. */
const crowded = computed(() => visible.value.length > MOST_TOLD_APART)
const placedLabels = computed(() =>
  !props.labels || props.small
    ? []
    : placeLabels(
        visible.value
          .filter((cue) => cue.kind === 'bookmark' && cue.title && x(cue.fromMs) >= 0)
          .map((cue) => ({ id: cue.id, x: x(cue.fromMs), text: cue.title! })),
        fullWidth.value,
      ),
)

/** The stem of results: as thick as the number who watched. */
const thickness = computed(() =>
  props.watching ? thicknessPath(props.watching, props.durationMs, x, stemY.value) : '',
)

const msAt = (clientX: number) => msAtX(clientX - root.value!.getBoundingClientRect().left)

const caught = (drawn: Marquee) => cuesIn(drawn, visible.value, { x, laneY, stemY: stemY.value })

const { marquee, onDown, onMove, onUp, onCancel } = useFrondPointer({
  root,
  msAt,
  isEditable: () => props.editable,
  isSeekable: () => props.seekable,
  onSeek: (ms) => emit('seek', ms),
  onPick: (id, extend) => emit('pick', id, extend),
  onDrag: (drag) => emit('drag', drag),
  onMarquee: (drawn) => emit('marquee', caught(drawn)),
})
const selected = computed(() => new Set(props.selectedIds))
const isSelected = (id: string) => selected.value.has(id)

/** What the drawing of a cue depends on; read once for all of them, as there may be a thousand. */
const drawnBy = computed(() => {
  const general = [view.value, stemY.value, props.small, props.editable, crowded.value]
  const [laneOf, chosen] = [lanes.value, selected.value]
  return (cue: FrondCue) => [cue, laneOf.get(cue.id), chosen.has(cue.id), ...general]
})
const clipId = (id: string) => `fill-${id}`
</script>

<template>
  <div
    ref="root"
    class="frond"
    :class="{ small, seekable, editable, crowded }"
    @pointerdown="onDown"
    @pointermove="onMove"
    @pointerup="onUp"
    @pointercancel="onCancel"
  >
    <svg :width="fullWidth" :height="height" aria-hidden="true" focusable="false">
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
      <slot name="under" :x="x" :stem-y="stemY" />
      <g
        v-for="cue in visible"
        :key="cue.id"
        v-memo="drawnBy(cue)"
        :data-cue="cue.id"
        class="cue"
        :class="[cue.kind, { selected: isSelected(cue.id) }]"
      >
        <title v-if="!crowded">{{ cue.label }}</title>
        <g
          v-if="cue.kind === 'question'"
          :transform="`translate(${x(cue.fromMs)} ${stemY}) scale(${scale})`"
        >
          <path :d="LEAF_PATH" class="hit" />
          <path :d="LEAF_PATH" class="leaf" :class="cue.standing" />
          <template v-if="cue.share !== undefined">
            <clipPath :id="clipId(cue.id)">
              <rect x="-20" :y="leafFillTop(cue.share)" width="60" height="60" />
            </clipPath>
            <path :d="LEAF_PATH" class="leaf-fill" :clip-path="`url(#${clipId(cue.id)})`" />
          </template>
          <path v-if="cue.standing === 'open'" :d="VEIN_PATH" class="vein" />
          <path v-if="cue.standing === 'right'" :d="TICK_PATH" class="tick" />
        </g>
        <g
          v-else-if="cue.kind === 'recap'"
          :transform="`translate(${x(cue.fromMs)} ${stemY}) scale(${scale})`"
        >
          <FrondFan :cue="cue" />
        </g>
        <g
          v-else-if="cue.kind === 'overlay'"
          :transform="`translate(${x(cue.fromMs)} ${laneY(cue.id)})`"
        >
          <line
            v-if="!small && !crowded"
            x1="0"
            x2="0"
            :y1="stemY - laneY(cue.id) + 2"
            y2="0"
            class="stalk"
          />
          <path
            :d="bladePath(x(cue.toMs) - x(cue.fromMs))"
            class="blade"
            :transform="small ? 'scale(1 0.5)' : undefined"
          />
          <template v-if="editable && (!crowded || isSelected(cue.id))">
            <rect
              class="grip"
              :data-cue="cue.id"
              data-part="start"
              x="-5"
              y="-7"
              width="10"
              height="14"
            />
            <rect
              class="grip"
              :data-cue="cue.id"
              data-part="end"
              :x="Math.max(8, x(cue.toMs) - x(cue.fromMs)) - 5"
              y="-7"
              width="10"
              height="14"
            />
          </template>
        </g>
        <g
          v-else-if="cue.kind === 'note'"
          :transform="`translate(${x(cue.fromMs)} ${stemY}) scale(${scale})`"
        >
          <path :d="NOTE_PATH" class="hit" />
          <path :d="NOTE_PATH" class="thread" />
          <circle r="3" :cy="NOTE_TOP" class="knob" />
        </g>
        <g
          v-else-if="cue.kind === 'fork'"
          :transform="`translate(${x(cue.fromMs)} ${stemY}) scale(${scale})`"
        >
          <FrondShoot />
        </g>
        <g v-else :transform="`translate(${x(cue.fromMs)} ${stemY})`">
          <circle :r="12" class="hit" />
          <circle :r="small ? 3.5 : RING_RADIUS" class="ring" />
        </g>
      </g>
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
    </svg>
  </div>
</template>

<style scoped>
.frond {
  position: relative;
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
.editable .cue {
  cursor: grab;
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
.hit {
  fill: transparent;
  stroke: transparent;
  stroke-width: 12;
}
.leaf {
  fill: var(--surface);
  stroke: var(--rust);
  stroke-width: 1.75;
}
.leaf.answered,
.leaf.right,
.small .leaf {
  fill: var(--rust);
}
.leaf-fill {
  fill: var(--rust);
}
.vein {
  fill: none;
  stroke: var(--rust);
  stroke-width: 1.25;
}
.small .vein {
  display: none;
}
.tick {
  fill: none;
  stroke: var(--surface);
  stroke-width: 2.5;
}
.blade {
  fill: var(--slate);
}
.stalk {
  stroke: var(--slate);
  stroke-width: 1.25;
}
.ring {
  fill: var(--surface);
  stroke: var(--straw);
  stroke-width: 2.5;
}
.thread {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
  stroke-dasharray: 1.5 3;
  stroke-linecap: round;
}
.knob {
  fill: var(--ink-2);
}
/* A thousand dashed and softened lines cost more time to draw than anybody has to look at them. */
.crowded .cue {
  shape-rendering: optimizespeed;
}
.crowded .thread {
  stroke-dasharray: none;
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
.grip {
  fill: transparent;
  cursor: ew-resize;
}
.selected .leaf,
.selected .blade,
.selected .ring,
.selected :deep(.bud),
.selected .knob {
  stroke: var(--ink);
  stroke-width: 2.75;
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
