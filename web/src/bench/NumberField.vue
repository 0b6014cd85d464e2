<script setup lang="ts">
// A number of the lesson; takes effect on Enter, on an arrow key, or on leaving.
import InputNumber from 'primevue/inputnumber'
import { useId } from 'vue'
import { useRights } from './useBench.ts'

withDefaults(
  defineProps<{
    label: string
    value: number
    min: number
    max: number
    fractionDigits?: number
    suffix?: string
  }>(),
  { fractionDigits: 0, suffix: '' },
)
/** An emptied field counts as its smallest value. */
const emit = defineEmits<{ change: [value: number] }>()
const rights = useRights()
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputNumber
      :input-id="id"
      :model-value="value"
      :min="min"
      :max="max"
      :max-fraction-digits="fractionDigits"
      :suffix="suffix"
      size="small"
      fluid
      :disabled="!rights.canEdit.value"
      @update:model-value="emit('change', $event ?? min)"
    />
  </div>
</template>
