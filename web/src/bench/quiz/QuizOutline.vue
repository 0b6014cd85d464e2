<script setup lang="ts">
// The sections of a quiz with their questions, in the order in which learners meet them.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, nextTick } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank, plainOf } from '@fernbrake/core/fields'
import { edits, MOST_NEW_IDS, sectionsInOrder, type QuizPart } from '@fernbrake/core/lesson'
import { findWhatCannotBeAsked, isGraded } from '@fernbrake/core/questions'
import { type QuizPlace, usePlaces, useRights, useBench } from '../useBench.ts'

const props = defineProps<{ quiz: QuizPart }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { draft } = bench
const { t, n } = useI18n()
const place = places.quizPlace

const sections = computed(() => {
  let number = 0
  return sectionsInOrder(props.quiz).map(({ section, items }, index) => {
    const lines = items.map(({ id, questionId }) => {
      const question = bench.lesson.value.questions[questionId]!
      return {
        id,
        number: (number += 1),
        stem: plainOf(question.stem),
        kind: t(`ask.kind.${question.kind}`),
        points: isGraded(question) ? question.points : 0,
        unready: findWhatCannotBeAsked(question).length > 0,
      }
    })
    return {
      section,
      title: section.title || t('quiz.sectionNumber', { number: index + 1 }),
      told: isBlank(section.instructions) ? '' : plainOf(section.instructions),
      lines,
      points: lines.reduce((sum, { points }) => sum + points, 0),
    }
  })
})
const count = computed(() => sections.value.reduce((sum, { lines }) => sum + lines.length, 0))
const points = computed(() => sections.value.reduce((sum, one) => sum + one.points, 0))
const marks = (value: number) => t('player.points', { n: n(value) }, value)

const isPicked = (kind: QuizPlace['kind'], id = '') =>
  place.value.kind === kind && (place.value.kind === 'quiz' || place.value.id === id)

function focusSheet(): void {
  void nextTick(() =>
    document
      .querySelector<HTMLElement>('.side [data-focus="first"] textarea, .side input')
      ?.focus(),
  )
}

function ask(sectionId: string): void {
  const itemId = nanoid()
  const ids = Array.from({ length: MOST_NEW_IDS }, () => nanoid())
  const where = { partId: props.quiz.id, sectionId, itemId, questionId: nanoid() }
  if (!draft.make(edits.askInQuiz, { ...where, kind: 'choice', ids })) return
  place.value = { kind: 'item', id: itemId }
  focusSheet()
}

function addSection(): void {
  const sectionId = nanoid()
  if (!draft.make(edits.addQuizSection, { partId: props.quiz.id, sectionId, title: '' })) return
  place.value = { kind: 'section', id: sectionId }
  focusSheet()
}
</script>

<template>
  <div class="outline">
    <button
      type="button"
      class="whole"
      :aria-pressed="isPicked('quiz')"
      @click="place = { kind: 'quiz' }"
    >
      <span class="title" dir="auto">{{ quiz.title || t('bench.untitled') }}</span>
      <span class="facts">
        {{ t('quiz.count', count) }} · {{ marks(points) }} · {{ t(`quiz.layout.${quiz.layout}`) }}
      </span>
    </button>
    <section v-for="one in sections" :key="one.section.id" :aria-label="one.title">
      <button
        type="button"
        class="heading"
        :aria-pressed="isPicked('section', one.section.id)"
        @click="place = { kind: 'section', id: one.section.id }"
      >
        <span class="title" dir="auto">{{ one.title }}</span>
        <span v-if="one.points > 0" class="facts">{{ marks(one.points) }}</span>
        <span v-if="one.told" class="told" dir="auto">{{ one.told }}</span>
      </button>
      <ol>
        <li v-for="line in one.lines" :key="line.id">
          <button
            type="button"
            class="line"
            :data-item="line.id"
            :aria-pressed="isPicked('item', line.id)"
            @click="place = { kind: 'item', id: line.id }"
          >
            <span class="number">{{ line.number }}</span>
            <span class="stem" :class="{ none: !line.stem }" dir="auto">{{
              line.stem || t('quiz.noStem')
            }}</span>
            <span class="facts">
              {{ line.kind }}<template v-if="line.points > 0"> · {{ marks(line.points) }}</template>
              <b v-if="line.unready"> · {{ t('quiz.unready') }}</b>
            </span>
          </button>
        </li>
      </ol>
      <div v-if="rights.canEdit.value" class="adds">
        <Button
          :label="t('quiz.addQuestion')"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="ask(one.section.id)"
        />
        <Button
          :label="t('quiz.fromShelf')"
          severity="secondary"
          variant="text"
          size="small"
          :aria-pressed="isPicked('shelf', one.section.id)"
          @click="place = { kind: 'shelf', id: one.section.id }"
        />
      </div>
    </section>
    <Button
      v-if="rights.canEdit.value"
      class="add-section"
      :label="t('quiz.addSection')"
      severity="secondary"
      variant="text"
      size="small"
      @click="addSection"
    />
  </div>
</template>

<style scoped>
.outline {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 16px 22px 32px;
}
button.whole,
button.heading,
button.line {
  display: block;
  width: 100%;
  padding: 8px 12px;
  border: 0;
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
button.whole:hover,
button.heading:hover,
button.line:hover {
  background: var(--sunk);
}
.outline [aria-pressed='true']:not(.p-button) {
  border-color: var(--rust);
  background: var(--surface);
}
.whole .title {
  display: block;
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
.facts {
  color: var(--ink-2);
  font-size: 13.5px;
}
.facts b {
  color: var(--rust);
}
section {
  margin-top: 18px;
}
button.heading {
  border-bottom: 3px solid var(--fern);
}
.heading .title {
  margin-inline-end: 10px;
  font-size: 17px;
  font-weight: 650;
}
.told {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  font-family: var(--reading);
  color: var(--ink-2);
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  border-bottom: 1px solid var(--line);
}
.line {
  display: grid !important;
  grid-template-columns: 2em minmax(0, 1fr);
}
.number {
  grid-row: span 2;
  font-family: var(--mono);
  color: var(--ink-2);
}
.stem {
  overflow: hidden;
  font-family: var(--reading);
  font-size: 17px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.stem.none {
  color: var(--ink-3);
  font-style: italic;
}
.adds {
  display: flex;
  gap: 6px;
  padding: 10px 12px 0;
}
.add-section {
  margin-top: 18px;
}
</style>
