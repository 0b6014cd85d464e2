<script setup lang="ts" generic="Value extends string">
// One of a few named values of the lesson; with `always` of the screen, which those who only look may set too.
import Select from 'primevue/select'
import { useId } from 'vue'
import { useRights } from './useBench.ts'

defineProps<{
  label: string
  value: Value
  choices: { value: Value; label: string }[]
  hideLabel?: boolean
  always?: boolean
  placeholder?: string
}>()
const emit = defineEmits<{ change: [value: Value] }>()
const rights = useRights()
const id = useId()
</script>

<template>
  <div class="field">
    <span :id="id" class="label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <Select
      :aria-labelledby="id"
      :model-value="value"
      :options="choices"
      option-label="label"
      option-value="value"
      size="small"
      :placeholder="placeholder"
      :disabled="!always && !rights.canEdit.value"
      @update:model-value="emit('change', $event)"
    />
  </div>
</template>
