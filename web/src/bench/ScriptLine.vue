<script setup lang="ts">
// A line of the script with the cues that begin in it; its words lead there, or are edited in place.
import { useI18n } from 'vue-i18n'
import type { Cue, ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { CueGlyph } from '@fernbrake/player'
import CueCard from './CueCard.vue'
import LineEditor from './LineEditor.vue'
import { type CueKind, usePlayhead, useReading, useRights } from './useBench.ts'

const props = defineProps<{
  line: ScriptLine
  cues: readonly Cue[]
  isNow: boolean
  isFound: boolean
}>()
const editing = defineModel<boolean>('editing', { required: true })
const emit = defineEmits<{ place: [kind: CueKind] }>()
const playhead = usePlayhead()
const reading = useReading()
const rights = useRights()
const { t } = useI18n()
const placing = (kind: CueKind) =>
  t('bench.placeHere', { kind: t(`bench.kind.${kind}`), time: clockTime(props.line.fromMs) })
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
      <div class="cards">
        <CueCard v-for="cue in cues" :key="cue.id" :cue="cue" />
        <div v-if="rights.canEdit.value" class="here">
          <button
            v-for="kind in KINDS"
            :key="kind"
            type="button"
            :aria-label="placing(kind)"
            :title="placing(kind)"
            @click="emit('place', kind)"
          >
            <CueGlyph :kind="kind" />
          </button>
          <button
            type="button"
            class="edit"
            :aria-label="t('script.editLine', { time: clockTime(line.fromMs) })"
            @click="editing = true"
          >
            {{ t('script.edit') }}
          </button>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) minmax(154px, 34%);
  gap: 10px;
  padding-block: 5px;
  padding-inline: 18px 12px;
}
.line.now {
  background: var(--fern-soft);
}
.line.found .at {
  background: var(--straw-soft);
  color: var(--ink);
}
.line.found .words {
  text-decoration: underline var(--straw) 2px;
  text-underline-offset: 4px;
}
.editor {
  grid-column: 2 / -1;
}
.at {
  align-self: start;
  padding-top: 3px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.words {
  align-self: start;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: var(--reading);
  font-size: 16px;
  line-height: 1.4;
  text-align: start;
  cursor: pointer;
}
/* What can be put here has its room in the margin, so that nothing moves when a hand comes to the line. */
.here {
  display: flex;
  justify-content: end;
  min-height: 26px;
  margin-top: auto;
  opacity: 0;
}
.line:is(:hover, :focus-within) .here {
  opacity: 1;
}
.here button {
  display: grid;
  place-items: center;
  min-width: 26px;
  min-height: 26px;
  padding: 0;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-size: 12.5px;
  font-weight: 600;
  cursor: pointer;
}
.here .edit {
  padding-inline: 6px;
}
.here button:hover {
  background: var(--sunk);
  color: var(--ink);
}
.cards {
  display: flex;
  flex-direction: column;
  gap: 3px;
  min-width: 0;
}
@media (hover: none) {
  .line.now .here {
    opacity: 1;
  }
}
</style>
