<script setup lang="ts">
// What of one answer is not written daily: shut to begin with, unless something was written in it.
const props = defineProps<{
  title: string
  /** Whether there is something in it; asked once, so that it does not shut under the hands of who empties it. */
  filled: boolean
}>()
const opensAtOnce = props.filled
</script>

<template>
  <details :open="opensAtOnce">
    <summary class="signed">{{ title }}</summary>
    <div class="within"><slot /></div>
  </details>
</template>

<style scoped>
summary.signed {
  min-height: 28px;
  font-size: 12.5px;
  color: var(--ink-2);
}
.within {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
</style>
