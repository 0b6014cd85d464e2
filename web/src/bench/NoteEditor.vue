<script setup lang="ts">
// A designer's note at a time of the film. Commenters write these too, and nothing else.
import { useI18n } from 'vue-i18n'
import { edits, type NoteCue } from '@fernbrake/core/lesson'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { provideBench, useBench } from './useBench.ts'

defineProps<{ cue: NoteCue }>()
const bench = useBench()
provideBench({ ...bench, rights: { ...bench.rights, canEdit: bench.rights.canNote } })
const { t } = useI18n()
</script>

<template>
  <p class="hint">{{ t('sheet.noteHelp') }}</p>
  <WordsField
    :label="t('sheet.note')"
    :text="cue.text"
    :max="2000"
    :rows="5"
    data-focus="first"
    @change="bench.draft.make(edits.setNoteText, { cueId: cue.id, text: $event })"
  />
  <TimeField
    :label="t('sheet.at')"
    :ms="cue.atMs"
    @change="bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
  />
</template>

<style scoped>
.hint {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
