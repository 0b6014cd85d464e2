<script setup lang="ts">
// A quiz as a learner works through it: its questions on one page or one at a time, then how they did.
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import { endMessage, type QuizPart } from '@fernbrake/core/lesson'
import { fillPlaces } from '@fernbrake/core/text'
import { provideStretches } from '../parts/stretches.ts'
import { provideForQuestions } from '../questions/provideForQuestions.ts'
import TextView from '../questions/TextView.vue'
import { useFacts } from '../session/useFacts.ts'
import { useClassTalk } from '../talk/classTalk.ts'
import PartsNav from '../ui/PartsNav.vue'
import type { ShownWay } from '../ui/partsState.ts'
import HandIn from './HandIn.vue'
import QuizFrond from './QuizFrond.vue'
import QuizItem from './QuizItem.vue'
import QuizSummary from './QuizSummary.vue'
import type { PartProps } from '../parts/partProps.ts'
import { useQuiz } from './useQuiz.ts'

const props = defineProps<PartProps & { part: QuizPart }>()
const emit = defineEmits<{ pickPart: [partId: string]; take: [way: ShownWay] }>()
const { t } = useI18n()
const classTalk = useClassTalk()
const { part } = props
const quiz = useQuiz(props.host, props.opened, part)
provideForQuestions(props.host, props.opened)
provideStretches(props.host, props.opened)
const facts = useFacts(props.opened.learnerName, quiz.answers.score)

const shows = ref<'questions' | 'summary'>(quiz.handedIn.value ? 'summary' : 'questions')
const isOneByOne = part.layout === 'oneAtATime'
const firstOpen = quiz.questions.findIndex(({ itemId }) => quiz.stateOf(itemId) === 'open')
/** The question that is open where they come one at a time. */
const at = ref(Math.max(0, firstOpen))
/** A question that the learner went to takes the focus; one that stands there from the start does not. */
const hasMoved = ref(false)
const shown = computed(() =>
  isOneByOne ? quiz.questions.slice(at.value, at.value + 1) : quiz.questions,
)
const summary = useTemplateRef('summary')
const where = computed(() => ({
  number: props.parts.all.findIndex(({ id }) => id === part.id) + 1,
  count: props.parts.all.length,
}))
/** The lesson's own words come when nothing is left of it. */
const lastWords = computed(() => {
  const { lesson } = props.opened
  return props.parts.isOver
    ? fillPlaces(endMessage(lesson.ending, quiz.answers.score.value), facts.value)
    : ''
})

const title = useTemplateRef('title')
onMounted(() => props.takesFocus && title.value?.focus({ preventScroll: true }))

async function goTo(itemId: string): Promise<void> {
  shows.value = 'questions'
  hasMoved.value = true
  const index = quiz.questions.findIndex((one) => one.itemId === itemId)
  if (isOneByOne) at.value = index
  await nextTick()
  const card = document.getElementById(`item-${itemId}`)
  card?.scrollIntoView({ block: 'start' })
  if (!isOneByOne) card?.focus({ preventScroll: true })
}

async function step(by: 1 | -1): Promise<void> {
  await goTo(quiz.questions[at.value + by]!.itemId)
}

async function handIn(): Promise<void> {
  quiz.handIn()
  shows.value = 'summary'
  await nextTick()
  summary.value?.focus()
  document.getElementById('quiz-top')?.scrollIntoView({ block: 'start' })
}
</script>

