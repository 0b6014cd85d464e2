<script setup lang="ts">
// A few settings behind a button of the controls; Escape puts them away and goes back to it.
import { useTemplateRef } from 'vue'

defineProps<{ label: string }>()
const details = useTemplateRef('details')
const summary = useTemplateRef('summary')
function close(): void {
  if (!details.value?.open) return
  details.value.open = false
  summary.value?.focus()
}
</script>

<template>
  <details ref="details" class="folded" @keydown.esc.stop="close">
    <summary ref="summary" class="fb-button plain">{{ label }}</summary>
    <div class="panel paper"><slot /></div>
  </details>
</template>

<style scoped>
.folded {
  position: relative;
}
summary {
  font-weight: 500;
  list-style: none;
  cursor: pointer;
}
summary::-webkit-details-marker {
  display: none;
}
.panel {
  position: absolute;
  z-index: 5;
  inset-inline-start: 0;
  top: 100%;
  display: grid;
  gap: 10px;
  width: max-content;
  max-width: min(86vw, 340px);
  padding: 12px 16px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
}
</style>
