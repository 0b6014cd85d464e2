<script setup lang="ts">
// A text of the lesson: every letter is an edit at once; letters typed in a row are one step of undo.
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { useId } from 'vue'
import { useRights, useBench } from './useBench.ts'

withDefaults(
  defineProps<{
    label: string
    text: string
    max: number
    rows?: number
    hideLabel?: boolean
    invalid?: boolean
  }>(),
  { rows: 1 },
)
const emit = defineEmits<{ change: [text: string] }>()
const bench = useBench()
const rights = useRights()
const id = useId()

/** Undo and redo are the lesson's own here: the browser's know nothing of what another tab or editor changed. */
function onKey(event: KeyboardEvent): void {
  const key = event.key.toLowerCase()
  if (!(event.ctrlKey || event.metaKey) || event.altKey || (key !== 'z' && key !== 'y')) return
  event.preventDefault()
  if (key === 'y' || event.shiftKey) bench.draft.redo()
  else bench.draft.undo()
}

/** The same, asked for by a menu or a gesture. */
function onBeforeInput(event: InputEvent): void {
  if (event.inputType !== 'historyUndo' && event.inputType !== 'historyRedo') return
  event.preventDefault()
  if (event.inputType === 'historyUndo') bench.draft.undo()
  else bench.draft.redo()
}
</script>

<template>
  <div class="field" @keydown="onKey" @beforeinput="onBeforeInput">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <InputText
      v-if="rows === 1"
      :id="id"
      :model-value="text"
      :maxlength="max"
      :disabled="!rights.canEdit.value"
      :invalid="invalid"
      dir="auto"
      @update:model-value="emit('change', $event ?? '')"
    />
    <Textarea
      v-else
      :id="id"
      :model-value="text"
      :maxlength="max"
      :rows="rows"
      auto-resize
      :disabled="!rights.canEdit.value"
      :invalid="invalid"
      dir="auto"
      @update:model-value="emit('change', $event ?? '')"
    />
  </div>
</template>
