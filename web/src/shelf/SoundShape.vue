<script setup lang="ts">
// A sound as it looks: its loudness from beginning to end.
import { computed, onMounted, shallowRef } from 'vue'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { peakColumns, readPeakFile } from '@fernbrake/core/media'

const props = defineProps<{ media: Media }>()
const BARS = 44
/** Least and greatest of each bar. */
const columns = shallowRef<Float32Array>(new Float32Array())

onMounted(async () => {
  if (!props.media.files.includes('peaks')) return
  const reply = await fetch(mediaFileAddress(props.media.id, 'peaks')).catch(() => null)
  if (!reply?.ok) return
  const levels = readPeakFile(await reply.arrayBuffer())
  if (levels) columns.value = peakColumns(levels, 0, props.media.durationMs ?? 0, BARS)
})

const path = computed(() =>
  Array.from({ length: columns.value.length / 2 }, (_, bar) => {
    const [least, greatest] = [columns.value[bar * 2]!, columns.value[bar * 2 + 1]!]
    return `M${bar * 4 + 2} ${30 - greatest * 28} V${30.5 - least * 28}`
  }).join(' '),
)
</script>

<template>
  <svg viewBox="0 0 176 60" aria-hidden="true"><path :d="path" /></svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
}
path {
  fill: none;
  stroke: var(--slate);
  stroke-width: 2.2;
  stroke-linecap: round;
}
</style>
