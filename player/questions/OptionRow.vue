<script setup lang="ts">
// One line that can be picked: an option, a statement, something to tick. Its whole width is the target.
import type { RichText } from '@fernbrake/core/fields'
import TextView from './TextView.vue'

defineProps<{
  type: 'radio' | 'checkbox'
  name: string
  value: string
  text: RichText
  checked: boolean
  /** What has come out about it, once answered. */
  standing?: 'right' | 'missed' | null
  /** Said beside it, so that nothing hangs on colour alone. */
  word?: string | null
  feedback?: RichText | null
}>()
const emit = defineEmits<{ pick: [on: boolean] }>()
</script>

<template>
  <label class="option" :class="[standing, { picked: checked }]">
    <input
      :type="type"
      :name="name"
      :value="value"
      :checked="checked"
      @change="emit('pick', ($event.target as HTMLInputElement).checked)"
    />
    <svg class="mark" viewBox="0 0 20 20" aria-hidden="true">
      <path v-if="type === 'checkbox'" d="M3 3 H17 V17 H3 Z" class="frame" />
      <path v-else d="M10 1.5 L18.5 10 L10 18.5 L1.5 10 Z" class="frame" />
      <path v-if="type === 'checkbox'" d="M5.5 10 L9 13.5 L15 6.5" class="inner stroke" />
      <path v-else d="M10 5 L15 10 L10 15 L5 10 Z" class="inner" />
    </svg>
    <TextView class="text" :text="text" pressed />
    <span v-if="word" class="word">{{ word }}</span>
    <TextView v-if="feedback" class="feedback" :text="feedback" pressed />
  </label>
</template>

<style scoped>
.option {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  column-gap: 12px;
  align-items: center;
  min-height: 48px;
  margin-bottom: 10px;
  padding: 10px 14px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  cursor: pointer;
  overflow-wrap: anywhere;
}
:disabled .option {
  cursor: default;
}
.option:has(input:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
.option.picked {
  border-color: var(--fern);
  box-shadow: inset 4px 0 0 var(--fern);
  background: color-mix(in srgb, var(--fern-soft) 45%, transparent);
}
.option.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.option.missed {
  border-color: var(--rust);
  box-shadow: inset 4px 0 0 var(--rust);
  background: var(--rust-soft);
}
input {
  position: absolute;
  opacity: 0;
  pointer-events: none;
}
.mark {
  width: 20px;
  height: 20px;
}
.frame {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1.5;
}
.inner {
  fill: var(--fern);
  visibility: hidden;
}
.inner.stroke {
  fill: none;
  stroke: var(--fern);
  stroke-width: 2.5;
}
.picked .frame {
  stroke: var(--fern);
}
.picked .inner {
  visibility: visible;
}
.missed .frame {
  stroke: var(--rust);
}
.missed .inner {
  fill: var(--rust);
}
.missed .inner.stroke {
  fill: none;
  stroke: var(--rust);
}
.word {
  font-size: 12.5px;
  font-weight: 650;
  color: var(--ink-2);
}
.feedback {
  grid-column: 2 / -1;
  margin-top: 4px;
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
