<script setup lang="ts">
// A recap's fan of three small leaves; filled once answered, in results by the share of right ones.
import type { FrondCue } from './model.ts'
import { FAN_PATHS } from './shapes.ts'

defineProps<{ cue: Pick<FrondCue, 'standing' | 'share'> }>()
/** A leaf that is filled by half of the answers at least counts as filled: three are too small to be told apart finer. */
const HALF = 0.5
</script>

<template>
  <rect class="hit" x="-22" y="-36" width="44" height="36" />
  <path
    v-for="(path, index) in FAN_PATHS"
    :key="index"
    :d="path"
    class="fan"
    :class="[cue.standing, { filled: (cue.share ?? 0) >= HALF }]"
  />
</template>

<style scoped>
.hit {
  fill: transparent;
}
.fan {
  fill: var(--surface);
  stroke: var(--rust);
  stroke-width: 1.75;
}
.fan.answered,
.fan.right,
.fan.filled {
  fill: var(--rust);
}
.fan.right {
  stroke: var(--fern);
  fill: var(--fern);
}
</style>
