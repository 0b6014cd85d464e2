<script setup lang="ts">
// The lines of the ways on the map, under the parts. What a line looks like says what the way hangs on.
import { computed } from 'vue'
import type { Way } from '@fernbrake/core/routes'
import { LABEL_HEIGHT, LETTER_WIDTH, softPath, type DrawnWay } from './layout.ts'

const props = defineProps<{
  ways: readonly DrawnWay[]
  picked: { partId?: string | undefined; wayId?: string | undefined }
  /** There are so many that only those of the picked part stand out. */
  many: boolean
}>()
const emit = defineEmits<{ way: [way: Way] }>()
const isOwn = ({ fromId, toId }: Way) =>
  fromId === props.picked.partId || toId === props.picked.partId
/** All ways, and, where there are many, those that stand out once more over the others: nothing has to move for it. */
const drawn = computed(() => [
  ...props.ways.map((one) => ({ ...one, key: one.way.id, stands: !props.many })),
  ...(props.many ? props.ways.filter(({ way }) => isOwn(way)) : []).map((one) => ({
    ...one,
    key: `${one.way.id} own`,
    stands: true,
  })),
])
const widthOf = (label: string) => label.length * LETTER_WIDTH + 8
/** The heads of the arrows, by the colours of the lines. */
const HEADS = { plum: ['fork', 'route'], slate: ['pin', 'jump'], ink: ['order'] }
const headOf = ({ kind }: Way) =>
  `url(#head-${Object.entries(HEADS).find(([, kinds]) => kinds.includes(kind))![0]})`
</script>

<template>
  <svg class="lines" :class="{ 'one-picked': picked.partId }">
    <defs>
      <marker
        v-for="(_, colour) in HEADS"
        :id="`head-${colour}`"
        :key="colour"
        viewBox="0 0 10 10"
        refX="9"
        refY="5"
        markerWidth="12"
        markerHeight="12"
        markerUnits="userSpaceOnUse"
        orient="auto"
      >
        <path d="M 0 0 L 10 5 L 0 10 z" :class="colour" />
      </marker>
    </defs>
    <g
      v-for="{ key, stands, way, points, label, at } in drawn"
      :key="key"
      v-memo="[points, label, way.kind, way.id === picked.wayId]"
      class="way"
      :class="[`way-${way.kind}`, { picked: way.id === picked.wayId, stands }]"
      @click="emit('way', way)"
    >
      <path class="reach" :d="softPath(points)" />
      <path class="line" :d="softPath(points)" :marker-end="headOf(way)" />
      <template v-if="label && stands">
        <rect
          class="label-ground"
          :x="at.x - widthOf(label) / 2"
          :y="at.y - LABEL_HEIGHT / 2"
          :width="widthOf(label)"
          :height="LABEL_HEIGHT"
        />
        <text class="label" :x="at.x" :y="at.y">{{ label }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.lines {
  position: absolute;
  top: 0;
  left: 0;
  width: 1px;
  height: 1px;
  z-index: -1;
  overflow: visible;
}
.way {
  cursor: pointer;
}
.reach {
  fill: none;
  stroke: transparent;
  stroke-width: 16;
  pointer-events: stroke;
}
.line {
  color: var(--ink-3);
  fill: none;
  stroke: currentColor;
  stroke-width: 1.5;
}
:is(.way-fork, .way-route) .line {
  color: var(--plum);
  stroke-width: 2;
}
.way-fork .line {
  stroke-dasharray: 7 4;
}
:is(.way-pin, .way-jump) .line {
  color: var(--slate);
  stroke-dasharray: 2 4;
}
/* Mixed with the ground instead of made transparent: hundreds of transparent lines take long to paint. */
.way:not(.stands) .line {
  stroke: color-mix(in srgb, currentColor 30%, var(--ground));
  marker-end: none;
}
.one-picked .way:not(.stands) .line {
  stroke: color-mix(in srgb, currentColor 10%, var(--ground));
}
.picked .line {
  stroke-width: 4;
}
.plum {
  fill: var(--plum);
}
.slate {
  fill: var(--slate);
}
.ink {
  fill: var(--ink-3);
}
.label {
  fill: var(--ink);
  font-size: 12.5px;
  text-anchor: middle;
  dominant-baseline: central;
}
.label-ground {
  fill: var(--ground);
  pointer-events: all;
}
</style>
