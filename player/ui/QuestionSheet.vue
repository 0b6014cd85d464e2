<script setup lang="ts">
// The sheet beside the frame on which a question is answered. The picture it asks about stays in view.
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { pluralOf } from '../i18n.ts'
import type { QuestionCue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { isReleasable, type AnswerResult, type QuestionMoment } from '@fernbrake/core/playback'
import type { Answer, Question } from '@fernbrake/core/questions'
import type { QuestionStanding } from '../session/useAnswers.ts'
import ChoiceView from './ChoiceView.vue'

const props = defineProps<{
  cue: QuestionCue
  question: Question
  moment: QuestionMoment
  standing: QuestionStanding
  result: AnswerResult | undefined
  number: number
  count: number
  reviewing: boolean
}>()
const emit = defineEmits<{ give: [answer: Answer]; goOn: []; rewatch: [] }>()
const { t, n } = useI18n()

const picked = ref<string[]>(props.standing.lastAnswer?.picked.slice() ?? [])
/** Another try is being made, so the earlier feedback is put away. */
const trying = ref(props.standing.triesUsed === 0)
const hintShown = ref(false)
const heading = useTemplateRef('heading')
const outcome = useTemplateRef('outcome')
const actions = useTemplateRef('actions')

const verdict = computed(() => props.standing.lastMark?.verdict ?? null)
const canGoOn = computed(() => isReleasable(props.moment, props.result))
const answered = computed(() => !trying.value)
const feedback = computed(() => {
  const key = verdict.value
  return key && key !== 'unmarked' ? props.question.feedback[key] : ''
})

onMounted(() => heading.value?.focus({ preventScroll: true }))
// After the evidence was played again the question is asked afresh.
watch(
  () => props.reviewing,
  (is, was) => {
    if (!was || is) return
    if (!props.standing.final && answered.value) tryAgain()
    else void nextTick(() => heading.value?.focus({ preventScroll: true }))
  },
)

function give(): void {
  if (picked.value.length === 0 || answered.value) return
  trying.value = false
  emit('give', { kind: 'choice', picked: [...picked.value] })
  void nextTick(() => {
    outcome.value?.focus({ preventScroll: true })
    // On a small screen the verdict and what can be done next may lie below the edge.
    actions.value?.scrollIntoView({ block: 'nearest' })
  })
}

function tryAgain(): void {
  trying.value = true
  picked.value = []
  void nextTick(() => heading.value?.focus({ preventScroll: true }))
}
</script>

<template>
  <section class="question" :aria-label="t('player.questionOf', { number, count })">
    <p class="which">
      {{ t('player.questionOf', { number, count }) }} ·
      {{ t('player.points', { n: n(question.points) }, pluralOf(question.points)) }}
    </p>
    <h2 ref="heading" tabindex="-1" dir="auto">{{ question.stem }}</h2>
    <p v-if="reviewing" class="note" role="status">{{ t('player.reviewing') }}</p>
    <form @submit.prevent="give">
      <ChoiceView
        v-model="picked"
        :question="question"
        :answered="answered"
        :revealed="standing.final"
      />
      <div
        v-if="answered && verdict"
        ref="outcome"
        class="outcome"
        :class="verdict"
        tabindex="-1"
        role="status"
      >
        <p class="verdict">
          <svg viewBox="0 0 20 20" aria-hidden="true">
            <path v-if="verdict === 'right'" d="M3 10.5 L8 15.5 L17 5" />
            <path v-else-if="verdict === 'partly'" d="M3 10 H17" />
            <path v-else d="M4 4 L16 16 M16 4 L4 16" />
          </svg>
          {{ t(`player.${verdict}`) }}
        </p>
        <p v-if="feedback" dir="auto">{{ feedback }}</p>
        <p v-if="!standing.final && standing.triesLeft !== null" class="tries">
          {{ t('player.triesLeft', standing.triesLeft) }}
        </p>
        <div v-if="standing.final && question.explanation" class="why">
          <h3>{{ t('player.explanation') }}</h3>
          <p dir="auto">{{ question.explanation }}</p>
        </div>
      </div>
      <p v-if="hintShown && !answered" class="note" role="status" dir="auto">{{ question.hint }}</p>
      <div ref="actions" class="actions">
        <button
          v-if="!answered"
          class="fb-button act"
          type="submit"
          :disabled="picked.length === 0"
        >
          {{ t('player.give') }}
        </button>
        <button
          v-if="answered && canGoOn"
          class="fb-button act"
          type="button"
          @click="emit('goOn')"
        >
          {{ t('player.goOn') }}
        </button>
        <button
          v-if="answered && !standing.final"
          class="fb-button"
          type="button"
          @click="tryAgain"
        >
          {{ t('player.tryAgain') }}
        </button>
        <button
          v-if="moment.evidence && !reviewing && moment.hold !== 'none'"
          class="fb-button"
          type="button"
          @click="emit('rewatch')"
        >
          {{
            t('player.rewatch', {
              from: clockTime(moment.evidence.fromMs),
              to: clockTime(moment.evidence.toMs),
            })
          }}
        </button>
        <button
          v-if="question.hint && !answered && !hintShown"
          class="fb-button plain"
          type="button"
          @click="hintShown = true"
        >
          {{ t('player.hint') }}
        </button>
        <button
          v-if="!answered && canGoOn"
          class="fb-button plain"
          type="button"
          @click="emit('goOn')"
        >
          {{ t('player.skip') }}
        </button>
      </div>
      <p v-if="!canGoOn && !reviewing" class="rule">
        {{ moment.hold === 'right' ? t('player.mustBeRight') : t('player.mustAnswer') }}
      </p>
    </form>
  </section>
</template>

<style scoped>
.question {
  padding: 28px 28px 24px;
}
.which {
  color: var(--rust);
  font-weight: 650;
  margin-bottom: 14px;
}
h2 {
  font-family: var(--reading);
  font-size: 23px;
  font-weight: 600;
  line-height: 1.3;
  margin-bottom: 16px;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
/* Focus is brought here so that it is read out; nothing here can be operated. */
h2:focus-visible,
.outcome:focus-visible {
  outline: none;
}
.note {
  margin: 4px 0 14px;
  padding: 10px 14px;
  border-left: 3px solid var(--straw);
  background: var(--straw-soft);
  white-space: pre-wrap;
}
.actions {
  scroll-margin-bottom: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 10px 12px;
  margin-top: 18px;
}
.outcome {
  margin: 14px 0;
  padding: 12px 16px;
  border-left: 4px solid var(--rust);
  background: var(--rust-soft);
  overflow-wrap: anywhere;
  white-space: pre-line;
}
.outcome.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.outcome.partly {
  border-color: var(--straw);
  background: var(--straw-soft);
}
.verdict {
  display: flex;
  align-items: center;
  gap: 8px;
  font-weight: 700;
}
.verdict svg {
  width: 18px;
  height: 18px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.75;
}
.tries,
.rule {
  margin-top: 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.why {
  margin-top: 12px;
}
.why h3 {
  font-size: 13.5px;
  color: var(--ink-2);
}
@media (max-width: 760px) {
  .question {
    padding: 18px 16px 24px;
  }
  h2 {
    font-size: 20px;
  }
  .actions .fb-button:not(.plain) {
    flex: 1 1 160px;
  }
}
</style>
