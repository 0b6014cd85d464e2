<script setup lang="ts" generic="Line, Entry extends { id: string }">
// A pasted or typed list becomes what a question is made of: one thing a line.
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { nanoid } from 'nanoid'
import { computed, nextTick, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank, type RichText } from '@fernbrake/core/fields'
import { edits } from '@fernbrake/core/lesson'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{
  questionId: string
  path: readonly string[]
  entries: Readonly<Record<string, Entry>>
  /** The texts of an entry: one that has none makes room. */
  textsOf: (entry: Entry) => readonly RichText[]
  most: number
  /** What stands in the pasted text, one thing after another. */
  read: (text: string) => Line[]
  entryOf: (line: Line) => Record<string, unknown>
  help: string
  /** What is said of taking so many in; of lines where nothing else is said. */
  takes?: (count: number) => string
  /** How many lines say too little to be taken in. */
  leavesOut?: (text: string) => number
  /** Whether one of these is to be the only right one. */
  alone?: (lines: Line[]) => boolean
}>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const id = useId()
const open = ref(false)
const text = ref('')
const lines = computed(() => props.read(text.value))
/** Empty ones that were there to begin with make room. */
const empty = computed(() =>
  Object.values(props.entries).filter((entry) => props.textsOf(entry).every(isBlank)),
)
const room = computed(() => props.most - Object.keys(props.entries).length + empty.value.length)

const halves = computed(() => props.leavesOut?.(text.value) ?? 0)
const beyond = computed(() => Math.max(lines.value.length - room.value, 0))

const takesLines = (count: number) => t('ask.takeLines', { n: count }, count)

/** Whoever opens it has a list at hand. */
async function toggle(): Promise<void> {
  open.value = !open.value
  await nextTick()
  document.getElementById(id)?.focus()
}

function accept(): void {
  if (lines.value.length === 0 || room.value === 0) return
  const entries = lines.value
    .slice(0, room.value)
    .map((line) => ({ ...props.entryOf(line), id: nanoid() }))
  bench.draft.make(edits.replaceEntries, {
    questionId: props.questionId,
    path: props.path,
    entries,
    gone: empty.value.map((entry) => entry.id),
    alone: props.alone && props.alone(lines.value) ? 'right' : null,
  })
  text.value = ''
  open.value = false
}
</script>

<template>
  <div v-if="rights.canEdit.value" class="paste">
    <Button
      :label="t('ask.pasteList')"
      severity="secondary"
      variant="text"
      size="small"
      :aria-expanded="open"
      @click="toggle"
    />
    <div v-if="open" class="field">
      <label :for="id">{{ help }}</label>
      <Textarea
        :id="id"
        v-model="text"
        rows="4"
        auto-resize
        dir="auto"
        @keydown.ctrl.enter.prevent="accept"
        @keydown.meta.enter.prevent="accept"
      />
      <p v-if="halves > 0" class="help" role="status">
        {{ t('ask.halves', { n: halves }, halves) }}
      </p>
      <p v-if="beyond > 0" class="help" role="status">
        {{ t('ask.beyond', { n: beyond }, beyond) }}
      </p>
      <Button
        :label="(takes ?? takesLines)(Math.min(lines.length, room))"
        size="small"
        :disabled="lines.length === 0 || room === 0"
        @click="accept"
      />
    </div>
  </div>
</template>
