<script setup lang="ts">
// What stands beside the film: its script, the list of its cues, or questions kept to be asked again.
import { useI18n } from 'vue-i18n'
import { useSelection, useBench } from './useBench.ts'

const bench = useBench()
const selection = useSelection()
const { t } = useI18n()
const DESKS = ['script', 'list', 'questions'] as const
const NAMES = {
  script: 'bench.script',
  list: 'bench.cueList',
  questions: 'questionShelf.title',
} as const

/** Whoever turns to the script wants to read it, not the sheet of what was selected in the list. */
function choose(desk: (typeof DESKS)[number]): void {
  if (desk !== 'list') selection.select(null)
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
      {{ t(NAMES[desk]) }}
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
