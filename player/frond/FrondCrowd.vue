<script setup lang="ts">
// Cues so many that nobody could tell one from the next: all of a kind are one drawing, which costs a thousandth of
// a thousand drawings. They are pointed at by place, see `cueAt`.
import { computed } from 'vue'
import { crowdPaths, type FrondPlaces } from './crowd.ts'
import type { FrondCue } from './model.ts'

const props = defineProps<{ cues: readonly FrondCue[]; places: FrondPlaces }>()
const paths = computed(() => crowdPaths(props.cues, props.places))
</script>

<template>
  <g class="crowd">
    <path v-if="paths.overlay" :d="paths.overlay" class="blades" />
    <path v-if="paths.question" :d="paths.question" class="leaves" />
    <path v-if="paths.note" :d="paths.note" class="knobs" />
    <path v-if="paths.bookmark" :d="paths.bookmark" class="rings" />
  </g>
</template>

<style scoped>
.crowd {
  fill: none;
}
.blades {
  stroke: var(--slate);
  stroke-width: 8;
}
.leaves {
  fill: var(--rust);
}
.knobs {
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.rings {
  stroke: var(--straw);
  stroke-width: 10;
}
</style>
