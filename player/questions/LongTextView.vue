<script setup lang="ts">
// A long answer: as many lines as it takes, with its words counted where a number of them is asked for.
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import {
  countWords,
  fitsQuestion,
  LONGEST_TEXT,
  type LongTextAnswer,
  type LongTextQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import TextView from './TextView.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<LongTextQuestion>>()
const answer = defineModel<LongTextAnswer | null>({ required: true })
const { t } = useI18n()
const id = useId()
const text = ref(answer.value?.text ?? '')
const words = computed(() => countWords(text.value))
const asked = computed(() => {
  const { wordsFrom: from, wordsTo: to } = props.question
  if (from !== null && to !== null) return t('player.wordsBetween', { from, to })
  if (from !== null) return t('player.wordsAtLeast', { n: from }, from)
  return to !== null ? t('player.wordsAtMost', { n: to }, to) : ''
})
const fits = computed(() => fitsQuestion(props.question, { kind: 'longText', text: text.value }))

function write(next: string): void {
  text.value = next
  answer.value = next.trim() === '' ? null : { kind: 'longText', text: next }
}
</script>

<template>
  <AnswerFields :help="t('player.writeAnswer')" :answered="answered">
    <label :for="id" class="visually-hidden">{{ t('player.yourAnswer') }}</label>
    <textarea
      :id="id"
      class="lines"
      rows="7"
      dir="auto"
      :maxlength="LONGEST_TEXT"
      :value="text"
      @input="write(($event.target as HTMLTextAreaElement).value)"
    />
    <p class="count" :class="{ off: words > 0 && !fits }">
      {{ t('player.words', { n: words }, words) }}<template v-if="asked"> · {{ asked }}</template>
    </p>
    <div v-if="answered && revealed && !isBlank(question.model)" class="model">
      <h3>{{ t('player.goodAnswer') }}</h3>
      <TextView :text="question.model" />
    </div>
  </AnswerFields>
</template>

<style scoped>
.lines {
  width: 100%;
  padding: 10px 14px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-family: var(--reading);
  font-size: 16px;
  line-height: 1.5;
  resize: vertical;
}
.count {
  margin-top: 4px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.count.off {
  color: var(--rust);
  font-weight: 650;
}
.model {
  margin-top: 12px;
  padding-inline-start: 14px;
  border-inline-start: 3px solid var(--line-strong);
}
.model h3 {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
