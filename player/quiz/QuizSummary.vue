<script setup lang="ts">
// How the learner did: the marks as a whole and by section, how each question stands, and the way back to each.
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ItemState } from '@fernbrake/core/analysis'
import { endMessage, type QuizPart } from '@fernbrake/core/lesson'
import { plainOf } from '@fernbrake/core/fields'
import { keptWord } from '../ui/keptWord.ts'
import type { PartsState, ShownWay } from '../ui/partsState.ts'
import WaysOn from '../ui/WaysOn.vue'
import { usePlaces } from '../questions/usePlaces.ts'
import type { Quiz } from './useQuiz.ts'

const props = defineProps<{
  part: QuizPart
  quiz: Quiz
  parts: PartsState
  allSent: boolean
  /** What is said at the end of the lesson; '' while something is left of it. */
  lastWords: string
}>()
const emit = defineEmits<{ look: [itemId: string]; back: []; take: [way: ShownWay] }>()
const { t, n } = useI18n()
const filled = usePlaces()
const heading = useTemplateRef('heading')
defineExpose({ focus: () => heading.value?.focus({ preventScroll: true }) })

const title = computed(() =>
  t(props.quiz.isHeldBack ? 'player.quiz.yourAnswers' : 'player.quiz.summary'),
)
const summary = computed(() => props.quiz.summary.value)
const figure = (points: number) => n(points, { maximumFractionDigits: 2 })
const share = computed(() => (summary.value.max > 0 ? summary.value.points / summary.value.max : 0))
const words = computed(() =>
  filled(endMessage(props.part.ending, props.quiz.tellsSum.value ? summary.value : null)),
)
const COUNTED = computed(() =>
  props.quiz.tellsSum.value
    ? (['right', 'partly', 'wrong', 'open'] as const)
    : (['given', 'open'] as const),
)
const questionOf = new Map(props.quiz.questions.map((one) => [one.itemId, one]))
const sections = computed(() =>
  summary.value.sections.map((outcome) => ({
    ...outcome,
    title: props.part.sections[outcome.sectionId]?.title ?? '',
    lines: outcome.items.map((item) => {
      const { number, question } = questionOf.get(item.itemId)!
      return { ...item, number, stem: filled(plainOf(question.stem)) }
    }),
  })),
)
const NOT_RIGHT: readonly ItemState[] = ['wrong', 'partly', 'open']
const firstWrong = computed(() =>
  props.quiz.questions.find(({ itemId }) => NOT_RIGHT.includes(props.quiz.stateOf(itemId))),
)
const sign: Record<ItemState, string> = {
  right: 'M3 10.5 L8 15.5 L17 5',
  partly: 'M3 10 H17',
  wrong: 'M4 4 L16 16 M16 4 L4 16',
  open: 'M10 3.5 A6.5 6.5 0 1 0 10.01 3.5',
  waits: 'M6 3 V17 M14 3 V17',
  given: 'M10 4 V16 M4 10 H16',
}
</script>

