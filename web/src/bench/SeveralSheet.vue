<script setup lang="ts">
// The sheet while several cues are selected: which they are, and what can be done with all of them.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import CueCard from './CueCard.vue'
import SelectionBar from './SelectionBar.vue'
import { useBench } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const inOrder = computed(() =>
  bench.cues.value.filter(({ id }) => bench.selectedIds.value.includes(id)),
)
</script>

<template>
  <section class="sheet" :aria-label="t('bench.several')">
    <header>
      <h2>{{ t('bench.several') }}</h2>
      <Button
        :label="t('sheet.close')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="bench.select(null)"
      />
    </header>
    <div class="cards">
      <CueCard v-for="cue in inOrder" :key="cue.id" :cue="cue" />
    </div>
    <SelectionBar />
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--surface);
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 44px;
  padding: 6px 12px 6px 18px;
  border-bottom: 1px solid var(--line);
}
h2 {
  font-size: 15px;
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 6px;
  flex: 1;
  min-height: 0;
  padding: 14px 18px;
  overflow-y: auto;
}
</style>
