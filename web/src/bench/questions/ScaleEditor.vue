<script setup lang="ts">
// From where to where a scale goes, and what its ends stand for.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ScaleQuestion } from '@fernbrake/core/questions'
import ColourField from '../ColourField.vue'
import NumberField from '../NumberField.vue'
import WordsField from '../WordsField.vue'
import ResultsForField from './ResultsForField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: ScaleQuestion }>()
const { set } = useQuestion(() => props.question)
const { t } = useI18n()
/** As many steps as fit side by side on a phone, less one. */
const MOST_APART = 10
const ends = computed(() => (['from', 'middle', 'to'] as const).filter(isShown))
function isShown(end: 'from' | 'middle' | 'to'): boolean {
  return end !== 'middle' || (props.question.from + props.question.to) % 2 === 0
}
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.scale') }}</legend>
    <div class="pair">
      <NumberField
        :label="t('ask.scaleFrom')"
        :value="question.from"
        :min="Math.max(-100, question.to - MOST_APART)"
        :max="question.to - 1"
        @change="set({ from: $event })"
      />
      <NumberField
        :label="t('ask.scaleTo')"
        :value="question.to"
        :min="question.from + 1"
        :max="Math.min(100, question.from + MOST_APART)"
        @change="set({ to: $event })"
      />
    </div>
    <WordsField
      v-for="end in ends"
      :key="end"
      :label="t(`ask.scaleLabel.${end}`)"
      :text="question.labels[end]"
      :max="80"
      @change="set({ labels: { ...question.labels, [end]: $event } })"
    />
    <ColourField
      :label="t('ask.barColour')"
      :colour="question.colour"
      usual="#24603F"
      :none-label="t('ask.usualColour')"
      @change="set({ colour: $event })"
    />
    <ResultsForField :value="question.resultsFor" @change="set({ resultsFor: $event })" />
  </fieldset>
</template>
