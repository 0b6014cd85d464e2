<script setup lang="ts">
// A poll: pick, then see how all picked, where the designer lets it be seen.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder, plainOf } from '@fernbrake/core/fields'
import type { PollAnswer, PollQuestion } from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import OptionRow from './OptionRow.vue'
import TallyBars from './TallyBars.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<PollQuestion>>()
const answer = defineModel<PollAnswer | null>({ required: true })
const { t } = useI18n()
const options = computed(() => inOrder(Object.values(props.question.options)))
const picked = computed(() => answer.value?.picked ?? [])

function pick(id: string, on: boolean): void {
  const others = picked.value.filter((other) => other !== id)
  const next = !props.question.several ? [id] : on ? [...others, id] : others
  answer.value = next.length > 0 ? { kind: 'poll', picked: next } : null
}

const bars = computed(() =>
  options.value.map(({ id, text, colour }) => ({
    id,
    label: plainOf(text),
    colour,
    own: picked.value.includes(id),
  })),
)
</script>

<template>
  <TallyBars
    v-if="answered && question.resultsFor === 'everyone'"
    :question-id="question.id"
    :bars="bars"
  />
  <AnswerFields
    v-else
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
      :checked="picked.includes(option.id)"
      @pick="pick(option.id, $event)"
    />
  </AnswerFields>
</template>
