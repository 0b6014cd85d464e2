<script setup lang="ts">
// The script as a desk: the film read as a text, with the cues in its margin beside the line they belong to.
import Button from 'primevue/button'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { nanoid } from 'nanoid'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueStartMs, edits, lineIndexAt, type Cue } from '@fernbrake/core/lesson'
import CaptionIntake from './CaptionIntake.vue'
import CueCard from './CueCard.vue'
import DeskTabs from './DeskTabs.vue'
import ScriptFind from './ScriptFind.vue'
import ScriptLine from './ScriptLine.vue'
import ScriptTools from './ScriptTools.vue'
import TapBar from './TapBar.vue'
import { useCaptionIntake } from './useCaptionIntake.ts'
import {
  type CueKind,
  useCueActs,
  usePlaces,
  usePlayhead,
  useReading,
  useRights,
  useSelection,
  useBench,
} from './useBench.ts'

const bench = useBench()
const acts = useCueActs()
const places = usePlaces()
const playhead = usePlayhead()
const reading = useReading()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const list = ref<HTMLElement | null>(null)
const editingId = ref<string | null>(null)
const tapping = ref(false)
const showsTools = ref(false)
const foundIds = ref<ReadonlySet<string>>(new Set())
const intake = useCaptionIntake(bench, () => (showsTools.value = false))

// Captions that were chosen along with the film.
watch(
  [bench.captionsToCome, places.part],
  ([file, part]) => {
    if (!file || !part || !rights.canEdit.value) return
    bench.captionsToCome.value = null
    void intake.take(file)
  },
  { immediate: true },
)

/** Cues by the line they begin in; those before the first line stand under −1. */
const cuesByLine = computed(() => {
  const groups = new Map<number, Cue[]>()
  for (const cue of selection.cues.value) {
    const index = lineIndexAt(reading.lines.value, cueStartMs(cue))
    const group = groups.get(index)
    if (group) group.push(cue)
    else groups.set(index, [cue])
  }
  return groups
})
/** What is shown, from top to bottom: the numbers of the lines, −1 first where cues come before them all. */
const rows = computed(() => [
  ...(cuesByLine.value.has(-1) ? [-1] : []),
  ...reading.lines.value.map((_, index) => index),
])

/** Only what is in view is on the page: a film of hours has thousands of lines. */
const virtualizer = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => list.value,
    estimateSize: () => 55,
    overscan: 6,
    getItemKey: (row: number) => reading.lines.value[rows.value[row]!]?.id ?? 'before',
  })),
)
const items = computed(() =>
  virtualizer.value.getVirtualItems().map((item) => ({ item, index: rows.value[item.index]! })),
)
const measure = (element: unknown) => {
  if (element instanceof HTMLElement) virtualizer.value.measureElement(element)
}

/** Keeps a line where it can be read with what comes before and after it: in the middle third. */
function showLine(index: number): void {
  const row = rows.value.indexOf(index)
  if (row < 0 || !list.value) return
  const { scrollTop, clientHeight } = list.value
  const shown = virtualizer.value.getVirtualItems().find((item) => item.index === row)
  const middle = shown ? (shown.start + shown.end) / 2 - scrollTop : -1
  if (middle < clientHeight / 3 || middle > (clientHeight * 2) / 3)
    virtualizer.value.scrollToIndex(row, { align: 'center' })
}

watch(reading.lineIndex, async (index) => {
  await nextTick()
  // The text does not move under the hands of somebody who works in it.
  if (list.value && !list.value.matches(':focus-within')) showLine(index)
})

// Whoever comes back from a sheet finds the script where the film stands.
onMounted(async () => {
  await nextTick()
  if (reading.lineIndex.value > 0) showLine(reading.lineIndex.value)
})

