<script setup lang="ts">
// A short answer, or a number with its unit: one line to type.
import { computed, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  listedFor,
  listedInOrder,
  LONGEST_NUMBER,
  LONGEST_SHORT_TEXT,
  type NumberAnswer,
  type NumberQuestion,
  type ShortTextAnswer,
  type ShortTextQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<ShortTextQuestion | NumberQuestion>>()
const answer = defineModel<ShortTextAnswer | NumberAnswer | null>({ required: true })
const { t } = useI18n()
const id = useId()

function type(text: string): void {
  answer.value = text.trim() === '' ? null : { kind: props.question.kind, text }
}

const help = computed(() => {
  const { question } = props
  if (question.kind === 'shortText') return t('player.typeWords')
  return question.unit !== '' && question.unitNeeded
    ? t('player.typeNumberUnit')
    : t('player.typeNumber')
})
/** What would have been right, in the designer's own words. */
const right = computed(() => {
  const { question } = props
  if (question.kind === 'number') return `${question.value} ${question.unit}`.trim()
  return listedInOrder(question).find(({ share, as }) => share === 1 && as === 'words')?.text ?? ''
})
/** What the designer says to just this answer. */
const said = computed(() =>
  props.answered && props.question.kind === 'shortText'
    ? (listedFor(props.question, answer.value)?.feedback ?? '')
    : '',
)
</script>

<template>
  <AnswerFields :help="help" :answered="answered">
    <label :for="id" class="visually-hidden">{{ t('player.yourAnswer') }}</label>
    <input
      :id="id"
      class="line"
      :class="mark?.verdict"
      type="text"
      dir="auto"
      autocomplete="off"
      autocapitalize="off"
      spellcheck="false"
      :maxlength="question.kind === 'number' ? LONGEST_NUMBER : LONGEST_SHORT_TEXT"
      :value="answer?.text ?? ''"
      @input="type(($event.target as HTMLInputElement).value)"
    />
    <p v-if="said" class="said" dir="auto">{{ said }}</p>
    <p v-if="answered && revealed && mark?.verdict !== 'right' && right" class="said">
      {{ t('player.rightAnswerIs') }} <b dir="auto">{{ right }}</b>
    </p>
  </AnswerFields>
</template>

<style scoped>
.line {
  width: 100%;
  min-height: 48px;
  padding: 10px 14px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 17px;
}
.line:disabled {
  opacity: 1;
}
.line.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.line.partly {
  border-color: var(--straw);
  background: var(--straw-soft);
}
.line.wrong {
  border-color: var(--rust);
  background: var(--rust-soft);
}
.said {
  margin-top: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
  overflow-wrap: anywhere;
}
</style>
