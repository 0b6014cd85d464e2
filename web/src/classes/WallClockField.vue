<script setup lang="ts">
// A day and a time as the clock of the class's time zone shows them; or none.
import { computed, useId } from 'vue'
import FieldFault from '../ui/FieldFault.vue'
import { fromWallClock, toWallClock } from '@fernbrake/core/classes'

const props = defineProps<{
  label: string
  zone: string
  /** What is wrong with it. */
  fault?: string | null
}>()
const iso = defineModel<string | null>({ required: true })
const id = useId()
const shown = computed(() => (iso.value === null ? '' : toWallClock(iso.value, props.zone)))
function set(words: string): void {
  iso.value = words === '' ? null : fromWallClock(words, props.zone)
}
</script>

<template>
  <div class="field clock">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      type="datetime-local"
      :value="shown"
      max="2199-12-31T23:59"
      :aria-invalid="fault ? true : undefined"
      :aria-describedby="fault ? `${id}-fault` : undefined"
      @change="set(($event.target as HTMLInputElement).value)"
    />
    <FieldFault :id="id" :says="fault ?? null" />
  </div>
</template>

<style scoped>
.clock {
  display: grid;
  grid-template-columns: 5.5em 1fr;
  align-items: center;
}
.clock > :last-child:not(input) {
  grid-column: 2;
}
input {
  min-height: 36px;
  padding: 4px 8px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
</style>
