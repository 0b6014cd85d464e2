<script setup lang="ts">
// The sheet while several cues are selected: which they are, and what can be done with all of them.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ArrangeBar from './ArrangeBar.vue'
import CueCard from './CueCard.vue'
import SelectionBar from './SelectionBar.vue'
import SheetFrame from './SheetFrame.vue'
import { useBench } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const inOrder = computed(() =>
  bench.cues.value.filter(({ id }) => bench.selectedIds.value.includes(id)),
)
</script>

<template>
  <SheetFrame :title="t('bench.several')" @close="bench.select(null)">
    <CueCard v-for="cue in inOrder" :key="cue.id" :cue="cue" />
    <ArrangeBar v-if="bench.canEdit.value" />
    <template #foot><SelectionBar /></template>
  </SheetFrame>
</template>
