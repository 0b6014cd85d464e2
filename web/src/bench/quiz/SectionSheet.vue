<script setup lang="ts">
// The sheet of a section: its name, what is said before its questions, and its place among the others.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import { edits, type QuizPart, type QuizSection } from '@fernbrake/core/lesson'
import RichField from '../questions/RichField.vue'
import SheetFrame from '../SheetFrame.vue'
import WordsField from '../WordsField.vue'
import { useBench } from '../useBench.ts'

const props = defineProps<{ quiz: QuizPart; section: QuizSection }>()
const bench = useBench()
const { draft } = bench
const { t } = useI18n()
const where = computed(() => ({ partId: props.quiz.id, sectionId: props.section.id }))
const order = computed(() => inOrder(Object.values(props.quiz.sections)).map(({ id }) => id))
const at = computed(() => order.value.indexOf(props.section.id))
const close = () => (bench.quizPlace.value = { kind: 'quiz' })
</script>

<template>
  <SheetFrame :title="t('quiz.section')" @close="close">
    <template v-if="bench.canEdit.value" #actions>
      <Button
        :label="t('quiz.up')"
        :disabled="at === 0"
        severity="secondary"
        variant="text"
        size="small"
        @click="draft.make(edits.moveQuizSection, { ...where, by: -1 })"
      />
      <Button
        :label="t('quiz.down')"
        :disabled="at === order.length - 1"
        severity="secondary"
        variant="text"
        size="small"
        @click="draft.make(edits.moveQuizSection, { ...where, by: 1 })"
      />
      <Button
        :label="t('sheet.delete')"
        severity="danger"
        variant="text"
        size="small"
        @click="draft.make(edits.removeQuizSection, where)"
      />
    </template>
    <p v-if="!bench.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <WordsField
      :label="t('quiz.sectionTitle')"
      :text="section.title"
      :max="200"
      @change="draft.make(edits.setQuizSection, { ...where, change: { title: $event } })"
    />
    <RichField
      :label="t('quiz.sectionInstructions')"
      :text="section.instructions"
      :max="20000"
      :rows="4"
      @change="draft.make(edits.setQuizSection, { ...where, change: { instructions: $event } })"
    />
    <p class="help">{{ t('quiz.sectionHelp') }}</p>
  </SheetFrame>
</template>
