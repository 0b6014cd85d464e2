<script setup lang="ts">
// One choice out of a list, in the browser's own way, which every phone and screen reader knows.
defineProps<{
  label: string
  options: { value: string; text: string }[]
  value: string
  empty: string
  standing?: 'right' | 'missed' | null
}>()
const emit = defineEmits<{ pick: [value: string] }>()
</script>

<template>
  <select
    class="pick"
    :class="standing"
    :aria-label="label"
    :value="value"
    dir="auto"
    @change="emit('pick', ($event.target as HTMLSelectElement).value)"
  >
    <option value="">{{ empty }}</option>
    <option v-for="option in options" :key="option.value" :value="option.value">
      {{ option.text }}
    </option>
  </select>
</template>

<style scoped>
.pick {
  max-width: 100%;
  min-height: 44px;
  padding: 6px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.pick:disabled {
  opacity: 1;
}
.pick.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.pick.missed {
  border-color: var(--rust);
  background: var(--rust-soft);
}
</style>
