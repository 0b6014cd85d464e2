<script setup lang="ts">
// The parts of the lesson in their order: which is open, the way to each, and what can be done with the open one.
import Button from 'primevue/button'
import Menu from 'primevue/menu'
import { nanoid } from 'nanoid'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, idsOfPart, PART_KINDS, partsInOrder } from '@fernbrake/core/lesson'
import { useAddPart } from './useAddPart.ts'
import { usePlaces, useRights, useBench } from './useBench.ts'

const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const add = useAddPart()
const parts = computed(() => partsInOrder(bench.lesson.value))
const openId = computed(() => places.openPart.value?.id ?? null)
const place = computed(() => parts.value.findIndex(({ id }) => id === openId.value))

function move(by: 1 | -1): void {
  if (openId.value) draft.make(edits.movePart, { partId: openId.value, by })
}

/** What comes after it opens in its place, or what came before. */
function remove(): void {
  const partId = openId.value
  if (!partId) return
  const next = parts.value[place.value + 1] ?? parts.value[place.value - 1]
  if (draft.make(edits.removePart, { partId }) && next) places.goToPart(next.id)
}
function copy(): void {
  const part = places.openPart.value
  if (!part) return
  const ids = idsOfPart(bench.lesson.value, part.id)
  const newIds = Object.fromEntries(ids.map((id) => [id, nanoid()]))
  const title = t('parts.copyOf', { title: part.title || t('bench.untitled') })
  if (draft.make(edits.copyPart, { partId: part.id, title, newIds }))
    places.goToPart(newIds[part.id]!)
}

const addMenu = useTemplateRef('addMenu')
const adds = computed(() =>
  PART_KINDS.map((kind) => ({ label: t(`parts.adds.${kind}`), command: () => add(kind) })),
)
const menu = useTemplateRef('menu')
const actions = computed(() => {
  const hidden = places.openPart.value?.hidden === true
  const partId = openId.value ?? ''
  return [
    { label: t('parts.earlier'), disabled: place.value <= 0, command: () => move(-1) },
    {
      label: t('parts.later'),
      disabled: place.value >= parts.value.length - 1,
      command: () => move(1),
    },
    { label: t('parts.copy'), command: copy },
    {
      label: t(hidden ? 'parts.show' : 'parts.hide'),
      command: () => void draft.make(edits.hidePart, { partId, hidden: !hidden }),
    },
    { label: t('parts.remove'), command: remove },
  ]
})

/** The part that is dragged, and the one it is held over. */
const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
function drop(beforeId: string | null): void {
  if (dragged.value) draft.make(edits.placePart, { partId: dragged.value, beforeId })
  dragged.value = over.value = null
}
</script>

<template>
  <nav class="parts" data-region :aria-label="t('parts.parts')">
    <ol @dragover.prevent @drop.prevent="drop(over)" @dragleave.self="over = null">
      <li
        v-for="(part, index) in parts"
        :key="part.id"
        :draggable="rights.canEdit.value"
        :class="{ hidden: part.hidden, over: over === part.id && dragged !== part.id }"
        @dragstart="dragged = part.id"
        @dragend="dragged = over = null"
        @dragenter="over = part.id"
      >
        <button
          type="button"
          :aria-current="part.id === openId ? 'true' : undefined"
          :title="part.title || t('bench.untitled')"
          @click="places.goToPart(part.id)"
        >
          <span class="number">{{ index + 1 }}</span>
          <span class="title" dir="auto">{{ part.title || t('bench.untitled') }}</span>
          <span class="kind"
            >{{ t(`parts.kind.${part.kind}`)
            }}<template v-if="part.hidden"> · {{ t('parts.hidden') }}</template></span
          >
        </button>
      </li>
    </ol>
    <template v-if="rights.canEdit.value">
      <Button
        :label="t('parts.addPart')"
        severity="secondary"
        variant="text"
        size="small"
        aria-haspopup="true"
        aria-controls="add-part-menu"
        @click="addMenu?.toggle($event)"
      />
      <Menu id="add-part-menu" ref="addMenu" :model="adds" popup />
      <span class="gap" />
      <template v-if="parts.length > 0">
        <Button
          :label="t('parts.more')"
          severity="secondary"
          variant="text"
          size="small"
          aria-haspopup="true"
          aria-controls="part-menu"
          @click="menu?.toggle($event)"
        />
        <Menu id="part-menu" ref="menu" :model="actions" popup />
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
  padding-block: 0;
  padding-inline: 16px 14px;
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
/* Many parts grow narrow first, down to where a name still says something; then the row is scrolled. */
li {
  flex: 0 1 auto;
  min-width: 8.5em;
}
li button {
  display: flex;
  align-items: center;
  gap: 7px;
  width: 100%;
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
li.hidden .title {
  font-style: italic;
  font-weight: 400;
}
/* Where what is dragged would come to stand. */
li.over {
  box-shadow: inset 3px 0 0 var(--fern);
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
.parts > button {
  flex: none;
}
</style>
