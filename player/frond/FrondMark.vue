<script setup lang="ts">
// One cue on the frond: a leaf, a fan, a blade on its lane, a knob, a shoot or a ring.
import { computed } from 'vue'
import FrondFan from './FrondFan.vue'
import FrondLeaf from './FrondLeaf.vue'
import FrondShoot from './FrondShoot.vue'
import type { FrondCue } from './model.ts'
import { bladePath, LEAF_PATH, NOTE_PATH, NOTE_TOP, RING_RADIUS } from './shapes.ts'

const props = defineProps<{
  cue: FrondCue
  /** Where it begins, and how far it reaches, in pixels of the drawing. */
  left: number
  width: number
  stemY: number
  /** The middle of an overlay's lane. */
  laneY: number
  small?: boolean
  selected?: boolean
  editable?: boolean
}>()

/** On a narrower blade the grips at its ends would leave nothing to move it by. */
const WIDTH_WITH_GRIPS = 16
/** A blade too short to be pointed at keeps room between its two ends. */
const endX = computed(() => Math.max(8, props.width))
const place = computed(() => `translate(${props.left} ${props.stemY})`)
const scaled = computed(() => `${place.value} scale(${props.small ? 0.6 : 1})`)
</script>

<template>
  <g :data-cue="cue.id" class="cue" :class="[cue.kind, { selected, small, editable }]">
    <title>{{ cue.label }}</title>
    <g v-if="cue.kind === 'question'" :transform="scaled">
      <path :d="LEAF_PATH" class="hit" />
      <FrondLeaf :standing="cue.standing" :share="cue.share" />
    </g>
    <g v-else-if="cue.kind === 'recap'" :transform="scaled"><FrondFan :cue="cue" /></g>
    <g v-else-if="cue.kind === 'overlay'" :transform="`translate(${left} ${laneY})`">
      <line v-if="!small" x1="0" x2="0" :y1="stemY - laneY + 2" y2="0" class="stalk" />
      <path :d="bladePath(width)" class="blade" :transform="small ? 'scale(1 0.5)' : undefined" />
      <template v-if="editable && width >= WIDTH_WITH_GRIPS">
        <rect
          v-for="part in ['start', 'end'] as const"
          :key="part"
          class="grip"
          :data-cue="cue.id"
          :data-part="part"
          :x="(part === 'start' ? 0 : endX) - 5"
          y="-7"
          width="10"
          height="14"
        />
      </template>
    </g>
    <g v-else-if="cue.kind === 'note'" :transform="scaled">
      <path :d="NOTE_PATH" class="hit" />
      <path :d="NOTE_PATH" class="thread" />
      <circle r="3" :cy="NOTE_TOP" class="knob" />
    </g>
    <g v-else-if="cue.kind === 'fork'" :transform="scaled"><FrondShoot /></g>
    <g v-else :transform="place">
      <circle :r="12" class="hit" />
      <circle :r="small ? 3.5 : RING_RADIUS" class="ring" />
    </g>
  </g>
</template>

<style scoped>
.editable {
  cursor: grab;
}
.hit {
  fill: transparent;
  stroke: transparent;
  stroke-width: 12;
}
.small :deep(.leaf:not(.open)) {
  fill: var(--rust);
}
.small :deep(.vein) {
  display: none;
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
.grip {
  fill: transparent;
  cursor: ew-resize;
}
.selected :deep(.leaf),
.selected .blade,
.selected .ring,
.selected :deep(.bud),
.selected .knob {
  stroke: var(--ink);
  stroke-width: 2.75;
}
</style>
