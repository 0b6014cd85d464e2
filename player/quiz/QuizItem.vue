<script setup lang="ts">
// One question of a quiz; the film that answers it can be played below it where the quiz lets it.
import { computed } from 'vue'
import { partOfKind, type QuizPart } from '@fernbrake/core/lesson'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import AskedCard from '../questions/AskedCard.vue'
import type { Quiz, QuizQuestion } from './useQuiz.ts'

const props = defineProps<{
  host: Host
  opened: OpenedLesson
  part: QuizPart
  quiz: Quiz
  one: QuizQuestion
  takesFocus: boolean
}>()
const standing = computed(() => props.quiz.answers.standing(props.one.question.id))
const evidence = computed(() => {
  const { evidence } = props.one.question
  const { rewatch } = props.part
  if (!evidence || !partOfKind(props.opened.lesson, evidence.partId, 'film')) return null
  const isOpen = rewatch === 'always' || (rewatch === 'afterwards' && isSettled.value)
  return isOpen ? evidence : null
})
/** Whether no other answer follows that would change what was told. */
const isSettled = computed(
  () => props.quiz.handedIn.value || (standing.value.final && props.quiz.told.value),
)
/** What was written here before the question was left. */
const begun = props.quiz.writtenOn(props.one.itemId)
</script>

<template>
  <AskedCard
    class="item"
    :host="host"
    :opened="opened"
    :card-id="`item-${one.itemId}`"
    :question="one.question"
    :standing="standing"
    :number="one.number"
    :count="quiz.questions.length"
    :evidence="evidence"
    :begun="begun"
    :takes-focus="takesFocus"
    :untold="!quiz.told.value"
    :level="4"
    @written="quiz.hold(one.itemId, $event)"
    @give="quiz.give(one, $event)"
  />
</template>

<style scoped>
.item {
  scroll-margin-top: 76px;
}
@media (max-width: 760px) {
  .item {
    margin-inline: -12px;
    border-inline: 0;
    border-radius: 0;
  }
}
</style>
