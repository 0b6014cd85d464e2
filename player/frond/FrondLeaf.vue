<script setup lang="ts">
// A question's leaf: outlined with its vein before it is answered, filled after, with a tick when right; in results filled
// from its foot as far as answers were right.
import { computed, useId } from 'vue'
import type { FrondCue } from './model.ts'
import { LEAF_PATH, leafFillTop, TICK_PATH, VEIN_PATH } from './shapes.ts'

defineProps<Pick<FrondCue, 'standing' | 'share'>>()
const id = useId()
const clipId = computed(() => `fill-${id}`)
</script>

<template>
  <path :d="LEAF_PATH" class="leaf" :class="standing" />
  <template v-if="share !== undefined">
    <clipPath :id="clipId">
      <rect x="-20" :y="leafFillTop(share)" width="60" height="60" />
    </clipPath>
    <path :d="LEAF_PATH" class="leaf-fill" :clip-path="`url(#${clipId})`" />
  </template>
  <path v-if="standing === 'open'" :d="VEIN_PATH" class="vein" />
  <path v-if="standing === 'right'" :d="TICK_PATH" class="tick" />
</template>

<style scoped>
.leaf {
  fill: var(--surface);
  stroke: var(--rust);
  stroke-width: 1.75;
}
.leaf.answered,
.leaf.right,
.leaf-fill {
  fill: var(--rust);
}
.vein {
  fill: none;
  stroke: var(--rust);
  stroke-width: 1.25;
}
.tick {
  fill: none;
  stroke: var(--surface);
  stroke-width: 2.5;
}
</style>
