<script setup lang="ts">
// All cues as a table: the same selection as frond and script, for keyboard and screen reader.
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueEndMs, cueStartMs, edits, type Cue } from '@fernbrake/core/lesson'
import { clockTime, timecodeOf } from '@fernbrake/core/media'
import { isGraded } from '@fernbrake/core/questions'
import { CueGlyph } from '@fernbrake/player'
import ChoiceField from './ChoiceField.vue'
import { cueWords, glyphOf, wordlessKey } from './cueWords.ts'
import DeskTabs from './DeskTabs.vue'
import SelectionBar from './SelectionBar.vue'
import TimeField from './TimeField.vue'
import { type CueKind, usePlayhead, useSelection, useBench } from './useBench.ts'

const bench = useBench()
const playhead = usePlayhead()
const selection = useSelection()
const { t, n } = useI18n()
const grid = useTemplateRef<HTMLElement>('grid')
const shownKind = ref<CueKind | 'all'>('all')
const KINDS: CueKind[] = ['question', 'overlay', 'bookmark', 'fork', 'note']
const kinds = computed(() => [
  { value: 'all' as const, label: t('bench.allKinds') },
  ...KINDS.map((value) => ({ value, label: t(`bench.kinds.${value}`) })),
])
const soughtWords = ref('')
const rows = computed(() => {
  const sought = soughtWords.value.trim().toLocaleLowerCase()
  return selection.cues.value.filter(
    (cue) =>
      (shownKind.value === 'all' || cue.kind === shownKind.value) &&
      (sought === '' || words(cue).toLocaleLowerCase().includes(sought)),
  )
})
const isNarrowed = computed(() => shownKind.value !== 'all' || soughtWords.value.trim() !== '')
const selected = computed(() => new Set(selection.selectedIds.value))
/** The row that the keys start from. */
const current = ref<string | null>(selection.selectedId.value)
const tabStop = computed(() =>
  rows.value.some(({ id }) => id === current.value) ? current.value : rows.value[0]?.id,
)
/** Where a stretch of rows that is selected with Shift begins. */
let anchor: string | null = selection.selectedId.value

const time = (cue: Cue) => timecodeOf(cueStartMs(cue), playhead.frameRate.value)
const questionOf = (cue: Cue) =>
  cue.kind === 'question' ? bench.lesson.value.questions[cue.questionId] : undefined
const marks = (cue: Cue) => {
  const question = questionOf(cue)
  return question && isGraded(question) ? n(question.points, { maximumFractionDigits: 2 }) : ''
}
const hold = (cue: Cue) => (cue.kind === 'question' ? t(`bench.holdShort.${cue.hold}`) : '')
/** How long an overlay is there, or what a question's evidence is. */
function stretch(cue: Cue): string {
  if (cue.kind === 'overlay') {
    const seconds = (cueEndMs(cue) - cueStartMs(cue)) / 1000
    return t('bench.seconds', { number: n(seconds, { maximumFractionDigits: 2 }) })
  }
  const evidence = questionOf(cue)?.evidence
  return evidence ? `${clockTime(evidence.fromMs)}–${clockTime(evidence.toMs)}` : ''
}

function pick(id: string, how: 'one' | 'toggle' | 'stretch'): void {
  current.value = id
  if (how === 'stretch') selectStretch(id)
  else {
    anchor = id
    selection.select(id, how === 'one', how === 'toggle')
  }
  // The list stays, so that the next one can be picked; Enter opens the sheet.
  selection.sheetOpen.value = false
}

function selectStretch(id: string): void {
  const ids = rows.value.map((cue) => cue.id)
  const [from, to] = [ids.indexOf(anchor ?? id), ids.indexOf(id)]
  selection.selectMany(ids.slice(Math.max(0, Math.min(from, to)), Math.max(from, to) + 1))
}

function onClick(event: MouseEvent, id: string): void {
  if ((event.target as Element).closest('input')) return
  pick(id, event.shiftKey ? 'stretch' : event.ctrlKey || event.metaKey ? 'toggle' : 'one')
}

async function goToRow(index: number, stretch: boolean): Promise<void> {
  const cue = rows.value[Math.min(rows.value.length - 1, Math.max(0, index))]
  if (!cue) return
  pick(cue.id, stretch ? 'stretch' : 'one')
  await nextTick()
  grid.value?.querySelector<HTMLElement>(`[data-row="${cue.id}"]`)?.focus()
}

function onKey(event: KeyboardEvent, index: number): void {
  if ((event.target as Element).closest('input') || event.ctrlKey || event.metaKey) return
  const cue = rows.value[index]!
  const actions: Record<string, () => void> = {
    ArrowUp: () => void goToRow(index - 1, event.shiftKey),
    ArrowDown: () => void goToRow(index + 1, event.shiftKey),
    Home: () => void goToRow(0, event.shiftKey),
    End: () => void goToRow(rows.value.length - 1, event.shiftKey),
    ' ': () => pick(cue.id, 'toggle'),
    Enter: () => selection.select(cue.id, true),
  }
  const action = actions[event.key]
  if (!action) return
  event.preventDefault()
  action()
}

