<script setup lang="ts">
// The sheet of a question of a quiz: the question itself, and its place among the others.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, sectionsInOrder, type QuizItem, type QuizPart } from '@fernbrake/core/lesson'
import QuestionEditor from '../QuestionEditor.vue'
import SheetFrame from '../SheetFrame.vue'
import { usePlaces, useRights, useBench } from '../useBench.ts'
import PlaceButtons from './PlaceButtons.vue'

const props = defineProps<{ quiz: QuizPart; item: QuizItem }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const where = computed(() => ({ partId: props.quiz.id, itemId: props.item.id }))
const order = computed(() =>
  sectionsInOrder(props.quiz).flatMap(({ items }) => items.map(({ id }) => id)),
)
const at = computed(() => order.value.indexOf(props.item.id))
/** Over the edge of its section a question moves into the next one, so there is always a way while one is left. */
const sections = computed(() => sectionsInOrder(props.quiz))
const canMove = (by: 1 | -1) => {
  const here = sections.value.findIndex(({ section }) => section.id === props.item.sectionId)
  const own = sections.value[here]?.items ?? []
  const isLast = own.at(by > 0 ? -1 : 0)?.id === props.item.id
  return !isLast || sections.value[here + by] !== undefined
}

function copy(): void {
  const ids = { newItemId: nanoid(), newQuestionId: nanoid() }
  if (draft.make(edits.copyQuizItem, { ...where.value, ...ids }))
    places.quizPlace.value = { kind: 'item', id: ids.newItemId }
}

/** The question that takes its place is shown next, else the quiz. */
function remove(): void {
  const next = order.value[at.value + 1] ?? order.value[at.value - 1]
  if (!draft.make(edits.removeQuizItem, where.value)) return
  places.quizPlace.value = next ? { kind: 'item', id: next } : { kind: 'quiz' }
}
</script>

<template>
  <SheetFrame
    class="item"
    :title="t('quiz.questionOf', { number: at + 1, count: order.length })"
    @close="places.quizPlace.value = { kind: 'quiz' }"
  >
    <template v-if="rights.canEdit.value" #actions>
      <PlaceButtons
        :can-up="canMove(-1)"
        :can-down="canMove(1)"
        @move="draft.make(edits.moveQuizItem, { ...where, by: $event })"
        @remove="remove"
      >
        <Button
          :label="t('quiz.copy')"
          severity="secondary"
          variant="text"
          size="small"
          @click="copy"
        />
      </PlaceButtons>
    </template>
    <p v-if="!rights.canEdit.value" class="notice straw">{{ t('bench.readOnly') }}</p>
    <QuestionEditor :question-id="item.questionId" :cue="null" />
  </SheetFrame>
</template>

<style scoped>
.item {
  border-top: 4px solid var(--rust);
}
</style>
