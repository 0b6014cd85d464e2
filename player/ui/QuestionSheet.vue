<script setup lang="ts">
// A question as it is answered: on the sheet beside the frame, or among the others of a quiz.
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import type { Material } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import {
  fitsQuestion,
  HELP_AFTER_TRIES,
  isByPerson,
  isGraded,
  isMended,
  isSelfJudged,
  readableAnswer,
  type Answer,
  type Question,
  readsAsWord,
} from '@fernbrake/core/questions'
import TextView from '../questions/TextView.vue'
import AnswerOutcome from './AnswerOutcome.vue'
import MaterialBox from './MaterialBox.vue'
import TimeLeft from './TimeLeft.vue'
import { useAnswerDraft } from '../questions/useAnswerDraft.ts'
import { viewFor } from '../questions/views.ts'
import type { QuestionStanding } from '../session/useAnswers.ts'

const props = withDefaults(
  defineProps<{
    question: Question
    /** What it is about, with other questions. */
    material: Material | null
    standing: QuestionStanding
    number: number
    count: number
    /** Whether the learner may leave it now. */
    canGoOn?: boolean
    /** It holds nothing up, and is closed as it is. */
    beside?: boolean
    /** Whether so many wrong tries bring the explanation and what is right, see `HELP_AFTER_TRIES`. */
    helps?: boolean
    /** Said while they may not. */
    rule?: string | null
    /** The film that can be played again for it; null where none can. */
    evidence?: { fromMs: number; toMs: number } | null
    /** It is being played just now. */
    reviewing?: boolean
    seed: string
    /** The time there is to answer; null where none is set, or none is left. */
    countdown?: { share: number; leftMs: number } | null
    /** The time has run out: what was done by then is given. */
    timeUp?: boolean
    /** Whether an answer that is being written is kept on this device; a preview keeps nothing. */
    keepsDrafts: boolean
    /** False where somebody is at work beside it. */
    takesFocus?: boolean
    /** What was begun on it earlier, where it is not kept on this device. */
    begun?: Answer | null
    /** False where learners are told what came of their answers later on. */
    told?: boolean
    /** Of the heading that the question is. */
    level?: number
  }>(),
  {
    canGoOn: false,
    beside: false,
    helps: false,
    rule: null,
    evidence: null,
    reviewing: false,
    countdown: null,
    timeUp: false,
    takesFocus: true,
    told: true,
    level: 2,
    begun: null,
  },
)
const emit = defineEmits<{
  give: [answer: Answer]
  goOn: []
  rewatch: []
  /** What has been written and could be given; null where nothing could. */
  written: [answer: Answer | null]
}>()
const { t, n } = useI18n()

