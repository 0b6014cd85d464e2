<script setup lang="ts">
// The sheet of a section: its name, what is said before its questions, and its place among the others.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import { edits, type QuizPart, type QuizSection } from '@fernbrake/core/lesson'
import RichField from '../questions/RichField.vue'
import SheetFrame from '../SheetFrame.vue'
import WordsField from '../WordsField.vue'
import { usePlaces, useRights, useBench } from '../useBench.ts'
import PlaceButtons from './PlaceButtons.vue'

const props = defineProps<{ quiz: QuizPart; section: QuizSection }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const where = computed(() => ({ partId: props.quiz.id, sectionId: props.section.id }))
const order = computed(() => inOrder(Object.values(props.quiz.sections)).map(({ id }) => id))
const at = computed(() => order.value.indexOf(props.section.id))
const close = () => (places.quizPlace.value = { kind: 'quiz' })
</script>

<template>
  <SheetFrame :title="t('quiz.section')" @close="close">
    <template v-if="rights.canEdit.value" #actions>
      <PlaceButtons
        :can-up="at > 0"
        :can-down="at < order.length - 1"
        @move="draft.make(edits.moveQuizSection, { ...where, by: $event })"
        @remove="draft.make(edits.removeQuizSection, where)"
      />
    </template>
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
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
