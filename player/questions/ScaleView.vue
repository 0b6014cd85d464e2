<script setup lang="ts">
// A scale: steps side by side, with words at its ends; then how all answered.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  labelOfStep,
  stepsOf,
  type ScaleAnswer,
  type ScaleQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import TallyBars from './TallyBars.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<ScaleQuestion>>()
const answer = defineModel<ScaleAnswer | null>({ required: true })
const { t } = useI18n()
const steps = computed(() => stepsOf(props.question))
const nameOf = (step: number) =>
  [step, labelOfStep(props.question, step)].filter((word) => word !== '').join(': ')
const bars = computed(() =>
  steps.value.map((step) => ({
    id: String(step),
    label: nameOf(step),
    colour: props.question.colour,
    own: answer.value?.value === step,
  })),
)
</script>

<template>
  <TallyBars
    v-if="answered && question.resultsFor === 'everyone'"
    :question-id="question.id"
    :bars="bars"
  />
  <AnswerFields v-else :help="t('player.pickStep')" :answered="answered">
    <div class="steps">
      <label v-for="step in steps" :key="step" :class="{ picked: answer?.value === step }">
        <input
          type="radio"
          :name="question.id"
          :value="step"
          :checked="answer?.value === step"
          :aria-label="nameOf(step)"
          @change="answer = { kind: 'scale', value: step }"
        />
        {{ step }}
      </label>
    </div>
    <p class="ends" aria-hidden="true">
      <span dir="auto">{{ question.labels.from }}</span>
      <span dir="auto">{{ question.labels.middle }}</span>
      <span dir="auto">{{ question.labels.to }}</span>
    </p>
  </AnswerFields>
</template>

<style scoped>
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
label {
  flex: 1 1 44px;
  display: grid;
  place-items: center;
  min-height: 48px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font-family: var(--mono);
  cursor: pointer;
}
label.picked {
  border-color: var(--fern);
  box-shadow: inset 0 -4px 0 var(--fern);
  background: var(--fern-soft);
  font-weight: 700;
}
label:has(input:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
input {
  position: absolute;
  opacity: 0;
  pointer-events: none;
}
.ends {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  margin-top: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}
.ends span:nth-child(2) {
  text-align: center;
}
.ends span:nth-child(3) {
  text-align: end;
}
</style>
