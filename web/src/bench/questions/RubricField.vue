<script setup lang="ts">
// The rubric of what a person marks: written as lines, shown as it will be used.
import { useRights } from '../useBench.ts'
import { computed, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  LONGEST_RUBRIC,
  rubricMax,
  rubricOf,
  unreadableLines,
  type LongTextQuestion,
  type RecordingQuestion,
  type UploadQuestion,
} from '@fernbrake/core/questions'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: LongTextQuestion | RecordingQuestion | UploadQuestion }>()
const { set } = useQuestion(() => props.question as LongTextQuestion)
const rights = useRights()
const { t, n } = useI18n()
const id = useId()
const criteria = computed(() => rubricOf(props.question))
const faults = computed(() => unreadableLines(props.question))
const rows = computed(() => Math.min(10, (props.question.rubric ?? '').split('\n').length + 1))
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.rubric') }}</legend>
    <div class="field">
      <label :for="id" class="visually-hidden">{{ t('ask.rubric') }}</label>
      <textarea
        :id="id"
        class="text rubric"
        dir="auto"
        :rows="rows"
        :maxlength="LONGEST_RUBRIC"
        :placeholder="t('ask.rubricExample')"
        :value="question.rubric ?? ''"
        :disabled="!rights.canEdit.value"
        :aria-describedby="`${id}-help`"
        @change="set({ rubric: ($event.target as HTMLTextAreaElement).value })"
      />
      <small :id="`${id}-help`" class="help">{{ t('ask.rubricHelp') }}</small>
    </div>
    <p v-for="line in faults" :key="line" class="fault" role="alert">
      {{ t('ask.rubricFault', { line: n(line) }) }}
    </p>
    <ul v-if="criteria.length > 0" class="criteria">
      <li v-for="(criterion, index) in criteria" :key="index">
        <b dir="auto">{{ criterion.title }}</b>
        <span class="mono">{{ criterion.levels.map(({ points }) => n(points)).join(' · ') }}</span>
      </li>
    </ul>
    <p v-if="criteria.length > 0" class="help">
      {{ t('ask.rubricSum', { sum: n(rubricMax(criteria)), max: n(question.points) }) }}
    </p>
  </fieldset>
</template>

<style scoped>
.text.rubric {
  width: 100%;
  font-size: 13.5px;
  resize: vertical;
}
.criteria {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 13.5px;
}
.criteria li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
</style>
