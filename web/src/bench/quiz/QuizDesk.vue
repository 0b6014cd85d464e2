<script setup lang="ts">
// A quiz on the bench: its sections and questions as learners meet them, and beside them the sheet of what is picked.
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { nanoid } from 'nanoid'
import type { KeptQuestion } from '@fernbrake/core/contract'
import { edits, type QuizPart } from '@fernbrake/core/lesson'
import QuestionShelf from '../QuestionShelf.vue'
import TrialPanel from '../TrialPanel.vue'
import { usePlaces, useBench } from '../useBench.ts'
import ItemSheet from './ItemSheet.vue'
import QuizOutline from './QuizOutline.vue'
import QuizSheet from './QuizSheet.vue'
import SectionSheet from './SectionSheet.vue'

const props = defineProps<{
  part: QuizPart
  /** Something of the whole lesson lies where the sheet is. */
  covered: boolean
}>()
const bench = useBench()
const places = usePlaces()
const { t } = useI18n()
const place = places.quizPlace
const item = computed(() =>
  place.value.kind === 'item' ? (props.part.items[place.value.id] ?? null) : null,
)
const section = computed(() =>
  place.value.kind === 'section' || place.value.kind === 'shelf'
    ? (props.part.sections[place.value.id] ?? null)
    : null,
)
// What somebody else removed, or undo did, cannot stay picked.
watch([item, section], ([isItem, isSection]) => {
  if (place.value.kind !== 'quiz' && !isItem && !isSection) place.value = { kind: 'quiz' }
})

/** Escape leaves the sheet for the line that it belongs to. */
function leaveSheet(event: KeyboardEvent): void {
  if (event.defaultPrevented || place.value.kind === 'quiz') return
  document.querySelector<HTMLElement>('.outline [aria-pressed="true"]')?.focus()
  place.value = { kind: 'quiz' }
}

function askKept({ id: shelfId, question }: KeptQuestion): void {
  if (!section.value) return
  const ids = { itemId: nanoid(), questionId: nanoid(), shelfId }
  const where = { partId: props.part.id, sectionId: section.value.id }
  if (bench.draft.make(edits.askKeptInQuiz, { ...where, ...ids, question }))
    place.value = { kind: 'item', id: ids.itemId }
}
</script>

<template>
  <section class="left" data-region :aria-label="t('quiz.outline')">
    <QuizOutline :quiz="part" />
    <TrialPanel
      v-if="bench.showsTrial.value && item && !covered"
      :cue="null"
      :question-id="item.questionId"
      @close="bench.showsTrial.value = false"
    />
  </section>
  <div v-if="!covered" class="side" data-region @keydown.esc="leaveSheet">
    <ItemSheet v-if="item" :key="item.id" :quiz="part" :item="item" />
    <QuestionShelf
      v-else-if="section && place.kind === 'shelf'"
      :ask-label="t('quiz.askKept')"
      @ask="askKept"
    >
      <h2>{{ t('questionShelf.title') }}</h2>
    </QuestionShelf>
    <SectionSheet v-else-if="section" :key="section.id" :quiz="part" :section="section" />
    <QuizSheet v-else :quiz="part" />
  </div>
</template>

<style scoped>
.left {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  background: var(--ground);
}
.side {
  min-height: 0;
  min-width: 0;
  border-inline-start: 1px solid var(--line);
}
h2 {
  font-size: 15px;
}
</style>
