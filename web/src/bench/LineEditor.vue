<script setup lang="ts">
// Editing a line of the script in place: words, times, splitting, joining.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type Script, type ScriptLine } from '@fernbrake/core/lesson'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { usePlayhead, useReading, useBench } from './useBench.ts'

const props = defineProps<{ script: Script; line: ScriptLine }>()
const emit = defineEmits<{ done: [] }>()
const bench = useBench()
const playhead = usePlayhead()
const reading = useReading()
const { draft } = bench
const { t } = useI18n()
const root = useTemplateRef<HTMLElement>('root')
const isLast = computed(() => reading.lines.value.at(-1)?.id === props.line.id)
const words = () => root.value?.querySelector('textarea') ?? null
onMounted(() => words()?.focus())

const here = computed(() => ({ scriptId: props.script.id, lineId: props.line.id }))
function setTimes(times: { fromMs?: number; toMs?: number }): void {
  const { fromMs, toMs } = props.line
  draft.make(edits.setLineTimes, { ...here.value, fromMs, toMs, ...times })
}

/** At the cursor; and at the moment shown, where that lies within the line and is not its beginning. */
function split(): void {
  const at = words()?.selectionStart ?? 0
  const { fromMs, toMs } = props.line
  const now = playhead.mediaMs.value
  const isWithin = now > fromMs + 200 && now < toMs - 200
  const newLineId = nanoid(10)
  draft.make(edits.splitLine, { ...here.value, newLineId, at, ...(isWithin ? { atMs: now } : {}) })
}

function remove(): void {
  draft.make(edits.removeLine, here.value)
  emit('done')
}
</script>

<template>
  <div ref="root" class="line-editor" @keydown.esc.stop.prevent="emit('done')">
    <WordsField
      hide-label
      :label="t('sheet.words')"
      :text="line.text"
      :max="2000"
      :rows="2"
      @change="draft.make(edits.setLineText, { ...here, text: $event })"
    />
    <div class="times">
      <TimeField
        :label="t('sheet.from')"
        :ms="line.fromMs"
        @change="setTimes({ fromMs: $event })"
      />
      <TimeField
        :label="t('sheet.to')"
        :ms="line.toMs"
        :after-ms="line.fromMs"
        @change="setTimes({ toMs: $event })"
      />
    </div>
    <div class="buttons">
      <Button
        :label="t('script.split')"
        :title="t('script.splitHelp')"
        severity="secondary"
        variant="text"
        size="small"
        @mousedown.prevent
        @click="split"
      />
      <Button
        :label="t('script.join')"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="isLast"
        @click="draft.make(edits.joinLines, here)"
      />
      <Button
        :label="t('script.remove')"
        severity="danger"
        variant="text"
        size="small"
        @click="remove"
      />
      <Button
        :label="t('script.done')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="emit('done')"
      />
    </div>
  </div>
</template>

<style scoped>
.line-editor {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-bottom: 8px;
}
.line-editor :deep(textarea) {
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.45;
}
.times {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 150px));
  gap: 12px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
.buttons > :last-child {
  margin-inline-start: auto;
}
</style>
