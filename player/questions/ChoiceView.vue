<script setup lang="ts">
// A choice question as a learner sees it: the options, and after an answer what was picked and what is right.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  optionsFor,
  type ChoiceAnswer,
  type ChoiceOption,
  type ChoiceQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import OptionRow from './OptionRow.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<ChoiceQuestion>>()
const answer = defineModel<ChoiceAnswer | null>({ required: true })
const { t } = useI18n()
const options = computed(() => optionsFor(props.question, props.seed))
const picked = computed(() => answer.value?.picked ?? [])

function pick(id: string, on: boolean): void {
  const others = picked.value.filter((other) => other !== id)
  const next = !props.question.several ? [id] : on ? [...others, id] : others
  answer.value = next.length > 0 ? { kind: 'choice', picked: next } : null
}

const isPicked = (option: ChoiceOption) => picked.value.includes(option.id)
function standingOf(option: ChoiceOption): 'right' | 'missed' | null {
  if (!props.answered) return null
  if (props.revealed && option.right) return 'right'
  return isPicked(option) && !option.right ? 'missed' : null
}
function wordFor(option: ChoiceOption): string | null {
  if (!props.answered) return null
  if (props.revealed && option.right) return t('player.rightOption')
  return isPicked(option) ? t('player.yourPick') : null
}
</script>

<template>
  <AnswerFields
    :help="question.several ? t('player.pickSeveral') : t('player.pickOne')"
    :answered="answered"
  >
    <OptionRow
      v-for="option in options"
      :key="option.id"
      :type="question.several ? 'checkbox' : 'radio'"
      :name="question.id"
      :value="option.id"
      :text="option.text"
      :checked="isPicked(option)"
      :standing="standingOf(option)"
      :word="wordFor(option)"
      :feedback="answered && isPicked(option) ? option.feedback : null"
      @pick="pick(option.id, $event)"
    />
  </AnswerFields>
</template>
