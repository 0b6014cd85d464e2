<script setup lang="ts">
// The pile at the side: every answer in a line, under its question or its learner; a ring tells what is still to do. Only what is in
// view is on the page: a pile may have a thousand answers.
import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, nextTick, onMounted, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { plainOf } from '@fernbrake/core/fields'
import type { Desk } from './useDesk.ts'

const props = defineProps<{ desk: Desk }>()
const { t, n } = useI18n()
const { answers, order, open, pile } = props.desk
type Answer = (typeof answers.value)[number]
type Row = { key: string; title: string } | { key: string; answer: Answer; at: number }
/** Heights before they are measured, in px. */
const [TITLE_HEIGHT, LINE_HEIGHT] = [46, 36]

const nameOf = ({ learner }: Answer) =>
  learner.name ?? t('marking.learner', { number: n(learner.number) })
const stemOf = ({ asked }: Answer) => plainOf(pile.value!.questions[asked]!.stem)
const byQuestion = computed(() => order.value === 'question')
/** From top to bottom: what the answers belong to, and under it the answers. */
const rows = computed(() => {
  const made: Row[] = []
  let last: string | null = null
  for (const [at, answer] of answers.value.entries()) {
    const group = byQuestion.value ? answer.questionId : answer.attemptId
    if (group !== last) {
      const title = byQuestion.value ? stemOf(answer) : nameOf(answer)
      made.push({ key: `of ${group}`, title })
    }
    made.push({ key: answer.responseId, answer, at: at + 1 })
    last = group
  }
  return made
})
const labelOf = (answer: Answer) => (byQuestion.value ? nameOf(answer) : stemOf(answer))
const stateOf = ({ mark }: Answer) =>
  mark === null ? 'open' : mark.releasedAt === null ? 'marked' : 'told'

const list = useTemplateRef('list')
const virtualizer = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => list.value,
    estimateSize: (row: number) => ('title' in rows.value[row]! ? TITLE_HEIGHT : LINE_HEIGHT),
    overscan: 8,
    getItemKey: (row: number) => rows.value[row]!.key,
  })),
)
const items = computed(() =>
  virtualizer.value
    .getVirtualItems()
    .flatMap((item) => (rows.value[item.index] ? [{ item, row: rows.value[item.index]! }] : [])),
)
const measure = (element: unknown) => {
  if (element instanceof HTMLElement) virtualizer.value.measureElement(element)
}

/** Keeps the open answer in sight within the pile; the page itself stays where it is. */
async function showOpen(): Promise<void> {
  await nextTick()
  const row = rows.value.findIndex(({ key }) => key === open.value?.responseId)
  if (row >= 0) virtualizer.value.scrollToIndex(row, { align: 'auto' })
}
// Also where it is the same one, but lies elsewhere in the pile now.
watch([() => open.value?.responseId, rows], showOpen)
onMounted(showOpen)
</script>

<template>
  <nav ref="list" class="rail" :aria-label="t('marking.pile')">
    <ul :style="{ height: `${virtualizer.getTotalSize()}px` }">
      <li
        v-for="{ item, row } in items"
        :key="row.key"
        :ref="measure"
        :data-index="item.index"
        :class="{ group: 'title' in row }"
        :style="{ transform: `translateY(${item.start}px)` }"
      >
        <h3 v-if="'title' in row" dir="auto">{{ row.title }}</h3>
        <button
          v-else
          type="button"
          :aria-current="open?.responseId === row.answer.responseId"
          @click="desk.go(row.answer.responseId)"
        >
          <span class="mark" :class="stateOf(row.answer)" aria-hidden="true" />
          <span class="name" dir="auto">{{ labelOf(row.answer) }}</span>
          <span class="mono points">{{
            row.answer.mark ? n(row.answer.mark.points, { maximumFractionDigits: 2 }) : ''
          }}</span>
          <span class="visually-hidden">
            {{ t(`marking.state.${stateOf(row.answer)}`) }}
            {{ t('marking.place', { at: n(row.at), of: n(answers.length) }) }}
          </span>
        </button>
      </li>
    </ul>
  </nav>
</template>

<style scoped>
.rail {
  position: sticky;
  top: 12px;
  max-height: calc(100vh - 210px);
  min-height: 200px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
h3 {
  display: -webkit-box;
  margin: 0 12px;
  overflow: hidden;
  font-size: 13.5px;
  color: var(--ink-2);
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
ul {
  position: relative;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  position: absolute;
  inset-block-start: 0;
  inset-inline: 0;
}
.group {
  padding: 10px 0 6px;
}
.group:not([data-index='0']) {
  border-top: 1px solid var(--line);
}
button {
  display: grid;
  grid-template-columns: 12px minmax(0, 1fr) auto;
  gap: 9px;
  align-items: center;
  width: 100%;
  padding: 6px 12px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
button:hover {
  background: var(--sunk);
}
button[aria-current='true'] {
  background: var(--fern-soft);
  font-weight: 650;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.mark {
  width: 11px;
  height: 11px;
  border: 2px solid var(--rust);
  border-radius: 50%;
}
.mark.marked {
  border-color: var(--fern);
  background: linear-gradient(90deg, var(--fern) 50%, transparent 50%);
}
.mark.told {
  border-color: var(--fern);
  background: var(--fern);
}
.points {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
