<script setup lang="ts">
// A choice question as a learner sees it: the options, and after an answer what was picked and what is right.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { optionsInOrder, type ChoiceQuestion } from '@fernbrake/core/questions'

const props = defineProps<{
  question: ChoiceQuestion
  /** Set once answered: options are locked and show what they were. */
  answered: boolean
  /** The right options may be shown: no further try follows. */
  revealed: boolean
}>()
const picked = defineModel<string[]>({ required: true })
const { t } = useI18n()
const options = computed(() => optionsInOrder(props.question))
const kind = computed(() => (props.question.several ? 'checkbox' : 'radio'))

function pick(id: string, on: boolean): void {
  if (!props.question.several) picked.value = [id]
  else if (on) picked.value = [...picked.value, id]
  else picked.value = picked.value.filter((other) => other !== id)
}

function wordFor(option: ChoiceQuestion['options'][string]): string | null {
  if (!props.answered) return null
  const isPicked = picked.value.includes(option.id)
  if (props.revealed && option.right) return t('player.rightOption')
  return isPicked ? t('player.yourPick') : null
}
</script>

<template>
  <fieldset class="options" :disabled="answered">
    <legend>{{ question.several ? t('player.pickSeveral') : t('player.pickOne') }}</legend>
    <label
      v-for="option in options"
      :key="option.id"
      class="option"
      :class="{
        picked: picked.includes(option.id),
        right: answered && revealed && option.right,
        missed: answered && picked.includes(option.id) && !option.right,
      }"
    >
      <input
        :type="kind"
        :name="question.id"
        :value="option.id"
        :checked="picked.includes(option.id)"
        @change="pick(option.id, ($event.target as HTMLInputElement).checked)"
      />
      <svg class="mark" viewBox="0 0 20 20" aria-hidden="true">
        <path v-if="question.several" d="M3 3 H17 V17 H3 Z" class="frame" />
        <path v-else d="M10 1.5 L18.5 10 L10 18.5 L1.5 10 Z" class="frame" />
        <path v-if="question.several" d="M5.5 10 L9 13.5 L15 6.5" class="inner stroke" />
        <path v-else d="M10 5 L15 10 L10 15 L5 10 Z" class="inner" />
      </svg>
      <span class="text" dir="auto">{{ option.text }}</span>
      <span v-if="wordFor(option)" class="word">{{ wordFor(option) }}</span>
      <span v-if="answered && picked.includes(option.id) && option.feedback" class="feedback">
        {{ option.feedback }}
      </span>
    </label>
  </fieldset>
</template>

<style scoped>
.options {
  margin: 0;
  padding: 0;
  border: 0;
  min-width: 0;
}
legend {
  padding: 0;
  margin-bottom: 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.option {
  display: grid;
  grid-template-columns: 20px 1fr auto;
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
.options:disabled .option {
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
