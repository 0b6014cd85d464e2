<script setup lang="ts">
// A page as a learner reads it.
import { useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { OwnNote } from '@fernbrake/core/notes'
import type { PagePart } from '@fernbrake/core/lesson'
import MarkBar from '../../notes/MarkBar.vue'
import { rangeOf, useMarking } from '../../notes/marking.ts'
import OwnNotesPanel from '../../notes/OwnNotesPanel.vue'
import { useOwnNotes } from '../../notes/useOwnNotes.ts'
import type { ShownWay } from '../../ui/partsState.ts'
import PartFrame from '../PartFrame.vue'
import type { PartProps } from '../partProps.ts'
import { usePart } from '../usePart.ts'
import PageBlocks from './PageBlocks.vue'

const props = defineProps<PartProps & { part: PagePart }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
usePart(props.host, props.opened, props.part)
const own = useOwnNotes()
const page = useTemplateRef('page')
const panel = useTemplateRef('panel')
const { selected, unselect } = useMarking(page, () => own.of(props.part.id))

/** Begins a note on the words that are selected, or on the page as a whole. */
function begin(writes: boolean): void {
  const id = own.begin(props.part.id, selected.value?.place ?? { on: 'part' })
  unselect()
  if (writes) void panel.value?.open(id)
}
function goTo({ place }: OwnNote): void {
  const range = place.on === 'words' && page.value ? rangeOf(place, page.value) : null
  range?.startContainer.parentElement?.scrollIntoView({ block: 'center' })
}
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
    <div ref="page"><PageBlocks :page="part" /></div>
    <MarkBar v-if="selected" :box="selected.box" @mark="begin(false)" @write="begin(true)" />
    <template #beside>
      <div class="own" data-keeps-selection>
        <h2>{{ t('player.notes.mine') }}</h2>
        <OwnNotesPanel
          ref="panel"
          :part-id="part.id"
          :add-words="t(selected ? 'player.notes.addOnWords' : 'player.notes.addOnPage')"
          @add="begin(true)"
          @go="goTo"
        />
      </div>
    </template>
  </PartFrame>
</template>

<style scoped>
.own {
  display: grid;
  gap: 8px;
  padding: 20px 24px;
  border-bottom: 1px solid var(--line);
}
.own h2 {
  font-size: 15px;
  font-weight: 600;
}
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
