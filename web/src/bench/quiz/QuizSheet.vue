<script setup lang="ts">
// The sheet of a quiz as a whole: its name, what is said before and after, and how learners go through it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type QuizPart, type QuizRules } from '@fernbrake/core/lesson'
import CheckField from '../CheckField.vue'
import ChoiceField from '../ChoiceField.vue'
import EndingFields from '../EndingFields.vue'
import RichField from '../questions/RichField.vue'
import SheetFrame from '../SheetFrame.vue'
import WordsField from '../WordsField.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ quiz: QuizPart }>()
const bench = useBench()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const partId = computed(() => props.quiz.id)
const CHOICES = {
  layout: ['onePage', 'oneAtATime'],
  tells: ['atOnce', 'atEnd'],
  rewatch: ['always', 'afterwards', 'never'],
} as const
const RULES = Object.keys(CHOICES) as (keyof typeof CHOICES)[]
const choicesOf = (rule: keyof typeof CHOICES) =>
  CHOICES[rule].map((value) => ({ value: value as string, label: t(`quiz.${rule}.${value}`) }))
const set = (rules: Partial<QuizRules>) =>
  draft.make(edits.setQuizRules, { partId: partId.value, rules })
</script>

<template>
  <SheetFrame :title="t('quiz.quiz')" :closes="false">
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <WordsField
      :label="t('parts.name')"
      :text="quiz.title"
      :max="200"
      @change="draft.make(edits.renamePart, { partId, title: $event })"
    />
    <RichField
      :label="t('quiz.instructions')"
      :text="quiz.instructions"
      :max="20000"
      :rows="3"
      @change="draft.make(edits.setQuizInstructions, { partId, text: $event })"
    />
    <ChoiceField
      v-for="rule in RULES"
      :key="rule"
      :label="t(`quiz.${rule}Label`)"
      :value="quiz[rule]"
      :choices="choicesOf(rule)"
      @change="set({ [rule]: $event })"
    />
    <CheckField
      :label="t('quiz.shuffle')"
      :checked="quiz.shuffle"
      @change="set({ shuffle: $event })"
    />
    <EndingFields
      :label="t('quiz.ending')"
      :ending="quiz.ending"
      @change="draft.make(edits.setQuizEnding, { partId, change: $event })"
    />
  </SheetFrame>
</template>
