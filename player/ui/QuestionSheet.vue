<script setup lang="ts">
// The sheet beside the frame on which a question is answered. The picture it asks about stays in view.
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { pluralOf } from '../i18n.ts'
import { isBlank } from '@fernbrake/core/fields'
import type { Material, QuestionCue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { isReleasable, type AnswerResult, type QuestionMoment } from '@fernbrake/core/playback'
import {
  fitsQuestion,
  isByPerson,
  isGraded,
  isMended,
  type Answer,
  type Question,
} from '@fernbrake/core/questions'
import TextView from '../questions/TextView.vue'
import MaterialBox from './MaterialBox.vue'
import TimeLeft from './TimeLeft.vue'
import { useAnswerDraft } from '../questions/useAnswerDraft.ts'
import { viewFor } from '../questions/views.ts'
import type { QuestionStanding } from '../session/useAnswers.ts'

const props = withDefaults(
  defineProps<{
    cue: QuestionCue
    question: Question
    /** What it is about, with other questions. */
    material: Material | null
    moment: QuestionMoment
    standing: QuestionStanding
    result: AnswerResult | undefined
    number: number
    count: number
    reviewing: boolean
    seed: string
    /** The time there is to answer; null where none is set, or none is left. */
    countdown: { share: number; leftMs: number } | null
    /** The time has run out: what was done by then is given. */
    timeUp: boolean
    /** Whether an answer that is being written is kept on this device; a preview keeps nothing. */
    keepsDrafts: boolean
    /** False where somebody is at work beside it. */
    takesFocus?: boolean
  }>(),
  { takesFocus: true },
)
const emit = defineEmits<{ give: [answer: Answer]; goOn: []; rewatch: [] }>()
const { t, n } = useI18n()

const draft = useAnswerDraft(props.keepsDrafts ? `${props.seed} ${props.question.id}` : null)
const answer = shallowRef<Answer | null>(
  props.standing.lastAnswer ?? draft.read(props.question.kind),
)
/** Another try is being made, so the earlier feedback is put away. */
const trying = ref(props.standing.triesUsed === 0)
/** Grows with each try, so that its view begins afresh. */
const tryKey = ref(0)
const hintShown = ref(false)
const heading = useTemplateRef('heading')
const outcome = useTemplateRef('outcome')
const actions = useTemplateRef('actions')

const view = shallowRef<Awaited<ReturnType<typeof viewFor>> | null>(null)
const viewFailed = ref(false)
async function fetchView(): Promise<void> {
  viewFailed.value = false
  try {
    view.value = await viewFor(props.question.kind)
  } catch {
    viewFailed.value = true
  }
}
void fetchView()

/** What the verdict is called: those who only said what they think, or wait to be marked, are told just that. */
const verdict = computed(() => {
  const verdict = props.standing.lastMark?.verdict ?? null
  if (verdict !== 'unmarked') return verdict
  return isByPerson(props.question) ? 'waits' : 'thanks'
})
const canGoOn = computed(() => isReleasable(props.moment, props.result))
const answered = computed(() => !trying.value)
/** No further try follows. */
const closed = computed(() => props.standing.final || props.timeUp)
const feedback = computed(() => {
  const key = props.standing.lastMark?.verdict ?? null
  return key && key !== 'unmarked' ? props.question.feedback[key] : ''
})
const worth = computed(() =>
  isGraded(props.question) && props.question.points > 0
    ? t('player.points', { n: n(props.question.points) }, pluralOf(props.question.points))
    : t('player.noPoints'),
)

/** What has been done so far is kept whether or not it may be given yet. */
const canGive = computed(() => answer.value !== null && fitsQuestion(props.question, answer.value))
watch(answer, (now) => trying.value && draft.keep(now))
onMounted(() => props.takesFocus && heading.value?.focus({ preventScroll: true }))
// After the evidence was played again the question is asked afresh.
watch(
  () => props.reviewing,
  (is, was) => {
    if (!was || is) return
    if (!closed.value && answered.value) tryAgain()
    else void nextTick(() => heading.value?.focus({ preventScroll: true }))
  },
)

function give(): void {
  if (answer.value === null || !canGive.value || answered.value) return
  trying.value = false
  draft.forget()
  emit('give', answer.value)
  void nextTick(() => {
    outcome.value?.focus({ preventScroll: true })
    // On a small screen the verdict and what can be done next may lie below the edge.
    actions.value?.scrollIntoView({ block: 'nearest' })
  })
}

/** What has been done by then is given where it is an answer; else the question is closed without one. */
watch(
  () => props.timeUp,
  (isUp) => {
    if (!isUp || answered.value) return
    if (canGive.value) give()
    else trying.value = false
    void nextTick(() => outcome.value?.focus({ preventScroll: true }))
  },
  { immediate: true },
)

function tryAgain(): void {
  trying.value = true
  tryKey.value += 1
  if (!isMended(props.question)) answer.value = null
  void nextTick(() => heading.value?.focus({ preventScroll: true }))
}
</script>

<template>
  <section class="question" :aria-label="t('player.questionOf', { number, count })">
    <p class="which">{{ t('player.questionOf', { number, count }) }} · {{ worth }}</p>
    <MaterialBox v-if="material" :material="material" />
    <div ref="heading" class="stem" role="heading" aria-level="2" tabindex="-1">
      <TextView :text="question.stem" />
    </div>
    <TimeLeft
      v-if="countdown"
      class="countdown"
      :share="countdown.share"
      :left-ms="countdown.leftMs"
    />
    <p v-if="reviewing" class="note" role="status">{{ t('player.reviewing') }}</p>
    <form @submit.prevent="give">
      <component
        :is="view"
        v-if="view"
        :key="tryKey"
        v-model="answer"
        :question="question"
        :answered="answered"
        :revealed="closed"
        :mark="answered ? standing.lastMark : null"
        :seed="seed"
      />
      <div v-else-if="viewFailed" class="note" role="alert">
        <p>{{ t('player.viewFailed') }}</p>
        <button class="fb-button" type="button" @click="fetchView">{{ t('player.retry') }}</button>
      </div>
      <p v-else class="wait" role="status">{{ t('player.viewComing') }}</p>
      <div
        v-if="answered && (verdict || timeUp)"
        ref="outcome"
        class="outcome"
        :class="verdict ?? 'waits'"
        tabindex="-1"
        role="status"
      >
        <p v-if="timeUp" class="time-up">
          {{ t(verdict ? 'player.timeUp' : 'player.timeUpUnanswered') }}
        </p>
        <p v-if="verdict" class="verdict">
          <svg viewBox="0 0 20 20" aria-hidden="true">
            <path v-if="verdict === 'right'" d="M3 10.5 L8 15.5 L17 5" />
            <path v-else-if="verdict === 'wrong'" d="M4 4 L16 16 M16 4 L4 16" />
            <path v-else-if="verdict === 'thanks'" d="M10 4 V16 M4 10 H16" />
            <path v-else d="M3 10 H17" />
          </svg>
          {{ t(`player.${verdict}`) }}
        </p>
        <TextView v-if="!isBlank(feedback)" class="said" :text="feedback" />
        <p v-if="!closed && standing.triesLeft !== null" class="tries">
          {{ t('player.triesLeft', standing.triesLeft) }}
        </p>
        <div v-if="closed && !isBlank(question.explanation)" class="why">
          <h3>{{ t('player.explanation') }}</h3>
          <TextView :text="question.explanation" />
        </div>
      </div>
      <div v-if="hintShown && !answered" class="note" role="status">
        <TextView :text="question.hint" />
      </div>
      <div ref="actions" class="actions">
        <button v-if="!answered" class="fb-button act" type="submit" :disabled="!canGive">
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
        <button v-if="answered && !closed" class="fb-button" type="button" @click="tryAgain">
          {{
            isGraded(question) && !isByPerson(question)
              ? t('player.tryAgain')
              : t('player.answerAnew')
          }}
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
          v-if="!isBlank(question.hint) && !answered && !hintShown"
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
.stem {
  font-family: var(--reading);
  font-size: 23px;
  font-weight: 600;
  line-height: 1.3;
  margin-bottom: 16px;
  overflow-wrap: anywhere;
}
/* A question may carry more than its sentence; that is read as a text is. */
.stem :deep(.list),
.stem :deep(.medium) {
  font-size: 17px;
  font-weight: 400;
}
/* Focus is brought here so that it is read out; nothing here can be operated. */
.stem:focus-visible,
.outcome:focus-visible {
  outline: none;
}
.countdown {
  --time: var(--rust);
}
.time-up {
  margin-bottom: 4px;
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
.outcome.right,
.outcome.thanks {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.outcome.partly,
.outcome.waits {
  border-color: var(--straw);
  background: var(--straw-soft);
}
.said {
  display: block;
}
.wait {
  min-height: 120px;
  color: var(--ink-2);
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
  .stem {
    font-size: 20px;
  }
  .actions .fb-button:not(.plain) {
    flex: 1 1 160px;
  }
}
</style>
