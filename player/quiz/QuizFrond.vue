<script setup lang="ts">
// The quiz drawn as a frond: a leaf for each question, section by section. Each leaf is the way to its question.
import { useI18n } from 'vue-i18n'
import { leafOf, type ItemState } from '@fernbrake/core/analysis'
import FrondLeaf from '../frond/FrondLeaf.vue'
import type { QuizQuestion } from './useQuiz.ts'

const props = defineProps<{
  questions: readonly QuizQuestion[]
  stateOf: (itemId: string) => ItemState
  /** The question that is open alone; null where all are on one page. */
  openId: string | null
}>()
const emit = defineEmits<{ pick: [itemId: string] }>()
const { t } = useI18n()
const sections = [...new Set(props.questions.map(({ section }) => section))].map((section) => ({
  section,
  own: props.questions.filter((one) => one.section === section),
}))
const label = ({ itemId, number }: QuizQuestion) =>
  t('player.quiz.leaf', { number, state: t(`player.quiz.state.${props.stateOf(itemId)}`) })
</script>

<template>
  <nav class="quiz-frond" :aria-label="t('player.quiz.questions')">
    <div v-for="{ section, own } in sections" :key="section.id" class="section">
      <ol>
        <li v-for="one in own" :key="one.itemId">
          <button
            type="button"
            :aria-label="label(one)"
            :title="label(one)"
            :aria-current="one.itemId === openId ? 'step' : undefined"
            @click="emit('pick', one.itemId)"
          >
            <svg viewBox="-20 -36 40 38" aria-hidden="true">
              <FrondLeaf :standing="leafOf(stateOf(one.itemId))" />
            </svg>
            <span aria-hidden="true">{{ one.number }}</span>
          </button>
        </li>
      </ol>
      <p v-if="section.title" dir="auto">{{ section.title }}</p>
    </div>
  </nav>
</template>

<style scoped>
.quiz-frond {
  display: flex;
  flex-wrap: wrap;
  row-gap: 12px;
}
.section {
  min-width: 0;
  padding-inline-end: 14px;
}
ol {
  display: flex;
  flex-wrap: wrap;
  margin: 0;
  padding: 0;
  list-style: none;
}
/* The stem runs under the leaves. */
li {
  border-block-end: 3px solid var(--fern);
}
button {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: end;
  width: 46px;
  min-height: 60px;
  padding: 2px 0 1px;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-family: var(--mono);
  font-size: 13.5px;
  cursor: pointer;
}
button:hover {
  background: var(--sunk);
}
button:focus-visible {
  outline-offset: -3px;
}
[aria-current] {
  background: var(--rust-soft);
  color: var(--ink);
  font-weight: 700;
}
svg {
  width: 36px;
  height: 34px;
  order: 1;
}
p {
  padding-top: 3px;
  max-width: 22em;
  color: var(--ink-2);
  font-size: 13.5px;
  overflow-wrap: anywhere;
}
@media (max-width: 1000px) {
  .quiz-frond {
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .section {
    flex: none;
    padding-inline-end: 8px;
  }
  ol {
    flex-wrap: nowrap;
  }
  button {
    width: 44px;
    min-height: 54px;
  }
  p {
    display: none;
  }
}
</style>
