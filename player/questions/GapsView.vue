<script setup lang="ts">
// A passage with gaps: typed into, filled from lists, or filled with words that are dragged or tapped into place.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  listOfGap,
  LONGEST_FILLING,
  readPassage,
  wordBank,
  type Gap,
  type GapsAnswer,
  type GapsQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import PickList from './PickList.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<GapsQuestion>>()
const answer = defineModel<GapsAnswer | null>({ required: true })
const { t } = useI18n()
const passage = computed(() => readPassage(props.question.passage))
const filled = computed<Record<string, string>>(() => answer.value?.filled ?? {})
/** The word in hand, by its place in the bank. */
const inHand = ref<number | null>(null)
const said = ref('')

function fill(gap: Gap, text: string): void {
  const next = { ...filled.value }
  if (text.trim() === '') delete next[gap.id]
  else next[gap.id] = text
  answer.value = Object.keys(next).length > 0 ? { kind: 'gaps', filled: next } : null
}

/** The words under the passage; those that lie in a gap are gone from there, each as often as it was used. */
const bank = computed(() => {
  const used = Object.values(filled.value)
  return wordBank(props.question, props.seed).map((word, place) => {
    const at = used.indexOf(word)
    if (at >= 0) used.splice(at, 1)
    return { word, place, free: at < 0 }
  })
})

function choose(place: number, word: string): void {
  inHand.value = inHand.value === place ? null : place
  said.value = inHand.value === null ? '' : t('player.wordInHand', { word })
}

/** Lays the word in hand into the gap; without one, what lies there goes back. */
function press(gap: Gap): void {
  const word = inHand.value === null ? '' : (bank.value[inHand.value]?.word ?? '')
  const before = filled.value[gap.id]
  inHand.value = null
  fill(gap, word)
  if (word !== '') said.value = t('player.wordPlaced', { word, number: gap.id })
  else if (before) said.value = t('player.wordBack', { word: before })
}

function drop(event: DragEvent, gap: Gap): void {
  inHand.value = Number(event.dataTransfer?.getData('text/fernbrake-word') || -1)
  if (inHand.value >= 0) press(gap)
  inHand.value = null
}
const carry = (event: DragEvent, place: number) =>
  event.dataTransfer?.setData('text/fernbrake-word', String(place))

const help = computed(() =>
  t(
    {
      typing: 'player.fillByTyping',
      list: 'player.fillFromLists',
      dragging: 'player.fillByDragging',
    }[props.question.filledBy],
  ),
)
function standingOf(gap: Gap): 'right' | 'missed' | null {
  if (!props.answered) return null
  return props.mark?.perPart.find(({ id }) => id === gap.id)?.right ? 'right' : 'missed'
}
const showsRight = (gap: Gap) =>
  props.answered && props.revealed && standingOf(gap) === 'missed' && gap.fits[0]
const widthOf = (gap: Gap) => Math.min(18, Math.max(5, ...gap.fits.map((word) => word.length)) + 1)
</script>

<template>
  <AnswerFields :help="help" :answered="answered">
    <p class="passage" dir="auto">
      <template v-for="(segment, index) in passage.segments" :key="index">
        <template v-if="segment.kind === 'words'">{{ segment.text }}</template>
        <span v-else class="spot">
          <input
            v-if="question.filledBy === 'typing'"
            class="gap"
            :class="standingOf(segment.gap)"
            :style="{ width: `${widthOf(segment.gap)}ch` }"
            type="text"
            autocomplete="off"
            autocapitalize="off"
            spellcheck="false"
            :maxlength="LONGEST_FILLING"
            :aria-label="t('player.gap', { number: segment.gap.id })"
            :value="filled[segment.gap.id] ?? ''"
            @input="fill(segment.gap, ($event.target as HTMLInputElement).value)"
          />
          <PickList
            v-else-if="question.filledBy === 'list'"
            :label="t('player.gap', { number: segment.gap.id })"
            :options="
              listOfGap(question, segment.gap, seed).map((word) => ({ value: word, text: word }))
            "
            :value="filled[segment.gap.id] ?? ''"
            empty="…"
            :standing="standingOf(segment.gap)"
            @pick="fill(segment.gap, $event)"
          />
          <button
            v-else
            class="gap place"
            :class="[standingOf(segment.gap), { open: inHand !== null }]"
            type="button"
            :aria-label="
              t('player.gapHolds', {
                number: segment.gap.id,
                word: filled[segment.gap.id] ?? t('player.nothingYet'),
              })
            "
            @click="press(segment.gap)"
            @dragover.prevent
            @drop.prevent="drop($event, segment.gap)"
          >
            {{ filled[segment.gap.id] ?? '…' }}
          </button>
          <b v-if="showsRight(segment.gap)" class="solution">{{ segment.gap.fits[0] }}</b>
        </span>
      </template>
    </p>
    <div
      v-if="question.filledBy === 'dragging' && !answered"
      class="bank"
      role="group"
      :aria-label="t('player.wordBank')"
    >
      <button
        v-for="{ word, place, free } in bank"
        :key="place"
        class="chip"
        type="button"
        :draggable="free"
        :disabled="!free"
        :aria-pressed="inHand === place"
        @click="choose(place, word)"
        @dragstart="carry($event, place)"
      >
        {{ word }}
      </button>
    </div>
    <p class="visually-hidden" aria-live="polite">{{ said }}</p>
  </AnswerFields>
</template>

<style scoped>
.passage {
  font-family: var(--reading);
  font-size: 17px;
  line-height: 2.5;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.spot {
  white-space: nowrap;
}
.gap {
  min-height: 40px;
  padding: 4px 8px;
  border: 1px solid var(--line-strong);
  border-bottom-width: 2px;
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  line-height: 1.4;
  max-width: 100%;
}
.gap:disabled {
  opacity: 1;
}
.place {
  min-width: 5em;
  min-height: 44px;
  cursor: pointer;
}
.place.open {
  border-style: dashed;
  border-color: var(--fern);
}
.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.missed {
  border-color: var(--rust);
  background: var(--rust-soft);
  text-decoration: line-through;
}
.solution {
  margin-inline-start: 6px;
}
.bank {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
.chip {
  min-height: 44px;
  padding: 6px 14px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--sunk);
  color: var(--ink);
  font: inherit;
  cursor: grab;
}
.chip[aria-pressed='true'] {
  border-color: var(--fern);
  box-shadow: inset 0 -4px 0 var(--fern);
  background: var(--fern-soft);
}
.chip:disabled {
  opacity: 0.35;
  cursor: default;
}
</style>
