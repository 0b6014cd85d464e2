<script setup lang="ts">
// The parts of the lesson in their order: which is open, the way to each, and what can be done with the open one.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, partsInOrder } from '@fernbrake/core/lesson'
import { useBench } from './useBench.ts'

const bench = useBench()
const { draft } = bench
const { t } = useI18n()
const parts = computed(() => partsInOrder(bench.lesson.value))
const openId = computed(() => bench.openPart.value?.id ?? null)
const place = computed(() => parts.value.findIndex(({ id }) => id === openId.value))

function add(kind: 'film' | 'quiz'): void {
  const id = nanoid()
  const number = parts.value.filter((part) => part.kind === kind).length + 1
  const title = t(`parts.new.${kind}`, { number })
  const done =
    kind === 'film'
      ? draft.make(edits.addFilmPart, { id, title })
      : draft.make(edits.addQuizPart, { id, title, sectionId: nanoid() })
  if (done) bench.goToPart(id)
}

function move(by: 1 | -1): void {
  if (openId.value) draft.make(edits.movePart, { partId: openId.value, by })
}

/** What comes after it opens in its place, or what came before. */
function remove(): void {
  const partId = openId.value
  if (!partId) return
  const next = parts.value[place.value + 1] ?? parts.value[place.value - 1]
  if (draft.make(edits.removePart, { partId }) && next) bench.goToPart(next.id)
}
</script>

<template>
  <nav class="parts" :aria-label="t('parts.parts')">
    <ol>
      <li v-for="(part, index) in parts" :key="part.id">
        <button
          type="button"
          :aria-current="part.id === openId ? 'true' : undefined"
          :title="part.title || t('bench.untitled')"
          @click="bench.goToPart(part.id)"
        >
          <span class="number">{{ index + 1 }}</span>
          <span class="title" dir="auto">{{ part.title || t('bench.untitled') }}</span>
          <span class="kind">{{ t(`parts.kind.${part.kind}`) }}</span>
        </button>
      </li>
    </ol>
    <template v-if="bench.canEdit.value">
      <Button
        v-for="kind in ['film', 'quiz'] as const"
        :key="kind"
        :label="t(`parts.add.${kind}`)"
        severity="secondary"
        variant="text"
        size="small"
        @click="add(kind)"
      />
      <span class="gap" />
      <template v-if="parts.length > 1">
        <Button
          :label="t('parts.earlier')"
          severity="secondary"
          variant="text"
          size="small"
          :disabled="place <= 0"
          @click="move(-1)"
        />
        <Button
          :label="t('parts.later')"
          severity="secondary"
          variant="text"
          size="small"
          :disabled="place >= parts.length - 1"
          @click="move(1)"
        />
        <Button
          :label="t('parts.remove')"
          severity="danger"
          variant="text"
          size="small"
          @click="remove"
        />
      </template>
    </template>
  </nav>
</template>

<style scoped>
.parts {
  display: flex;
  align-items: center;
  gap: 2px;
  min-height: 36px;
  padding: 0 14px 0 16px;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
  white-space: nowrap;
}
ol {
  display: flex;
  min-width: 0;
  margin: 0;
  padding: 0;
  overflow-x: auto;
  list-style: none;
}
li {
  flex: 0 1 auto;
  min-width: 0;
}
li button {
  display: flex;
  align-items: center;
  gap: 7px;
  max-width: 22em;
  min-height: 35px;
  padding: 4px 12px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 13.5px;
  cursor: pointer;
}
li button:hover {
  background: var(--sunk);
}
li button:focus-visible {
  outline-offset: -2px;
}
li [aria-current] {
  border-color: var(--fern);
  background: var(--surface);
  color: var(--ink);
}
.number {
  font-family: var(--mono);
}
.title {
  overflow: hidden;
  font-weight: 650;
  text-overflow: ellipsis;
}
.kind {
  color: var(--ink-3);
}
.gap {
  flex: 1;
}
</style>
