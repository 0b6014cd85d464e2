<script setup lang="ts" generic="Value extends string | number">
// One of a few values, under its label. Closed while they load: a list opened empty would close itself when they come.
import Select from 'primevue/select'
import { useId } from 'vue'

withDefaults(
  defineProps<{
    label: string
    options: readonly { value: Value; label: string }[]
    filter?: boolean
    loading?: boolean
    disabled?: boolean
    placeholder?: string
  }>(),
  { placeholder: '' },
)
const value = defineModel<Value>({ required: true })
const id = useId()
</script>

<template>
  <div class="field">
    <span :id="id" class="label">{{ label }}</span>
    <Select
      v-model="value"
      :aria-labelledby="id"
      :options="[...options]"
      option-label="label"
      option-value="value"
      :placeholder="placeholder"
      :loading="loading"
      :disabled="loading || disabled"
      :filter="filter"
    />
  </div>
</template>
