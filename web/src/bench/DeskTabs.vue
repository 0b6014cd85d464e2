<script setup lang="ts">
// The two ways to see what is in the film: as its script, or as a list of its cues.
import { useI18n } from 'vue-i18n'
import { useBench } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const DESKS = ['script', 'list'] as const

/** Whoever turns to the script wants to read it, not the sheet of what was selected in the list. */
function choose(desk: (typeof DESKS)[number]): void {
  if (desk === 'script') bench.select(null)
  bench.desk.value = desk
}
</script>

<template>
  <div class="tabs" role="group" :aria-label="t('bench.seeAs')">
    <button
      v-for="desk in DESKS"
      :key="desk"
      type="button"
      :aria-pressed="bench.desk.value === desk"
      @click="choose(desk)"
    >
      {{ t(desk === 'script' ? 'bench.script' : 'bench.cueList') }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  align-self: stretch;
  gap: 18px;
}
button {
  min-height: 44px;
  padding: 0;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
button[aria-pressed='true'] {
  border-bottom-color: var(--fern);
  color: var(--ink);
}
</style>
