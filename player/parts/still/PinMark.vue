<script setup lang="ts">
// A pin: its shape, its colour, and what stands on it; with a tick at its side once it has been opened.
import { computed } from 'vue'
import { relativeLuminance } from '@fernbrake/core/colour'
import type { Pin, PinShape } from '@fernbrake/core/lesson'

const props = defineProps<{
  pin: Pick<Pin, 'shape' | 'colour' | 'symbol'>
  number: number
  seen: boolean
}>()
/** Drawn in a field of 40 by 40. */
const SHAPES: Record<PinShape, string> = {
  round: 'M20 5a15 15 0 1 1 0 30a15 15 0 1 1 0-30z',
  square: 'M7 7h26v26H7z',
  kite: 'M20 2L38 20L20 38L2 20z',
  flag: 'M5 8h30l-6 12l6 12H5z',
}
const words = computed(() => props.pin.symbol || String(props.number))
const ink = computed(() => (relativeLuminance(props.pin.colour) > 0.2 ? '#17231c' : '#fffdf8'))
</script>

<template>
  <svg viewBox="0 0 40 40" aria-hidden="true">
    <path :d="SHAPES[pin.shape]" :fill="pin.colour" stroke="#fffdf8" stroke-width="2.5" />
    <path :d="SHAPES[pin.shape]" fill="none" stroke="#17231c" stroke-width="1" />
    <text x="20" y="20" :fill="ink" :font-size="words.length > 2 ? 11 : words.length > 1 ? 14 : 17">
      {{ words }}
    </text>
    <g v-if="seen">
      <circle cx="33" cy="8" r="6.5" fill="#fffdf8" stroke="#17231c" />
      <path d="M29.8 8l2.4 2.6l4-5" fill="none" stroke="#17231c" stroke-width="1.8" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 40px;
  height: 40px;
  margin: auto;
}
text {
  font-family: var(--interface);
  font-weight: 700;
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
