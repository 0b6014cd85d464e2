<script setup lang="ts">
// Arranging the selected overlays: aligning, distributing, stacking, grouping, locking.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  alignedBoxes,
  distributedBoxes,
  edits,
  type Box,
  type OverlayCue,
  type Side,
} from '@fernbrake/core/lesson'
import { useSelection, useBench } from './useBench.ts'

const bench = useBench()
const selection = useSelection()
const { draft } = bench
const { t } = useI18n()
const overlays = computed(() =>
  selection.selectedCues.value.filter((cue): cue is OverlayCue => cue.kind === 'overlay'),
)
const cueIds = computed(() => overlays.value.map(({ id }) => id))
const free = computed(() => overlays.value.filter(({ locked }) => !locked))
const allLocked = computed(() => free.value.length === 0)
const groupId = computed(() => {
  const [first, ...rest] = overlays.value.map((overlay) => overlay.groupId ?? null)
  return first && rest.every((id) => id === first) ? first : null
})
const SIDES: { side: Side; path: string }[] = [
  { side: 'left', path: 'M3 2 V18 M6 5 H16 V8.5 H6 Z M6 11.5 H12 V15 H6 Z' },
  { side: 'centre', path: 'M10 2 V18 M4 5 H16 V8.5 H4 Z M7 11.5 H13 V15 H7 Z' },
  { side: 'right', path: 'M17 2 V18 M4 5 H14 V8.5 H4 Z M8 11.5 H14 V15 H8 Z' },
  { side: 'top', path: 'M2 3 H18 M5 6 V16 H8.5 V6 Z M11.5 6 V12 H15 V6 Z' },
  { side: 'middle', path: 'M2 10 H18 M5 4 V16 H8.5 V4 Z M11.5 7 V13 H15 V7 Z' },
  { side: 'bottom', path: 'M2 17 H18 M5 4 V14 H8.5 V4 Z M11.5 8 V14 H15 V8 Z' },
]

function place(boxes: readonly Box[]): void {
  draft.make(edits.setOverlayBoxes, {
    boxes: Object.fromEntries(free.value.map(({ id }, index) => [id, boxes[index]!])),
  })
}
const boxes = () => free.value.map(({ box }) => box)
</script>

<template>
  <div v-if="overlays.length > 0" class="arrange" role="group" :aria-label="t('overlay.arrange')">
    <button
      v-for="{ side, path } in SIDES"
      :key="side"
      type="button"
      :aria-label="t(`overlay.alignTo.${side}`)"
      :title="t(`overlay.alignTo.${side}`)"
      :disabled="allLocked"
      @click="place(alignedBoxes(boxes(), side))"
    >
      <svg viewBox="0 0 20 20" aria-hidden="true"><path :d="path" /></svg>
    </button>
    <Button
      :label="t('overlay.grid')"
      :aria-pressed="bench.showsGrid.value"
      size="small"
      severity="secondary"
      :variant="bench.showsGrid.value ? 'outlined' : 'text'"
      @click="bench.showsGrid.value = !bench.showsGrid.value"
    />
    <template v-if="free.length > 2">
      <Button
        v-for="way in ['across', 'down'] as const"
        :key="way"
        :label="t(`overlay.distribute.${way}`)"
        size="small"
        severity="secondary"
        variant="text"
        @click="place(distributedBoxes(boxes(), way))"
      />
    </template>
    <Button
      v-for="to in ['front', 'back'] as const"
      :key="to"
      :label="t(`overlay.stack.${to}`)"
      size="small"
      severity="secondary"
      variant="text"
      @click="draft.make(edits.stackOverlays, { cueIds, to })"
    />
    <Button
      v-if="overlays.length > 1 || groupId"
      :label="groupId ? t('overlay.ungroup') : t('overlay.group')"
      size="small"
      severity="secondary"
      variant="text"
      @click="draft.make(edits.groupOverlays, { cueIds, groupId: groupId ? null : nanoid() })"
    />
    <Button
      :label="allLocked ? t('overlay.unlock') : t('overlay.lock')"
      size="small"
      severity="secondary"
      variant="text"
      @click="draft.make(edits.lockOverlays, { cueIds, locked: !allLocked })"
    />
  </div>
</template>

<style scoped>
.arrange {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px;
}
.arrange > button:not(.p-button) {
  width: 32px;
  height: 32px;
  padding: 5px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}
.arrange > button:disabled {
  opacity: 0.5;
  cursor: default;
}
svg {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}
</style>
