<script setup lang="ts">
// A line of the script with the cues that begin in it; its words lead there, or are edited in place.
import { useI18n } from 'vue-i18n'
import type { Cue, ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import CueCard from './CueCard.vue'
import LineEditor from './LineEditor.vue'
import { type CueKind, usePlayhead, useReading, useRights } from './useBench.ts'

defineProps<{ line: ScriptLine; cues: readonly Cue[]; isNow: boolean; isFound: boolean }>()
const editing = defineModel<boolean>('editing', { required: true })
const emit = defineEmits<{ place: [kind: CueKind] }>()
const playhead = usePlayhead()
const reading = useReading()
const rights = useRights()
const { t } = useI18n()
const KINDS: CueKind[] = ['question', 'overlay', 'bookmark', 'fork', 'note']
</script>

<template>
  <div class="line" :class="{ now: isNow, found: isFound }">
    <span class="mono at">{{ clockTime(line.fromMs) }}</span>
    <LineEditor
      v-if="editing && reading.script.value"
      class="editor"
      :script="reading.script.value"
      :line="line"
      @done="editing = false"
    />
    <template v-else>
      <div class="text">
        <button
          type="button"
          class="words"
          dir="auto"
          :lang="reading.script.value?.language"
          :aria-current="isNow"
          @click="playhead.seek(line.fromMs)"
          @dblclick="rights.canEdit.value && (editing = true)"
        >
          {{ line.text || t('bench.noWords') }}
        </button>
        <div v-if="rights.canEdit.value" class="here">
          <button
            v-for="kind in KINDS"
            :key="kind"
            type="button"
            :aria-label="
              t('bench.placeHere', { kind: t(`bench.kind.${kind}`), time: clockTime(line.fromMs) })
            "
            @click="emit('place', kind)"
          >
            {{ t(`bench.addKind.${kind}`) }}
          </button>
          <button
            type="button"
            :aria-label="t('script.editLine', { time: clockTime(line.fromMs) })"
            @click="editing = true"
          >
            {{ t('script.edit') }}
          </button>
        </div>
      </div>
      <div class="cards">
        <CueCard v-for="cue in cues" :key="cue.id" :cue="cue" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) minmax(150px, 34%);
  gap: 10px;
  padding-block: 8px 4px;
  padding-inline: 18px 12px;
}
.line.now {
  background: var(--fern-soft);
}
.line.found {
  box-shadow: inset 4px 0 0 var(--straw);
}
.editor {
  grid-column: 2 / -1;
}
.at {
  padding-top: 4px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.words {
  width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.45;
  text-align: start;
  cursor: pointer;
}
.here {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
  min-height: 24px;
  opacity: 0;
}
.line:hover .here,
.line:focus-within .here {
  opacity: 1;
}
.here button {
  min-height: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 12.5px;
  font-weight: 600;
  white-space: nowrap;
  cursor: pointer;
}
.here button:hover {
  color: var(--fern);
  text-decoration: underline;
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-width: 0;
}
@media (hover: none) {
  .here {
    opacity: 1;
  }
}
</style>
