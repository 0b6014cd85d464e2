<script setup lang="ts">
// One question of a quiz, with the film that answers it below it where it may be played again.
import { computed, nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { partOfKind, type QuizPart } from '@fernbrake/core/lesson'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import QuestionSheet from '../ui/QuestionSheet.vue'
import StretchPlayer from './StretchPlayer.vue'
import type { Quiz, QuizQuestion } from './useQuiz.ts'

const props = defineProps<{
  host: Host
  opened: OpenedLesson
  part: QuizPart
  quiz: Quiz
  one: QuizQuestion
  takesFocus: boolean
}>()
const { t } = useI18n()
const standing = computed(() => props.quiz.answers.standing(props.one.question.id))
const rewatching = ref(false)
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

function closeFilm(): void {
  rewatching.value = false
  void nextTick(() => document.getElementById(`item-${props.one.itemId}`)?.focus())
}
</script>

<template>
  <article
    :id="`item-${one.itemId}`"
    class="item paper"
    tabindex="-1"
    :aria-label="t('player.quiz.question', { number: one.number })"
  >
    <QuestionSheet
      :question="one.question"
      :material="one.material"
      :standing="standing"
      :number="one.number"
      :count="quiz.questions.length"
      :evidence="rewatching ? null : evidence"
      :begun="begun"
      :seed="opened.seed"
      :keeps-drafts="opened.keepsDrafts ?? true"
      :takes-focus="takesFocus"
      :told="quiz.told.value"
      :level="4"
      @written="quiz.note(one.itemId, $event)"
      @give="quiz.give(one, $event)"
      @rewatch="rewatching = true"
    />
    <StretchPlayer
      v-if="rewatching && evidence"
      class="film"
      :host="host"
      :opened="opened"
      :stretch="evidence"
      @close="closeFilm"
    />
  </article>
</template>

<style scoped>
.item {
  scroll-margin-top: 76px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.item:focus-visible {
  outline-offset: 2px;
}
.film {
  margin: 0 28px 24px;
}
@media (max-width: 760px) {
  .item {
    margin-inline: -12px;
    border-inline: 0;
    border-radius: 0;
  }
  .film {
    margin: 0 0 16px;
  }
}
</style>
