<script setup lang="ts">
// A recap: set after set, one statement of each is true; those that were found build up into a summary.
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  foundAt,
  setsInOrder,
  statementsMixed,
  summaryOf,
  type RecapAnswer,
  type RecapQuestion,
  type RecapStatement,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import OptionRow from './OptionRow.vue'
import TextView from './TextView.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<RecapQuestion>>()
const answer = defineModel<RecapAnswer | null>({ required: true })
const { t } = useI18n()
const picks = shallowRef<RecapAnswer['picks']>({ ...answer.value?.picks })
const said = ref('')
const next = useTemplateRef('next')
const sets = computed(() => setsInOrder(props.question))
const isFound = (index: number) =>
  foundAt(sets.value[index]!, picks.value[sets.value[index]!.id]) !== null
/** The set that is being worked on; −1 once all are found. */
const current = computed(() => sets.value.findIndex((_set, index) => !isFound(index)))
const set = computed(() => sets.value[current.value] ?? null)
const statements = computed(() =>
  set.value ? statementsMixed(props.question, set.value, props.seed) : [],
)
const summary = computed(() => summaryOf(props.question, picks.value))

function pick({ id, right }: RecapStatement): void {
  const { id: setId } = set.value!
  picks.value = { ...picks.value, [setId]: [...(picks.value[setId] ?? []), id] }
  said.value = right ? t('player.trueOne') : t('player.notTrue')
  answer.value = { kind: 'recap', picks: picks.value }
  if (right) void nextTick(() => next.value?.focus())
}
/** Where it may not be told which is true, one of each set is picked, and can be picked anew. */
function choose(setId: string, id: string): void {
  picks.value = { ...picks.value, [setId]: [id] }
  answer.value = { kind: 'recap', picks: picks.value }
}
const wasPicked = (id: string) => (picks.value[set.value?.id ?? ''] ?? []).includes(id)
const worthOf = (index: number) =>
  props.mark?.perPart[index]?.right ? t('player.firstPick') : t('player.laterPick')
</script>

<template>
  <AnswerFields v-if="question.cut" :help="t('player.pickOneEach')" :answered="answered">
    <div
      v-for="(one, index) in sets"
      :key="one.id"
      class="set"
      role="group"
      :aria-label="t('player.setOf', { number: index + 1, count: sets.length })"
    >
      <h3>{{ t('player.setOf', { number: index + 1, count: sets.length }) }}</h3>
      <OptionRow
        v-for="statement in statementsMixed(question, one, seed)"
        :key="statement.id"
        type="radio"
        :name="`${question.id} ${one.id}`"
        :value="statement.id"
        :text="statement.text"
        :checked="picks[one.id]?.[0] === statement.id"
        @pick="choose(one.id, statement.id)"
      />
    </div>
  </AnswerFields>
  <AnswerFields v-else :help="t('player.pickTrueOnes')" :answered="answered">
    <ol v-if="summary.length > 0" class="summary" :aria-label="t('player.summary')">
      <li v-for="(text, index) in summary" :key="index">
        <TextView :text="text" />
        <span v-if="answered" class="word">{{ worthOf(index) }}</span>
      </li>
    </ol>
    <div v-if="set" class="set">
      <h3 ref="next" tabindex="-1">
        {{ t('player.setOf', { number: current + 1, count: sets.length }) }}
      </h3>
      <button
        v-for="statement in statements"
        :key="statement.id"
        class="statement"
        :class="{ missed: wasPicked(statement.id) }"
        type="button"
        :disabled="wasPicked(statement.id)"
        @click="pick(statement)"
      >
        <TextView :text="statement.text" pressed />
        <span v-if="wasPicked(statement.id)" class="word">{{ t('player.notTrueShort') }}</span>
      </button>
    </div>
    <p class="visually-hidden" aria-live="polite">{{ said }}</p>
  </AnswerFields>
</template>

<style scoped>
.summary {
  margin: 0 0 12px;
  padding-block: 8px;
  padding-inline: 34px 14px;
  border-inline-start: 4px solid var(--fern);
  background: var(--fern-soft);
  font-family: var(--reading);
  font-size: 16px;
}
.summary li {
  padding: 2px 0;
}
h3 {
  margin-bottom: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
}
h3:focus-visible {
  outline: none;
}
.statement {
  display: block;
  width: 100%;
  min-height: 48px;
  margin-bottom: 10px;
  padding: 10px 14px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
  overflow-wrap: anywhere;
}
.statement:hover:enabled {
  border-color: var(--fern);
}
.statement.missed {
  border-color: var(--rust);
  background: var(--rust-soft);
  cursor: default;
}
.word {
  margin-inline-start: 8px;
  font-family: var(--interface);
  font-size: 12.5px;
  font-weight: 650;
  color: var(--ink-2);
}
</style>