watch(selection.selectedId, async (id) => {
  if (!id) return
  current.value = id
  await nextTick()
  grid.value?.querySelector(`[data-row="${id}"]`)?.scrollIntoView({ block: 'nearest' })
})
/** What a cue says, or what stands for it. */
const words = (cue: Cue) => cueWords(bench.lesson.value, cue) || t(wordlessKey(cue))
</script>

<template>
  <section class="desk" :aria-label="t('bench.cueList')">
    <header>
      <DeskTabs />
      <span class="gap" />
      <input
        v-model="soughtWords"
        type="search"
        class="fb-input sought"
        :aria-label="t('bench.findCue')"
        :placeholder="t('bench.findCueShort')"
      />
      <ChoiceField
        hide-label
        :label="t('bench.show')"
        :value="shownKind"
        :choices="kinds"
        always
        @change="shownKind = $event"
      />
    </header>
    <p v-if="rows.length === 0" class="empty">
      {{ t(isNarrowed ? 'bench.noCues' : 'bench.noneYet') }}
    </p>
    <div
      v-else
      ref="grid"
      class="grid"
      role="grid"
      aria-multiselectable="true"
      :aria-label="t('bench.cueList')"
      :aria-rowcount="rows.length + 1"
    >
      <div class="row head" role="row">
        <span role="columnheader">{{ t('sheet.at') }}</span>
        <span role="columnheader"
          ><span class="visually-hidden">{{ t('bench.kindOfCue') }}</span></span
        >
        <span role="columnheader">{{ t('sheet.words') }}</span>
        <span role="columnheader" class="end">{{ t('bench.marksOfCue') }}</span>
        <span role="columnheader">{{ t('bench.holdOfCue') }}</span>
        <span role="columnheader" class="end" :title="t('bench.stretchHelp')">{{
          t('bench.stretchOfCue')
        }}</span>
      </div>
      <div
        v-for="(cue, index) in rows"
        :key="cue.id"
        class="row"
        :class="{ selected: selected.has(cue.id) }"
        role="row"
        :data-row="cue.id"
        :aria-selected="selected.has(cue.id)"
        :tabindex="cue.id === tabStop ? 0 : -1"
        @click="onClick($event, cue.id)"
        @dblclick="selection.select(cue.id, true)"
        @keydown="onKey($event, index)"
      >
        <span role="gridcell" class="mono">
          <TimeField
            v-if="selection.selectedIds.value.length === 1 && selected.has(cue.id)"
            hide-label
            :label="t('sheet.at')"
            :ms="cueStartMs(cue)"
            @change="bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
          />
          <template v-else>{{ time(cue) }}</template>
        </span>
        <span role="gridcell" class="kind" :title="t(`bench.kind.${cue.kind}`)"
          ><CueGlyph :kind="glyphOf(bench.lesson.value, cue)" /><span class="visually-hidden">{{
            t(`bench.kind.${cue.kind}`)
          }}</span></span
        >
        <span role="gridcell" class="words" dir="auto" :title="words(cue)"
          ><b v-if="selection.isBeyondEnd(cue)" class="beyond">{{ t('bench.beyondEnd') }}</b>
          {{ words(cue) }}</span
        >
        <span role="gridcell" class="mono end">{{ marks(cue) }}</span>
        <span role="gridcell" class="hold">{{ hold(cue) }}</span>
        <span role="gridcell" class="mono end">{{ stretch(cue) }}</span>
      </div>
    </div>
    <SelectionBar v-if="selection.selectedCues.value.length > 0" />
    <p v-else class="help">{{ t('bench.listHelp') }}</p>
  </section>
</template>

<style scoped>
.desk {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--surface);
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 44px;
  padding-block: 0;
  padding-inline: 18px 12px;
  border-bottom: 1px solid var(--line);
}
.grid {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.row {
  /* Shift and a click choose several rows; they do not mark their text. */
  user-select: none;
  display: grid;
  grid-template-columns: 106px 18px minmax(0, 1fr) 38px 62px 86px;
  gap: 10px;
  align-items: center;
  min-height: 36px;
  padding-block: 2px;
  padding-inline: 18px;
  border-bottom: 1px solid var(--line);
  font-size: 13.5px;
  cursor: default;
  content-visibility: auto;
  contain-intrinsic-size: auto 36px;
}
.row:focus-visible {
  outline-offset: -2px;
}
.head {
  position: sticky;
  top: 0;
  z-index: 1;
  min-height: 30px;
  background: var(--surface);
  color: var(--ink-2);
  font-size: 12.5px;
  font-weight: 600;
}
.selected {
  background: var(--fern-soft);
}
/* What can be written stands where it stood as words. */
.row :deep(input) {
  width: calc(100% + 6px);
  margin-inline-start: -6px;
  padding-inline: 5px;
  font-size: inherit;
}
.kind {
  display: grid;
}
.hold {
  font-size: 12.5px;
  color: var(--ink-2);
}
.gap {
  flex: 1;
}
.sought {
  width: 120px;
  min-height: 32px;
  padding: 3px 8px;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.beyond {
  padding: 0 5px;
  background: var(--straw-soft);
}
.end {
  text-align: end;
}
.empty,
.help {
  padding: 14px 18px;
  color: var(--ink-2);
}
.empty {
  flex: 1;
  max-width: 44ch;
}
.help {
  border-top: 1px solid var(--line);
  font-size: 12.5px;
}
</style>
