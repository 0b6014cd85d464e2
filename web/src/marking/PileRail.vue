<script setup lang="ts">
// The pile at the side: every answer in a line, under its question or its learner; a ring tells what is still to do.
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { plainOf } from '@fernbrake/core/fields'
import type { Desk } from './useDesk.ts'

const props = defineProps<{ desk: Desk }>()
const { t, n } = useI18n()
const { answers, order, open, pile } = props.desk
type Answer = (typeof answers.value)[number]
const nameOf = ({ learner }: Answer) =>
  learner.name ?? t('marking.learner', { number: n(learner.number) })
const stemOf = ({ asked }: Answer) => plainOf(pile.value!.questions[asked]!.stem)
const groups = computed(() => {
  const byQuestion = order.value === 'question'
  const made: { key: string; title: string; answers: Answer[] }[] = []
  for (const answer of answers.value) {
    const key = byQuestion ? answer.questionId : answer.attemptId
    const last = made.at(-1)
    if (last?.key === key) last.answers.push(answer)
    else made.push({ key, title: byQuestion ? stemOf(answer) : nameOf(answer), answers: [answer] })
  }
  return made
})
const labelOf = (answer: Answer) => (order.value === 'question' ? nameOf(answer) : stemOf(answer))
const stateOf = ({ mark }: Answer) =>
  mark === null ? 'open' : mark.releasedAt === null ? 'marked' : 'told'
const list = useTemplateRef('list')
/** Keeps the open answer in sight within the pile; the page itself stays where it is. */
watch(open, async () => {
  await nextTick()
  const rail = list.value
  const line = rail?.querySelector<HTMLElement>('[aria-current="true"]')
  if (!rail || !line) return
  const [top, bottom] = [line.offsetTop, line.offsetTop + line.offsetHeight]
  if (top < rail.scrollTop) rail.scrollTop = top
  else if (bottom > rail.scrollTop + rail.clientHeight) rail.scrollTop = bottom - rail.clientHeight
})
</script>

<template>
  <nav ref="list" class="rail" :aria-label="t('marking.pile')">
    <section v-for="group in groups" :key="group.key">
      <h3 dir="auto">{{ group.title }}</h3>
      <ul>
        <li v-for="answer in group.answers" :key="answer.responseId">
          <button
            type="button"
            :aria-current="open?.responseId === answer.responseId"
            @click="desk.go(answer.responseId)"
          >
            <span class="mark" :class="stateOf(answer)" aria-hidden="true" />
            <span class="name" dir="auto">{{ labelOf(answer) }}</span>
            <span class="mono points">{{
              answer.mark ? n(answer.mark.points, { maximumFractionDigits: 2 }) : ''
            }}</span>
            <span class="visually-hidden">{{ t(`marking.state.${stateOf(answer)}`) }}</span>
          </button>
        </li>
      </ul>
    </section>
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
  margin: 10px 12px 6px;
  overflow: hidden;
  font-size: 13.5px;
  color: var(--ink-2);
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
section + section {
  border-top: 1px solid var(--line);
}
ul {
  margin: 0;
  padding: 0 0 6px;
  list-style: none;
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
