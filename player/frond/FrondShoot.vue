<script setup lang="ts">
// A fork on the frond: a shoot that parts in two.
import { FORK_BUDS, FORK_PATH } from './shapes.ts'
</script>

<template>
  <path :d="FORK_PATH" class="hit" />
  <path :d="FORK_PATH" class="shoot" />
  <circle v-for="[x, y] in FORK_BUDS" :key="x" r="3.5" :cx="x" :cy="y" class="bud" />
</template>

<style scoped>
.hit {
  fill: none;
  stroke: transparent;
  stroke-width: 18;
}
.shoot {
  fill: none;
  stroke: var(--plum);
  stroke-width: 2.5;
  stroke-linecap: round;
}
.bud {
  fill: var(--plum);
}
</style>
