<script setup lang="ts">
// The sheet at the side on which the selected cue is edited.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueStartMs, edits, type Cue } from '@fernbrake/core/lesson'
import { timecodeOf } from '@fernbrake/core/media'
import OverlayEditor from './OverlayEditor.vue'
import QuestionEditor from './QuestionEditor.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ cue: Cue }>()
const bench = useBench()
const { t } = useI18n()
const time = computed(() => timecodeOf(cueStartMs(props.cue), bench.frameRate.value))
</script>

<template>
  <section class="sheet" :class="cue.kind" :aria-label="t(`bench.kind.${cue.kind}`)">
    <header>
      <h2>
        {{ t(`bench.kind.${cue.kind}`) }} <span class="mono">{{ time }}</span>
      </h2>
      <span class="buttons">
        <Button
          v-if="bench.canEdit.value"
          :label="t('sheet.copyHere')"
          severity="secondary"
          variant="text"
          size="small"
          @click="bench.duplicate()"
        />
        <Button
          v-if="bench.canEdit.value"
          :label="t('sheet.delete')"
          severity="danger"
          variant="text"
          size="small"
          @click="bench.remove()"
        />
        <Button
          :label="t('sheet.close')"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="bench.select(null)"
        />
      </span>
    </header>
    <div class="body">
      <p v-if="!bench.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
      <QuestionEditor v-if="cue.kind === 'question'" :cue="cue" />
      <OverlayEditor v-else-if="cue.kind === 'overlay'" :cue="cue" />
      <template v-else-if="cue.kind === 'note'">
        <p class="hint">{{ t('sheet.noteHelp') }}</p>
        <WordsField
          :label="t('sheet.note')"
          :text="cue.text"
          :max="2000"
          :rows="5"
          @change="bench.draft.make(edits.setNoteText, { cueId: cue.id, text: $event })"
        />
        <TimeField
          :label="t('sheet.at')"
          :ms="cue.atMs"
          @change="bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
        />
      </template>
      <template v-else>
        <WordsField
          :label="t('sheet.name')"
          :text="cue.title"
          :max="200"
          @change="bench.draft.make(edits.setBookmarkTitle, { cueId: cue.id, title: $event })"
        />
        <TimeField
          :label="t('sheet.at')"
          :ms="cue.atMs"
          @change="bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
        />
      </template>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--surface);
  border-top: 4px solid var(--kind);
}
.question {
  --kind: var(--rust);
}
.overlay {
  --kind: var(--slate);
}
.bookmark {
  --kind: var(--straw);
}
.note {
  --kind: var(--ink-3);
}
.hint {
  font-size: 13.5px;
  color: var(--ink-2);
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 6px 12px 6px 18px;
  border-bottom: 1px solid var(--line);
}
h2 {
  font-size: 15px;
  white-space: nowrap;
}
h2 .mono {
  font-weight: 400;
  color: var(--ink-2);
}
.buttons {
  display: flex;
  gap: 2px;
}
.body {
  display: flex;
  flex-direction: column;
  gap: 14px;
  flex: 1;
  min-height: 0;
  padding: 14px 18px 24px;
  overflow-y: auto;
}
</style>
