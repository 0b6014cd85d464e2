<script setup lang="ts">
// What a kind of cue looks like on the frond, drawn small beside words.
import type { FrondCue } from './model.ts'
import { bladePath, FAN_PATHS, FORK_BUDS, FORK_PATH, LEAF_PATH, NOTE_PATH } from './shapes.ts'

defineProps<{ kind: FrondCue['kind'] }>()
const BLADE_LENGTH = 30
</script>

<template>
  <svg viewBox="-20 -36 40 38" class="glyph" :class="kind" aria-hidden="true">
    <path v-if="kind === 'question'" :d="LEAF_PATH" />
    <template v-else-if="kind === 'recap'">
      <path v-for="one in FAN_PATHS" :key="one" :d="one" />
    </template>
    <path
      v-else-if="kind === 'overlay'"
      :d="bladePath(BLADE_LENGTH)"
      :transform="`translate(${-BLADE_LENGTH / 2} -16)`"
    />
    <circle v-else-if="kind === 'bookmark'" cy="-17" r="10" class="line" />
    <template v-else-if="kind === 'fork'">
      <path :d="FORK_PATH" class="line" />
      <circle v-for="[x, y] in FORK_BUDS" :key="x" :cx="x" :cy="y" r="4" />
    </template>
    <template v-else>
      <path :d="NOTE_PATH" class="line dots" />
      <circle cy="-27" r="5" />
    </template>
  </svg>
</template>

<style scoped>
.glyph {
  flex: none;
  width: 18px;
  height: 17px;
  fill: var(--kind);
}
.question,
.recap {
  --kind: var(--rust);
}
.overlay {
  --kind: var(--slate);
}
.bookmark {
  --kind: var(--straw);
}
.fork {
  --kind: var(--plum);
}
.note {
  --kind: var(--ink-2);
}
.line {
  fill: none;
  stroke: var(--kind);
  stroke-width: 5;
}
.dots {
  stroke-width: 4;
  stroke-dasharray: 3 5;
  stroke-linecap: round;
}
</style>
