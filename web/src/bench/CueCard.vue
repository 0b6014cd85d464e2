<script setup lang="ts">
// A cue in the margin of the script.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueStartMs, type Cue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { CueGlyph } from '@fernbrake/player'
import { cueWords, glyphOf, wordlessKey } from './cueWords.ts'
import { useSelection, useBench } from './useBench.ts'

const props = defineProps<{ cue: Cue }>()
const bench = useBench()
const selection = useSelection()
const { t } = useI18n()
/** Who else has it in hand. */
const inHand = computed(() =>
  bench.others.namesByCue.value
    .get(props.cue.id)
    ?.map((name) => t('others.isHere', { name }))
    .join(', '),
)
const isSelected = computed(() => selection.selectedIds.value.includes(props.cue.id))
const time = computed(() =>
  props.cue.kind === 'overlay'
    ? `${clockTime(props.cue.fromMs)}–${clockTime(props.cue.toMs)}`
    : clockTime(cueStartMs(props.cue)),
)
const words = computed(() => cueWords(bench.lesson.value, props.cue) || t(wordlessKey(props.cue)))
const holds = computed(() =>
  props.cue.kind === 'question' && props.cue.hold !== 'none' ? t('bench.holds') : '',
)
/** All of it for a pointer that rests there: the line beside it tells about when it comes. */
const told = computed(() =>
  [t(`bench.kind.${props.cue.kind}`), time.value, holds.value, '·', words.value].join(' '),
)
</script>

<template>
  <button
    type="button"
    class="card"
    :class="[cue.kind, { selected: isSelected }]"
    :aria-pressed="isSelected"
    :title="told"
    @click="selection.select(cue.id, true, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
  >
    <CueGlyph :kind="glyphOf(bench.lesson.value, cue)" />
    <span class="words">
      <span class="visually-hidden">{{ t(`bench.kind.${cue.kind}`) }} {{ time }} {{ holds }}</span>
      <b v-if="selection.isBeyondEnd(cue)">{{ t('bench.beyondEnd') }}</b>
      <span dir="auto">{{ words }}</span>
    </span>
    <span v-if="inHand" class="other">{{ inHand }}</span>
  </button>
</template>

<style scoped>
.card {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  gap: 0 6px;
  width: 100%;
  min-height: 26px;
  padding-block: 3px;
  padding-inline: 6px 8px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 13.5px;
  line-height: 18px;
  text-align: start;
  cursor: pointer;
}
.card.note {
  border-style: dashed;
}
.card:hover {
  background: var(--ground);
}
.selected {
  border-color: var(--ink);
  box-shadow: 0 0 0 1px var(--ink);
}
b {
  padding: 0 5px;
  background: var(--straw-soft);
}
.other {
  grid-column: 2;
  justify-self: start;
  margin-top: 2px;
  padding: 0 6px;
  background: var(--plum-soft);
  color: var(--ink);
  font-size: 12.5px;
}
/* A line of the script is seldom higher than two of these; the sheet has all of the words. What is cut is their end, in either direction. */
.words {
  display: flex;
  gap: 5px;
  min-width: 0;
  white-space: nowrap;
}
.words > [dir] {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
