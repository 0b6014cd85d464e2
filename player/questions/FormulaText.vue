<script setup lang="ts">
// A formula, drawn from TeX. Until what draws it has come, and where it cannot be read, its TeX stands there.
import { onMounted, ref, useTemplateRef, watch } from 'vue'

const props = defineProps<{ tex: string; display?: boolean }>()
const place = useTemplateRef('place')
const drawn = ref(false)

async function draw(): Promise<void> {
  try {
    const { drawFormula } = await import('./formula.ts')
    if (place.value) drawn.value = drawFormula(place.value, props.tex, props.display ?? false)
  } catch {
    drawn.value = false
  }
}
onMounted(draw)
watch(() => [props.tex, props.display], draw)
</script>

<template>
  <span class="formula" :class="{ display }">
    <span v-show="drawn" ref="place" />
    <code v-if="!drawn">{{ tex }}</code>
  </span>
</template>

<style scoped>
.formula.display {
  display: block;
  margin: 0.4em 0;
  overflow-x: auto;
  overflow-y: hidden;
}
</style>
