<script setup lang="ts">
// Whether voice or camera is recorded, and for how long.
import { useI18n } from 'vue-i18n'
import { LONGEST_RECORDING_S, type RecordingQuestion } from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import NumberField from '../NumberField.vue'
import RubricField from './RubricField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: RecordingQuestion }>()
const { set } = useQuestion(() => props.question)
const { t } = useI18n()
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.recording') }}</legend>
    <div class="pair">
      <ChoiceField
        :label="t('ask.recordingOfLabel')"
        :value="question.of"
        :choices="
          (['voice', 'camera'] as const).map((value) => ({
            value,
            label: t(`ask.recordingOf.${value}`),
          }))
        "
        @change="set({ of: $event })"
      />
      <NumberField
        :label="t('ask.mostSeconds')"
        :value="question.mostSeconds"
        :min="5"
        :max="LONGEST_RECORDING_S"
        suffix=" s"
        @change="set({ mostSeconds: $event })"
      />
    </div>
  </fieldset>
  <RubricField :question="question" />
</template>