const draft = useAnswerDraft(props.keepsDrafts ? `${props.seed} ${props.question.id}` : null)
const answer = shallowRef<Answer | null>(
  props.standing.lastAnswer ?? draft.read(props.question.kind) ?? props.begun,
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

/** Whether it is told what came of the last answer; only the server may know, and not have said yet. */
const tellsHere = computed(() => props.told && !props.standing.pending)
/** What the verdict is called: those who only said what they think, or wait to be marked, are told just that. */
const verdict = computed(() => {
  const verdict = props.standing.lastMark?.verdict ?? null
  if (verdict === null) return null
  if (!props.told) return 'kept'
  if (props.standing.pending) return 'coming'
  if (isSelfJudged(props.question)) return 'thanks'
  if (verdict !== 'unmarked') return verdict
  return isByPerson(props.question) ? 'waits' : 'thanks'
})
const answered = computed(() => !trying.value)
/** No further try follows. */
const closed = computed(() => props.standing.final || props.timeUp)
/** Whoever cannot go on without the right answer is told it in the end. */
const helped = computed(
  () =>
    props.helps &&
    tellsHere.value &&
    !props.standing.right &&
    props.standing.triesUsed >= HELP_AFTER_TRIES,
)
/** What was given, where its view would tell how right it is. */
const givenUntold = computed(() => {
  const { lastAnswer } = props.standing
  if (!answered.value || tellsHere.value || !lastAnswer) return null
  const said = readableAnswer(props.question, lastAnswer)
  return readsAsWord(props.question) ? t(`player.${said}`) : said
})
const feedback = computed(() => {
  const key = props.standing.lastMark?.verdict ?? null
  return key && key !== 'unmarked' && tellsHere.value ? props.question.feedback[key] : ''
})
const worth = computed(() =>
  isGraded(props.question) && props.question.points > 0
    ? t('player.points', { n: n(props.question.points) }, props.question.points)
    : t('player.noPoints'),
)

/** What has been done so far is kept whether or not it may be given yet. */
const canGive = computed(() => answer.value !== null && fitsQuestion(props.question, answer.value))
/** Some views begin with an answer, as the order in which things happen to lie; nobody has written that. */
const touched = ref(answer.value !== null)
const hasHandsOn = ref(false)
watch(answer, (now) => {
  if (hasHandsOn.value) touched.value = true
  if (trying.value && touched.value) draft.keep(now)
})
watch(
  () => (answered.value || !canGive.value || !touched.value ? null : answer.value),
  (now) => emit('written', now),
  { immediate: true },
)
// Whoever holds several questions may give what is written on all of them at once.
watch(
  () => props.standing.triesUsed,
  () => {
    if (answered.value) return
    trying.value = false
    draft.forget()
  },
)
// A question that was cut is told whole once it may be: its answer goes by its own names from then on.
watch(
  () => props.question,
  () => {
    if (answered.value) answer.value = props.standing.lastAnswer
  },
)
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
    outcome.value?.focus()
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
    void nextTick(() => outcome.value?.focus())
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
    <div ref="heading" class="stem" role="heading" :aria-level="level" tabindex="-1">
      <slot name="stem"><TextView :text="question.stem" /></slot>
    </div>
    <TimeLeft
      v-if="countdown"
      class="countdown"
      :share="countdown.share"
      :left-ms="countdown.leftMs"
    />
    <p v-if="reviewing" class="note" role="status">{{ t('player.reviewing') }}</p>
    <form
      @submit.prevent="give"
      @pointerdown.capture="hasHandsOn = true"
      @keydown.capture="hasHandsOn = true"
      @input.capture="hasHandsOn = true"
      @change.capture="hasHandsOn = true"
    >
      <div v-if="givenUntold !== null" class="given">
        <h3>{{ t('player.yourAnswer') }}</h3>
        <p dir="auto">{{ givenUntold }}</p>
      </div>
      <component
        :is="view"
        v-else-if="view"
        :key="tryKey"
        v-model="answer"
        :question="question"
        :answered="answered"
        :revealed="closed || helped"
        :mark="answered ? standing.lastMark : null"
        :seed="seed"
      />
      <div v-else-if="viewFailed" class="note" role="alert">
        <p>{{ t('player.viewFailed') }}</p>
        <button class="fb-button" type="button" @click="fetchView">{{ t('player.retry') }}</button>
      </div>
      <p v-else class="wait" role="status">{{ t('player.viewComing') }}</p>
      <AnswerOutcome
        v-if="answered && (verdict || timeUp)"
        ref="outcome"
        :verdict="verdict"
        :feedback="feedback"
        :explanation="(closed || helped) && tellsHere ? question.explanation : ''"
        :time-up="timeUp"
        :tries-left="closed ? null : standing.triesLeft"
      />
      <p v-if="helped && answered" class="note">{{ t('player.helped') }}</p>
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
          {{ t(beside ? 'player.closeQuestion' : 'player.goOn') }}
        </button>
        <button
          v-if="answered && !closed && verdict !== 'coming'"
          class="fb-button"
          type="button"
          @click="tryAgain"
        >
          {{
            told && isGraded(question) && !isByPerson(question) && !isSelfJudged(question)
              ? t('player.tryAgain')
              : t('player.answerAnew')
          }}
        </button>
        <button
          v-if="evidence && !reviewing"
          class="fb-button"
          type="button"
          @click="emit('rewatch')"
        >
          {{
            t('player.rewatch', { from: clockTime(evidence.fromMs), to: clockTime(evidence.toMs) })
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
          {{ t(beside ? 'player.closeQuestion' : 'player.skip') }}
        </button>
      </div>
      <p v-if="rule && !canGoOn && !reviewing" class="rule">{{ rule }}</p>
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
.stem:focus-visible {
  outline: none;
}
.countdown {
  --time: var(--rust);
}
.note {
  margin: 4px 0 14px;
  padding: 10px 14px;
  border-inline-start: 3px solid var(--straw);
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
.given p {
  font-family: var(--reading);
  font-size: 17px;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.wait {
  min-height: 120px;
  color: var(--ink-2);
}
.rule {
  margin-top: 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.given h3 {
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
