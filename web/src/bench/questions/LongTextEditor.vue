<script setup lang="ts">
// How long the answer should be, and what a good one says.
import { useI18n } from 'vue-i18n'
import type { LongTextQuestion } from '@fernbrake/core/questions'
import NumberField from '../NumberField.vue'
import RichField from './RichField.vue'
import RubricField from './RubricField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: LongTextQuestion }>()
const { set } = useQuestion(() => props.question)
const { t } = useI18n()
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.longText') }}</legend>
    <p class="help">{{ t('ask.longTextHelp') }}</p>
    <div class="pair">
      <NumberField
        :label="t('ask.wordsFrom')"
        :value="question.wordsFrom ?? 0"
        :min="0"
        :max="2000"
        @change="set({ wordsFrom: $event === 0 ? null : $event })"
      />
      <NumberField
        :label="t('ask.wordsTo')"
        :value="question.wordsTo ?? 0"
        :min="0"
        :max="2000"
        @change="set({ wordsTo: $event === 0 ? null : $event })"
      />
    </div>
    <p v-if="(question.wordsFrom ?? 0) > (question.wordsTo ?? Infinity)" class="fault" role="alert">
      {{ t('ask.wordsReversed') }}
    </p>
    <RichField
      :label="t('ask.model')"
      :text="question.model"
      :max="4000"
      :rows="3"
      @change="set({ model: $event })"
    />
  </fieldset>
  <RubricField :question="question" />
</template>
