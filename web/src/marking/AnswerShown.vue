<script setup lang="ts">
// An answer in its place: what was asked, and what the learner wrote, handed in or said.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { PileAnswer, Source } from '@fernbrake/core/contract'
import { isBlank } from '@fernbrake/core/fields'
import {
  countWords,
  type Question,
  countsWords,
  modelAnswer,
  readsAsWord,
} from '@fernbrake/core/questions'
import { TextView } from '@fernbrake/player'
import HandedFile from '../results/HandedFile.vue'
import { writeMoment } from '../ui/dates.ts'

const props = defineProps<{
  answer: PileAnswer
  question: Question
  source: Source
  sourceId: string
}>()
const { t, n } = useI18n()
const folder = computed(
  () => `/api/marking/${props.source}/${props.sourceId}/attempts/${props.answer.attemptId}/files`,
)
const words = computed(() => (countsWords(props.question) ? countWords(props.answer.text) : null))
const model = computed(() => modelAnswer(props.question))
const text = computed(() =>
  readsAsWord(props.question) ? t(`results.value.${props.answer.text}`) : props.answer.text,
)
</script>

<template>
  <article class="answer">
    <header>
      <h2 dir="auto">
        {{ answer.learner.name ?? t('marking.learner', { number: n(answer.learner.number) }) }}
      </h2>
      <span class="muted">
        {{ writeMoment(new Date(answer.answeredAt)) }}
        <template v-if="answer.isDoubtful"> · {{ t('marking.doubtful') }}</template>
        <template v-if="answer.tryNumber > 1">
          · {{ t('marking.try', { number: n(answer.tryNumber) }) }}</template
        >
        <template v-if="words !== null"> · {{ t('marking.words', words) }}</template>
      </span>
    </header>
    <div class="asked"><TextView :text="question.stem" /></div>
    <div v-if="answer.files.length > 0" class="files">
      <HandedFile v-for="file in answer.files" :key="file.id" :file="file" :folder="folder" large />
    </div>
    <p v-else class="said" dir="auto">{{ text || t('results.nothingPicked') }}</p>
    <details v-if="!isBlank(model)">
      <summary>{{ t('marking.model') }}</summary>
      <TextView :text="model" />
    </details>
    <details v-if="!isBlank(question.explanation)">
      <summary>{{ t('marking.explanation') }}</summary>
      <TextView :text="question.explanation" />
    </details>
  </article>
</template>

<style scoped>
.answer {
  padding: 20px 26px 24px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
  margin-bottom: 10px;
}
.asked {
  margin-bottom: 18px;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--rust);
  color: var(--ink-2);
}
.said {
  max-width: 68ch;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.6;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
details {
  margin-top: 18px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}
summary {
  font-weight: 600;
  color: var(--ink-2);
  cursor: pointer;
}
</style>
