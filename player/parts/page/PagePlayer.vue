<script setup lang="ts">
// A page as a learner reads it.
import { useI18n } from 'vue-i18n'
import type { PagePart } from '@fernbrake/core/lesson'
import type { ShownWay } from '../../ui/partsState.ts'
import PartFrame from '../PartFrame.vue'
import type { PartProps } from '../partProps.ts'
import { usePart } from '../usePart.ts'
import PageBlocks from './PageBlocks.vue'

const props = defineProps<PartProps & { part: PagePart }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
usePart(props.host, props.opened, props.part)
const print = () => window.print()
</script>

<template>
  <PartFrame
    v-bind="props"
    :title="part.title"
    :part-id="part.id"
    @pick-part="emit('pickPart', $event)"
    @take="emit('take', $event)"
  >
    <template #tools>
      <button class="fb-button plain print" type="button" @click="print">
        {{ t('player.part.print') }}
      </button>
    </template>
    <PageBlocks :page="part" />
  </PartFrame>
</template>

<style scoped>
.print {
  min-height: 36px;
}
@media (max-width: 760px) {
  .print {
    padding: 0;
  }
}
@media print {
  .print {
    display: none;
  }
}
</style>
