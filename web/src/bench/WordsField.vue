<script setup lang="ts">
// A text of the lesson: every letter is an edit at once; letters typed in a row are one step of undo.
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { useId } from 'vue'
import { undoneByInput, undoneByKey } from './lessonUndo.ts'
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
</script>

<template>
  <div
    class="field"
    @keydown="undoneByKey(bench.draft, $event)"
    @beforeinput="undoneByInput(bench.draft, $event)"
  >
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
