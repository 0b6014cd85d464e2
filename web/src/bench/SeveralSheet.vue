<script setup lang="ts">
// The sheet while several cues are selected: which they are, and what can be done with all of them.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ArrangeBar from './ArrangeBar.vue'
import CueCard from './CueCard.vue'
import SelectionBar from './SelectionBar.vue'
import SheetFrame from './SheetFrame.vue'
import { useRights, useSelection } from './useBench.ts'

const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const inOrder = computed(() =>
  selection.cues.value.filter(({ id }) => selection.selectedIds.value.includes(id)),
)
</script>

<template>
  <SheetFrame :title="t('bench.several')" @close="selection.select(null)">
    <CueCard v-for="cue in inOrder" :key="cue.id" :cue="cue" />
    <ArrangeBar v-if="rights.canEdit.value" />
    <template #foot><SelectionBar /></template>
  </SheetFrame>
</template>
