<script setup lang="ts">
// True or false, as two lines to pick from.
import { useI18n } from 'vue-i18n'
import type { TrueFalseAnswer, TrueFalseQuestion } from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import OptionRow from './OptionRow.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<TrueFalseQuestion>>()
const answer = defineModel<TrueFalseAnswer | null>({ required: true })
const { t } = useI18n()

function standingOf(value: boolean): 'right' | 'missed' | null {
  if (!props.answered) return null
  if (props.revealed && value === props.question.right) return 'right'
  return answer.value?.value === value && value !== props.question.right ? 'missed' : null
}
function wordFor(value: boolean): string | null {
  if (!props.answered) return null
  if (props.revealed && value === props.question.right) return t('player.rightOption')
  return answer.value?.value === value ? t('player.yourPick') : null
}
</script>

<template>
  <AnswerFields :help="t('player.trueOrFalse')" :answered="answered">
    <OptionRow
      v-for="value in [true, false]"
      :key="String(value)"
      type="radio"
      :name="question.id"
      :value="String(value)"
      :text="t(value ? 'player.true' : 'player.false')"
      :checked="answer?.value === value"
      :standing="standingOf(value)"
      :word="wordFor(value)"
      @pick="answer = { kind: 'trueFalse', value }"
    />
  </AnswerFields>
</template>
