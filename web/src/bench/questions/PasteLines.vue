<script setup lang="ts">
// A pasted or typed list becomes options: one a line, those with a star before them are right.
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { nanoid } from 'nanoid'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank, type RichText } from '@fernbrake/core/fields'
import { edits } from '@fernbrake/core/lesson'
import { readLines, type PastedLine } from '@fernbrake/core/text'
import { useBench } from '../useBench.ts'

const props = defineProps<{
  questionId: string
  path: readonly string[]
  entries: Readonly<Record<string, { id: string; text: RichText }>>
  most: number
  entryOf: (line: PastedLine) => Record<string, unknown>
  /** Only one may be marked: the first keeps its star. */
  oneMarked?: boolean
}>()
const bench = useBench()
const { t } = useI18n()
const id = useId()
const open = ref(false)
const text = ref('')
const lines = computed(() => readLines(text.value, props.oneMarked))
/** Empty ones that were there to begin with make room. */
const empty = computed(() => Object.values(props.entries).filter((entry) => isBlank(entry.text)))
const room = computed(() => props.most - Object.keys(props.entries).length + empty.value.length)

function take(): void {
  const entries = lines.value
    .slice(0, room.value)
    .map((line) => ({ ...props.entryOf(line), id: nanoid() }))
  bench.draft.make(edits.replaceEntries, {
    ...{ questionId: props.questionId, path: props.path, entries },
    gone: empty.value.map((entry) => entry.id),
    alone: props.oneMarked && lines.value.some(({ marked }) => marked) ? 'right' : null,
  })
  text.value = ''
  open.value = false
}
</script>

<template>
  <div v-if="bench.canEdit.value" class="paste">
    <Button
      :label="t('ask.pasteList')"
      severity="secondary"
      variant="text"
      size="small"
      :aria-expanded="open"
      @click="open = !open"
    />
    <div v-if="open" class="field">
      <label :for="id">{{ t('ask.pasteHelp') }}</label>
      <Textarea :id="id" v-model="text" rows="4" auto-resize dir="auto" />
      <Button
        :label="
          t('ask.takeLines', { n: Math.min(lines.length, room) }, Math.min(lines.length, room))
        "
        size="small"
        :disabled="lines.length === 0 || room === 0"
        @click="take"
      />
    </div>
  </div>
</template>
