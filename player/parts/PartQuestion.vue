<script setup lang="ts">
// A question on a page or under a pin, with the film that answers it below it once it is asked for.
import { computed, nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { partOfKind } from '@fernbrake/core/lesson'
import StretchPlayer from '../quiz/StretchPlayer.vue'
import QuestionSheet from '../ui/QuestionSheet.vue'
import { useSitting } from './usePart.ts'

const props = withDefaults(
  defineProps<{ askId: string; questionId: string; takesFocus?: boolean }>(),
  { takesFocus: false },
)
const { t } = useI18n()
const { host, opened, answers, asks } = useSitting()!
const { lesson } = opened
const question = lesson.questions[props.questionId]!
const material = lesson.materials?.[question.materialId ?? ''] ?? null
const number = asks.findIndex(({ id }) => id === props.askId) + 1
const standing = computed(() => answers.standing(question.id))
const evidence = computed(() =>
  question.evidence && partOfKind(lesson, question.evidence.partId, 'film')
    ? question.evidence
    : null,
)
const rewatching = ref(false)
function closeFilm(): void {
  rewatching.value = false
  void nextTick(() => document.getElementById(`ask-${props.askId}`)?.focus())
}
</script>

<template>
  <article
    :id="`ask-${askId}`"
    class="ask paper"
    tabindex="-1"
    :aria-label="t('player.quiz.question', { number })"
  >
    <QuestionSheet
      :question="question"
      :material="material"
      :standing="standing"
      :number="number"
      :count="asks.length"
      :evidence="rewatching ? null : evidence"
      :seed="opened.seed"
      :keeps-drafts="opened.keepsDrafts ?? true"
      :takes-focus="takesFocus"
      @give="answers.give({ id: askId, questionId }, $event)"
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
.ask {
  border: 1px solid var(--line);
  border-radius: var(--radius);
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
  .ask {
    break-inside: avoid;
  }
}
</style>
