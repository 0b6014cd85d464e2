<script setup lang="ts">
// A cue in the margin of the script.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { cueStartMs, type Cue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { cueWords, wordlessKey } from './cueWords.ts'
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
const extra = computed(() => {
  if (selection.isBeyondEnd(props.cue)) return t('bench.beyondEnd')
  return props.cue.kind === 'question' && props.cue.hold !== 'none' ? t('bench.holds') : null
})
</script>

<template>
  <button
    type="button"
    class="card"
    :class="[cue.kind, { selected: isSelected }]"
    :aria-pressed="isSelected"
    @click="selection.select(cue.id, true, $event.shiftKey || $event.ctrlKey || $event.metaKey)"
  >
    <span class="head">
      <b>{{ t(`bench.kind.${cue.kind}`) }}</b> <span class="mono">{{ time }}</span>
      <template v-if="extra"> · {{ extra }}</template>
    </span>
    <span class="words" dir="auto">{{ words }}</span>
    <span v-if="inHand" class="other">{{ inHand }}</span>
  </button>
</template>

<style scoped>
.card {
  display: block;
  width: 100%;
  padding-block: 6px 7px;
  padding-inline: 10px 8px;
  border: 1px solid var(--line);
  border-inline-start: 4px solid var(--kind);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 13.5px;
  line-height: 1.35;
  text-align: start;
  cursor: pointer;
}
.question {
  --kind: var(--rust);
}
.overlay {
  --kind: var(--slate);
}
.bookmark {
  --kind: var(--straw);
}
.fork {
  --kind: var(--plum);
}
.note {
  --kind: var(--ink-3);
  border-style: dashed;
  border-inline-start-style: dotted;
}
.card:hover {
  background: var(--ground);
}
.selected {
  border-color: var(--ink);
  border-inline-start-color: var(--kind);
  box-shadow: 0 0 0 1px var(--ink);
}
.head {
  display: block;
  font-size: 12.5px;
  color: var(--ink-2);
}
.other {
  display: inline-block;
  margin-top: 3px;
  padding: 0 6px;
  background: var(--plum-soft);
  color: var(--ink);
  font-size: 12.5px;
}
.words {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
  overflow-wrap: anywhere;
}
</style>
