<script setup lang="ts">
// Something of the lesson that holds or does not.
import Checkbox from 'primevue/checkbox'
import { useRights } from './useBench.ts'

defineProps<{ label: string; checked: boolean }>()
const emit = defineEmits<{ change: [checked: boolean] }>()
const rights = useRights()
</script>

<template>
  <label class="check">
    <Checkbox
      :model-value="checked"
      binary
      :disabled="!rights.canEdit.value"
      @update:model-value="emit('change', $event)"
    />
    {{ label }}
  </label>
</template>

<style scoped>
.check {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>
