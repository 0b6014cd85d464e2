<script setup lang="ts">
// One overlay on the stage. The same drawing is used for playing and for editing.
import { computed } from 'vue'
import type { OverlayCue } from '@fernbrake/core/lesson'

const props = defineProps<{ overlay: OverlayCue }>()
const percent = (share: number) => `${share * 100}%`
const ALIGN = { start: 'start', centre: 'center', end: 'end' } as const
const style = computed(() => {
  const { box, look } = props.overlay
  return {
    left: percent(box.x),
    top: percent(box.y),
    width: percent(box.width),
    minHeight: percent(box.height),
    color: look.ink,
    background: look.fill ?? 'transparent',
    fontSize: `${look.size * 100}cqh`,
    textAlign: ALIGN[look.align],
    justifyContent: ALIGN[look.align],
  }
})
</script>

<template>
  <div class="overlay" :style="style">
    <span dir="auto">{{ overlay.text }}</span>
  </div>
</template>

<style scoped>
.overlay {
  position: absolute;
  display: flex;
  align-items: center;
  padding: 0.35em 0.6em;
  border-radius: var(--radius);
  line-height: 1.25;
  font-weight: 600;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  pointer-events: none;
}
</style>