<template>
  <section class="summary paper" :aria-label="title">
    <div role="status">
      <h3 ref="heading" tabindex="-1">{{ title }}</h3>
      <p v-if="summary.max > 0" class="score">
        {{
          t(
            'player.quiz.score',
            { points: figure(summary.points), max: figure(summary.max) },
            summary.max,
          )
        }}
      </p>
      <p v-else-if="quiz.isComing.value">{{ t('player.quiz.coming') }}</p>
      <p v-else>{{ t(quiz.tellsSum.value ? 'player.quiz.noMarks' : 'player.toldLater') }}</p>
      <div v-if="summary.max > 0" class="bar" aria-hidden="true">
        <i :style="{ width: `${share * 100}%` }" />
      </div>
      <ul class="counts">
        <li v-for="state in COUNTED.filter((one) => summary.states[one] > 0)" :key="state">
          <svg viewBox="0 0 20 20" :class="state" aria-hidden="true"><path :d="sign[state]" /></svg>
          <b>{{ n(summary.states[state]) }}</b> {{ t(`player.quiz.count.${state}`) }}
        </li>
      </ul>
      <p v-if="summary.states.waits > 0" class="waiting">
        {{ t('player.quiz.waiting', summary.states.waits) }}
      </p>
      <p v-if="words" class="words" dir="auto">{{ words }}</p>
      <p v-if="lastWords" class="words" dir="auto">{{ lastWords }}</p>
    </div>
    <div class="actions">
      <WaysOn :parts="parts" @take="emit('take', $event)" />
      <button
        v-if="firstWrong"
        class="fb-button"
        type="button"
        @click="emit('look', firstWrong.itemId)"
      >
        {{ t(quiz.tellsSum.value ? 'player.quiz.toWrong' : 'player.quiz.toOpen') }}
      </button>
      <button class="fb-button plain" type="button" @click="emit('back')">
        {{ t('player.quiz.toQuestions') }}
      </button>
    </div>
    <p class="help">{{ t('player.quiz.lookAgain') }}</p>
    <div v-for="section in sections" :key="section.sectionId" class="section">
      <h4>
        <span dir="auto">{{ section.title || t('player.quiz.questions') }}</span>
        <span v-if="section.max > 0" class="marks">{{
          t('player.quiz.sectionScore', {
            points: figure(section.points),
            max: figure(section.max),
          })
        }}</span>
      </h4>
      <ol>
        <li v-for="line in section.lines" :key="line.itemId">
          <span class="number">{{ line.number }}</span>
          <button
            class="stem"
            type="button"
            dir="auto"
            :aria-label="t('player.quiz.lookAgainAt', { number: line.number, stem: line.stem })"
            @click="emit('look', line.itemId)"
          >
            <span>{{ line.stem }}</span>
          </button>
          <span class="state" :class="line.state">
            <svg viewBox="0 0 20 20" aria-hidden="true"><path :d="sign[line.state]" /></svg>
            {{
              t(
                line.state === 'open'
                  ? 'player.quiz.count.open'
                  : `player.quiz.state.${line.state}`,
              )
            }}
          </span>
          <span class="marks">{{
            line.max > 0
              ? t('player.quiz.sectionScore', {
                  points: figure(line.points),
                  max: figure(line.max),
                })
              : ''
          }}</span>
        </li>
      </ol>
    </div>
    <p class="kept">{{ t(keptWord({ allSent, goesOn: parts.ways.length > 0 })) }}</p>
  </section>
</template>

<style scoped>
.summary {
  padding: 26px 28px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
h3 {
  font-size: 15px;
  color: var(--ink-2);
}
h3:focus-visible {
  outline: none;
}
.score {
  font-family: var(--reading);
  font-size: 34px;
  font-weight: 600;
  line-height: 1.25;
}
.bar {
  height: 8px;
  margin: 6px 0 14px;
  background: var(--sunk);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--fern);
}
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.counts li,
.state {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
svg {
  flex: none;
  width: 16px;
  height: 16px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.5;
}
.right svg,
svg.right {
  color: var(--fern);
}
.wrong svg,
svg.wrong,
.open svg,
svg.open {
  color: var(--rust);
}
.partly svg,
svg.partly,
.waits svg {
  color: var(--straw);
}
.waiting,
.kept {
  margin-top: 10px;
  color: var(--ink-2);
}
.words {
  margin-top: 12px;
  font-family: var(--reading);
  font-size: 17px;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 12px;
  margin: 18px 0 6px;
}
.section {
  margin-top: 20px;
}
h4 {
  display: flex;
  gap: 12px;
  margin: 0;
  padding-bottom: 6px;
  border-bottom: 3px solid var(--fern);
  font-size: 15px;
}
h4 span:first-child {
  flex: 1;
}
.marks {
  font-family: var(--mono);
  font-weight: 400;
  text-align: end;
  white-space: nowrap;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
ol li {
  display: grid;
  grid-template-columns: 1.8em minmax(0, 1fr) 9.5em 6em;
  align-items: center;
  gap: 4px 10px;
  min-height: 48px;
  border-bottom: 1px solid var(--line);
}
.number {
  font-family: var(--mono);
  color: var(--ink-2);
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
.stem {
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-family: var(--reading);
  text-align: start;
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 3px;
  cursor: pointer;
}
.stem:hover {
  text-decoration-color: currentcolor;
}
.stem span {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  overflow-wrap: anywhere;
}
@media (max-width: 760px) {
  .summary {
    margin-inline: -12px;
    padding: 18px 16px;
    border-inline: 0;
  }
  .actions .fb-button:not(.plain) {
    flex: 1 1 160px;
  }
  ol li {
    grid-template-columns: 1.8em minmax(0, 1fr) auto;
    padding: 4px 0 8px;
  }
  .stem {
    grid-column: 2 / -1;
  }
  .state {
    grid-column: 2;
    grid-row: 2;
  }
  ol .marks {
    grid-column: 3;
    grid-row: 2;
  }
}
</style>
