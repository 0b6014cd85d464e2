<script setup lang="ts">
// The four corners by which a box is drawn larger or smaller. What a drag means is settled by whoever owns the box.
import type { Corner } from '@fernbrake/core/lesson'

const emit = defineEmits<{ down: [event: PointerEvent, corner: Corner] }>()
const CORNERS: readonly Corner[] = ['nw', 'ne', 'sw', 'se']
</script>

<template>
  <span
    v-for="corner in CORNERS"
    :key="corner"
    class="corner"
    :class="corner"
    @pointerdown.stop="emit('down', $event, corner)"
  />
</template>

<style scoped>
.corner {
  position: absolute;
  width: 14px;
  height: 14px;
  border: 2px solid #0f1713;
  background: #f3ecd8;
  touch-action: none;
}
/* Larger to the finger than to the eye. */
.corner::after {
  content: '';
  position: absolute;
  inset: -7px;
}
.nw,
.sw {
  left: -8px;
}
.ne,
.se {
  right: -8px;
}
.nw,
.ne {
  top: -8px;
}
.sw,
.se {
  bottom: -8px;
}
.nw,
.se {
  cursor: nwse-resize;
}
.ne,
.sw {
  cursor: nesw-resize;
}
</style>