function placeAt(kind: CueKind, index: number): void {
  const line = reading.lines.value[index]!
  // A question comes once its line has been said; what is to be seen comes with it.
  const atMs = kind === 'question' ? line.toMs : line.fromMs
  playhead.seek(atMs)
  acts.place(kind, playhead.mediaMs.value, kind === 'overlay' ? { endMs: line.toMs } : {})
}

function addFirstLine(): void {
  const scriptId = reading.script.value?.id
  const last = reading.lines.value.at(-1)
  if (!scriptId) return
  const fromMs = Math.max(playhead.mediaMs.value, last?.toMs ?? 0)
  const lineId = nanoid(10)
  if (bench.draft.make(edits.addLine, { scriptId, lineId, fromMs, toMs: fromMs + 3000 }))
    editingId.value = lineId
}

function onFound(index: number): void {
  showLine(index)
  playhead.seek(reading.lines.value[index]!.fromMs)
}
const setEditing = (id: string, on: boolean) => (editingId.value = on ? id : null)
</script>

<template>
  <section
    class="desk"
    :aria-label="t('bench.script')"
    @dragover.prevent
    @drop.prevent="intake.take($event.dataTransfer?.files[0])"
  >
    <header>
      <DeskTabs />
      <span class="gap" />
      <ScriptFind v-if="rows.length > 0" @found="onFound" @matches="foundIds = $event" />
      <Button
        v-if="places.part.value"
        :label="t('script.tools')"
        :aria-expanded="showsTools"
        severity="secondary"
        variant="text"
        size="small"
        @click="showsTools = !showsTools"
      />
    </header>
    <ScriptTools
      v-if="
        (showsTools || reading.lines.value.length === 0) &&
        places.part.value &&
        !tapping &&
        !intake.doubt.value
      "
      @file="intake.take"
      @tap="((tapping = true), (showsTools = false))"
    />
    <TapBar v-if="tapping" @done="tapping = false" />
    <CaptionIntake :intake="intake" />
    <div ref="list" class="lines" tabindex="-1">
      <p v-if="reading.lines.value.length === 0" class="empty">{{ t('bench.noScript') }}</p>
      <div class="all" :style="{ height: `${virtualizer.getTotalSize()}px` }">
        <div
          v-for="{ item, index } in items"
          :key="String(item.key)"
          :ref="measure"
          class="row"
          :data-index="item.index"
          :data-line="index"
          :style="{ transform: `translateY(${item.start}px)` }"
        >
          <div v-if="index === -1" class="before">
            <CueCard v-for="cue in cuesByLine.get(-1)" :key="cue.id" :cue="cue" />
          </div>
          <ScriptLine
            v-else
            :line="reading.lines.value[index]!"
            :cues="cuesByLine.get(index) ?? []"
            :is-now="index === reading.lineIndex.value"
            :is-found="foundIds.has(reading.lines.value[index]!.id)"
            :editing="editingId === reading.lines.value[index]!.id"
            @update:editing="setEditing(reading.lines.value[index]!.id, $event)"
            @place="placeAt($event, index)"
          />
        </div>
      </div>
      <Button
        v-if="reading.script.value && rights.canEdit.value"
        class="add"
        :label="t('script.addLine')"
        severity="secondary"
        variant="text"
        size="small"
        @click="addFirstLine"
      />
    </div>
  </section>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  min-height: 0;
  height: 100%;
  background: var(--surface);
}
header {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding-block: 0;
  padding-inline: 18px 8px;
  border-bottom: 1px solid var(--line);
}
.gap {
  flex: 1;
}
.lines {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.all {
  position: relative;
}
.row {
  position: absolute;
  inset: 0 0 auto;
}
.before {
  display: flex;
  flex-direction: column;
  gap: 6px;
  width: 34%;
  min-width: 150px;
  margin-inline-start: auto;
  padding: 8px 12px;
}
.empty {
  padding: 24px 18px;
  color: var(--ink-2);
  max-width: 44ch;
}
.add {
  margin-block: 4px 24px;
  margin-inline: 66px 0;
}
</style>
