<script setup lang="ts">
// Putting things into order: dragged by their grip, or moved by buttons; both say where the thing is now.
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { plainOf } from '@fernbrake/core/fields'
import {
  itemsInOrder,
  itemsMixed,
  type OrderAnswer,
  type OrderQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import TextView from './TextView.vue'
import { useListDrag } from './useListDrag.ts'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<OrderQuestion>>()
const answer = defineModel<OrderAnswer | null>({ required: true })
const { t } = useI18n()
const ids = shallowRef(answer.value?.ids ?? itemsMixed(props.question, props.seed).map((i) => i.id))
const items = computed(() => ids.value.flatMap((id) => props.question.items[id] ?? []))
const said = ref('')
const list = useTemplateRef('list')
// As it lies there, it is an answer: nobody has to move anything to say that it is right so.
answer.value ??= { kind: 'order', ids: ids.value }

function move(from: number, to: number): void {
  if (to < 0 || to >= ids.value.length) return
  const next = [...ids.value]
  const [id] = next.splice(from, 1)
  next.splice(to, 0, id!)
  ids.value = next
  answer.value = { kind: 'order', ids: next }
  const text = plainOf(props.question.items[id!]!.text)
  said.value = t('player.movedTo', { text, place: to + 1, all: next.length })
}

function step(from: number, by: 1 | -1): void {
  const id = ids.value[from]
  move(from, from + by)
  const name = by < 0 ? 'up' : 'down'
  // The button went along with its line; at an end the other one is still of use.
  void nextTick(() => {
    const line = list.value?.querySelector(`[data-item="${id}"]`)
    const same = line?.querySelector<HTMLButtonElement>(`[data-step="${name}"]`)
    const usable = same?.disabled ? line?.querySelector<HTMLElement>('button:enabled') : same
    usable?.focus()
  })
}

const { dragged, begin } = useListDrag(list, move)
const right = computed(() => itemsInOrder(props.question).map(({ text }) => plainOf(text)))
const keptOf = (id: string) => props.mark?.perPart.find((part) => part.id === id)?.right ?? false
</script>

<template>
  <AnswerFields :help="t('player.putInOrder')" :answered="answered">
    <ol ref="list" class="lines">
      <li
        v-for="(item, index) in items"
        :key="item.id"
        :data-item="item.id"
        :class="{
          inHand: dragged === index,
          right: answered && keptOf(item.id),
          missed: answered && !keptOf(item.id),
        }"
      >
        <span class="grip" aria-hidden="true" @pointerdown="!answered && begin($event, index)">
          <svg viewBox="0 0 12 20">
            <path d="M2 4 H10 M2 10 H10 M2 16 H10" />
          </svg>
        </span>
        <span class="number" aria-hidden="true">{{ index + 1 }}</span>
        <TextView class="text" :text="item.text" />
        <span v-if="!answered" class="steps">
          <button
            type="button"
            data-step="up"
            :disabled="index === 0"
            :aria-label="t('player.moveUp', { text: plainOf(item.text) })"
            @click="step(index, -1)"
          >
            <svg viewBox="0 0 20 20" aria-hidden="true"><path d="M4 13 L10 7 L16 13" /></svg>
          </button>
          <button
            type="button"
            data-step="down"
            :disabled="index === items.length - 1"
            :aria-label="t('player.moveDown', { text: plainOf(item.text) })"
            @click="step(index, 1)"
          >
            <svg viewBox="0 0 20 20" aria-hidden="true"><path d="M4 7 L10 13 L16 7" /></svg>
          </button>
        </span>
        <span v-else class="word">{{
          keptOf(item.id) ? t('player.placeRight') : t('player.placeWrong')
        }}</span>
      </li>
    </ol>
    <p class="visually-hidden" aria-live="polite">{{ said }}</p>
    <div v-if="answered && revealed && mark?.verdict !== 'right'" class="solution">
      <h3>{{ t('player.rightOrder') }}</h3>
      <ol>
        <li v-for="text in right" :key="text" dir="auto">{{ text }}</li>
      </ol>
    </div>
  </AnswerFields>
</template>

<style scoped>
.lines {
  margin: 0;
  padding: 0;
  list-style: none;
}
.lines li {
  display: grid;
  grid-template-columns: 32px 20px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: center;
  min-height: 52px;
  margin-bottom: 8px;
  padding-block: 4px;
  padding-inline: 0 6px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
}
.lines li.inHand {
  border-color: var(--fern);
  box-shadow: 0 3px 12px rgb(0 0 0 / 0.2);
}
.lines li.right {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.lines li.missed {
  border-color: var(--rust);
  background: var(--rust-soft);
}
.grip {
  display: grid;
  place-items: center;
  align-self: stretch;
  min-height: 44px;
  cursor: grab;
  touch-action: none;
}
:disabled .grip {
  cursor: default;
  visibility: hidden;
}
svg {
  width: 20px;
  height: 20px;
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2;
}
.grip svg {
  width: 12px;
}
.number {
  font-family: var(--mono);
  color: var(--ink-2);
}
.text {
  overflow-wrap: anywhere;
}
.steps {
  display: flex;
}
.steps button {
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  cursor: pointer;
}
.steps button:disabled {
  opacity: 0.3;
  cursor: default;
}
.word {
  padding-inline-end: 8px;
  font-size: 12.5px;
  font-weight: 650;
  color: var(--ink-2);
}
.solution h3 {
  margin-top: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.solution ol {
  margin: 4px 0 0;
  padding-inline-start: 1.6em;
}
</style>
