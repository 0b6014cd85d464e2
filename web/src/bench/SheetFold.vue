<script setup lang="ts">
// A group of fields of a sheet that is not needed daily: shut, it tells in a few words what it holds; opened, it stays open.
import { computed } from 'vue'
import { isOpen, setOpen, type FoldName } from './folds.ts'

const props = defineProps<{
  name: FoldName
  title: string
  /** What is set in it, where that is not the usual. */
  holds?: string | undefined
}>()
const opened = computed(() => isOpen(props.name))
</script>

<template>
  <details
    class="fold"
    :open="opened"
    @toggle="setOpen(name, ($event.currentTarget as HTMLDetailsElement).open)"
  >
    <summary class="signed">
      <span>{{ title }}</span>
      <span v-if="holds" class="holds" dir="auto" :title="holds">{{ holds }}</span>
    </summary>
    <div v-if="opened" class="sheet-form" role="group" :aria-label="title"><slot /></div>
  </details>
</template>

<style scoped>
.fold {
  border-top: 1px solid var(--line);
}
.fold + .fold {
  margin-top: -14px;
}
.fold[open] {
  padding-bottom: 16px;
}
summary {
  font-weight: 650;
}
.holds {
  flex: 1;
  min-width: 0;
  padding-inline-start: 10px;
  overflow: hidden;
  color: var(--ink-2);
  font-size: 13.5px;
  font-weight: 400;
  text-align: end;
  text-overflow: ellipsis;
  white-space: nowrap;
}
[open] > summary .holds {
  visibility: hidden;
}
</style>
