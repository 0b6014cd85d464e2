<script setup lang="ts">
// The sheet of a part as a whole: its name, and whatever its kind says besides.
import { useI18n } from 'vue-i18n'
import { edits, type Part } from '@fernbrake/core/lesson'
import SheetFrame from '../SheetFrame.vue'
import WordsField from '../WordsField.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ part: Part; help: string }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
</script>

<template>
  <SheetFrame :title="t(`parts.kind.${part.kind}`)" :closes="false">
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <WordsField
      :label="t('parts.name')"
      :text="part.title"
      :max="200"
      @change="bench.draft.make(edits.renamePart, { partId: props.part.id, title: $event })"
    />
    <div class="sheet-form"><slot /></div>
    <p class="help">{{ help }}</p>
  </SheetFrame>
</template>

<style scoped>
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