<template>
  <div class="quiz">
    <div class="overview paper">
      <QuizFrond
        :questions="quiz.questions"
        :state-of="quiz.stateOf"
        :open-id="isOneByOne && shows === 'questions' ? shown[0]!.itemId : null"
        @pick="goTo"
      />
      <p class="answered">
        {{
          t('player.quiz.answeredOf', {
            n: quiz.summary.value.answered,
            all: quiz.summary.value.count,
          })
        }}
      </p>
    </div>
    <main>
      <header id="quiz-top">
        <p class="lesson">
          <span dir="auto">{{ opened.lesson.title }}</span> · {{ aside }}
        </p>
        <p v-if="where.count > 1" class="where">{{ t('player.partOf', where) }}</p>
        <h1 ref="title" tabindex="-1" dir="auto">{{ part.title }}</h1>
      </header>
      <QuizSummary
        v-if="shows === 'summary'"
        ref="summary"
        :part="part"
        :quiz="quiz"
        :parts="parts"
        :all-sent="hostState.waiting === 0"
        :last-words="lastWords"
        @look="goTo"
        @back="goTo(quiz.questions[at]!.itemId)"
        @take="emit('take', $event)"
      />
      <template v-else>
        <TextView
          v-if="!isBlank(part.instructions) && (!isOneByOne || at === 0)"
          class="instructions"
          :text="part.instructions"
        />
        <template v-for="one in shown" :key="one.itemId">
          <div v-if="one.begins || isOneByOne" class="section">
            <h2 v-if="one.section.title" dir="auto">{{ one.section.title }}</h2>
            <TextView
              v-if="!isBlank(one.section.instructions)"
              class="instructions"
              :text="one.section.instructions"
            />
          </div>
          <QuizItem
            :host="host"
            :opened="opened"
            :part="part"
            :quiz="quiz"
            :one="one"
            :takes-focus="isOneByOne && hasMoved"
          />
        </template>
        <div v-if="isOneByOne" class="steps">
          <button class="fb-button" type="button" :disabled="at === 0" @click="step(-1)">
            {{ t('player.quiz.back') }}
          </button>
          <button
            v-if="at < quiz.questions.length - 1"
            class="fb-button"
            :class="{ act: quiz.stateOf(shown[0]!.itemId) !== 'open' }"
            type="button"
            @click="step(1)"
          >
            {{ t('player.quiz.next') }}
          </button>
        </div>
        <HandIn
          v-if="!isOneByOne || at === quiz.questions.length - 1 || quiz.handedIn.value"
          :quiz="quiz"
          :tells-at-end="part.tells === 'atEnd'"
          @hand-in="handIn"
          @pick="goTo"
        />
      </template>
    </main>
    <div class="parts paper">
      <!-- Before that, what others say could be what is asked. -->
      <component
        :is="classTalk.views.folded"
        v-if="classTalk && quiz.handedIn.value"
        :class-talk="classTalk"
        :part-id="part.id"
      />
      <PartsNav :parts="parts" @pick="emit('pickPart', $event)" />
    </div>
  </div>
</template>

<style scoped>
.quiz {
  flex: 1 1 0;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  grid-template-rows: auto minmax(0, 1fr);
  background: var(--ground);
  color: var(--ink);
}
.overview,
.parts {
  grid-column: 2;
  border-inline-start: 1px solid var(--line);
}
.overview {
  max-height: 60vh;
  overflow-y: auto;
  padding: 22px 28px 14px;
}
.answered {
  margin-top: 12px;
  color: var(--ink-2);
}
.parts {
  overflow-y: auto;
}
main {
  grid-area: 1 / 1 / 3 / 2;
  position: relative;
  display: flex;
  flex-direction: column;
  gap: 18px;
  min-height: 0;
  overflow-y: auto;
  padding: 18px max(22px, calc((100% - 800px) / 2)) 40px;
}
main > * {
  flex: none;
}
header {
  scroll-margin-top: 18px;
}
header p {
  color: var(--ink-2);
}
.where {
  margin-top: 10px;
}
h1 {
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
h1:focus-visible {
  outline: none;
}
h2 {
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.section:not(:empty) {
  padding-top: 8px;
}
.instructions {
  display: block;
  margin-top: 4px;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.steps {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
/* On a narrow screen the leaves stay at the top while the questions pass under them. */
@media (max-width: 1000px) {
  .quiz {
    flex: 1 0 auto;
    display: block;
  }
  .overview {
    position: sticky;
    top: 0;
    z-index: 3;
    max-height: none;
    padding: 4px 12px 0;
    border-inline-start: 0;
    border-bottom: 1px solid var(--line);
  }
  .answered {
    display: none;
  }
  header {
    scroll-margin-top: 80px;
  }
  main {
    overflow: visible;
    padding: 12px 16px 28px;
  }
  .parts {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
