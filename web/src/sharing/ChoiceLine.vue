<script setup lang="ts">
// One thing that can be chosen, with a sentence on what comes of it.
defineProps<{
  type: 'radio' | 'checkbox'
  name?: string
  value?: string
  checked: boolean
  label: string
  help: string
}>()
const emit = defineEmits<{ change: [checked: boolean] }>()
</script>

<template>
  <label>
    <input
      :type="type"
      :name="name"
      :value="value"
      :checked="checked"
      @change="emit('change', ($event.target as HTMLInputElement).checked)"
    />
    <span>
      <b>{{ label }}</b>
      <span class="help">{{ help }}</span>
    </span>
  </label>
</template>

<style scoped>
label {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr);
  gap: 10px;
  padding: 8px 0;
  cursor: pointer;
}
input {
  width: 18px;
  height: 18px;
  margin: 2px 0 0;
  accent-color: var(--fern);
}
.help {
  display: block;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
