<script setup lang="ts">
// A question among other things, on a sheet of its own, with the film that answers it below it once it is asked for.
import { computed, nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Stretch } from '@fernbrake/core/fields'
import type { Answer, Question } from '@fernbrake/core/questions'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import StretchPlayer from '../quiz/StretchPlayer.vue'
import type { QuestionStanding } from '../session/useAnswers.ts'
import QuestionSheet from '../ui/QuestionSheet.vue'

const props = defineProps<{
  host: Host
  opened: OpenedLesson
  /** The id under which the card is found in the page. */
  cardId: string
  question: Question
  standing: QuestionStanding
  number: number
  count: number
  /** The film that can be played again for it; null where none can. */
  evidence: Stretch | null
  begun?: Answer | null
  takesFocus?: boolean
  /** True where learners are told later on. */
  untold?: boolean
  /** Of the heading that the question is. */
  level?: number
}>()
const emit = defineEmits<{ give: [answer: Answer]; written: [answer: Answer | null] }>()
const { t } = useI18n()
const material = computed(
  () => props.opened.lesson.materials?.[props.question.materialId ?? ''] ?? null,
)
const rewatching = ref(false)
function closeFilm(): void {
  rewatching.value = false
  void nextTick(() => document.getElementById(props.cardId)?.focus())
}
</script>

<template>
  <article
    :id="cardId"
    class="card paper"
    tabindex="-1"
    :aria-label="t('player.quiz.question', { number })"
  >
    <QuestionSheet
      :question="question"
      :material="material"
      :standing="standing"
      :number="number"
      :count="count"
      :evidence="rewatching ? null : evidence"
      :begun="begun ?? null"
      :seed="opened.seed"
      :keeps-drafts="opened.keepsDrafts ?? true"
      :takes-focus="takesFocus"
      :told="!untold"
      :level="level ?? 2"
      @written="emit('written', $event)"
      @give="emit('give', $event)"
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
.card {
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.card:focus-visible {
  outline-offset: 2px;
}
.film {
  margin: 0 28px 24px;
}
@media (max-width: 760px) {
  .film {
    margin: 0 0 16px;
  }
}
@media print {
  .card {
    break-inside: avoid;
  }
}
</style>
