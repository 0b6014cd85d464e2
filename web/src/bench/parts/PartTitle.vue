<script setup lang="ts">
// The name of the part at the head of its desk; pressing it opens the sheet of the part itself.
import { useI18n } from 'vue-i18n'
import type { Part } from '@fernbrake/core/lesson'
import { usePlaces } from '../useBench.ts'

defineProps<{ part: Part; facts: string }>()
const places = usePlaces()
const { t } = useI18n()
</script>

<template>
  <button
    type="button"
    class="whole"
    :aria-pressed="places.thingId.value === null"
    @click="places.thingId.value = null"
  >
    <span class="title" dir="auto">{{ part.title || t('bench.untitled') }}</span>
    <span class="facts">{{ facts }}</span>
  </button>
</template>

<style scoped>
.whole {
  display: block;
  width: 100%;
  margin-bottom: 14px;
  padding: 6px 12px;
  border: 0;
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.whole:hover {
  background: var(--sunk);
}
.whole[aria-pressed='true'] {
  border-color: var(--fern);
  background: var(--surface);
}
.title {
  display: block;
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.facts {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
