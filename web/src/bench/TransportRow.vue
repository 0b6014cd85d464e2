<script setup lang="ts">
// Under the stage: playing, single frames, the exact time, and placing cues at the playhead.
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime, readTypedTime, timecodeOf } from '@fernbrake/core/media'
import { useCueActs, usePlayhead, useRights } from './useBench.ts'

const acts = useCueActs()
const playhead = usePlayhead()
const rights = useRights()
const { t } = useI18n()
const shown = computed(() => timecodeOf(playhead.mediaMs.value, playhead.frameRate.value))
const typed = ref(shown.value)
const typing = ref(false)
const wrong = ref(false)
watch(shown, (value) => {
  if (!typing.value) typed.value = value
})
const paused = computed(() => playhead.snapshot.value?.paused ?? true)
const KINDS = [
  { kind: 'question', key: 'Q' },
  { kind: 'overlay', key: 'O' },
  { kind: 'bookmark', key: 'B' },
  { kind: 'fork', key: 'F' },
  { kind: 'note', key: 'N' },
] as const

function goToTyped(): void {
  const ms = readTypedTime(typed.value, playhead.frameRate.value, playhead.mediaMs.value)
  wrong.value = ms === null
  if (ms === null) return
  typing.value = false
  playhead.film.value?.pause()
  playhead.seek(ms)
  typed.value = shown.value
}

function leave(): void {
  typing.value = false
  wrong.value = false
  typed.value = shown.value
}
</script>

<template>
  <div class="row">
    <div class="steps">
      <button
        type="button"
        :aria-label="t('bench.frameBack')"
        :title="t('bench.frameBack')"
        @click="playhead.step(-1)"
      >
        <svg viewBox="0 0 20 20" aria-hidden="true"><path d="M13 4 L7 10 L13 16 M4 4 V16" /></svg>
      </button>
      <button
        type="button"
        class="play"
        :aria-label="paused ? t('bench.play') : t('bench.stop')"
        :title="paused ? t('bench.play') : t('bench.stop')"
        @click="playhead.toggle()"
      >
        <svg viewBox="0 0 20 20" aria-hidden="true" class="solid">
          <path v-if="paused" d="M5 3 L17 10 L5 17 Z" />
          <path v-else d="M5 3 H8.5 V17 H5 Z M11.5 3 H15 V17 H11.5 Z" />
        </svg>
      </button>
      <button
        type="button"
        :aria-label="t('bench.frameOn')"
        :title="t('bench.frameOn')"
        @click="playhead.step(1)"
      >
        <svg viewBox="0 0 20 20" aria-hidden="true"><path d="M7 4 L13 10 L7 16 M16 4 V16" /></svg>
      </button>
      <input
        v-model="typed"
        class="mono time"
        data-test="timecode"
        :aria-label="t('bench.timecode')"
        :aria-invalid="wrong"
        spellcheck="false"
        autocomplete="off"
        @focus="typing = true"
        @blur="leave"
        @keydown.enter.prevent="goToTyped"
        @keydown.esc.stop.prevent="leave"
      />
      <span class="mono total">/ {{ clockTime(playhead.durationMs.value) }}</span>
    </div>
    <span class="gap" />
    <button
      v-for="{ kind, key } in KINDS"
      :key="kind"
      type="button"
      class="place"
      :disabled="kind === 'note' ? !rights.canNote.value : !rights.canEdit.value"
      @click="acts.place(kind)"
    >
      <kbd>{{ key }}</kbd> {{ t(`bench.kind.${kind}`) }}
    </button>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 6px;
  min-height: 44px;
}
.steps {
  display: flex;
  align-items: center;
  gap: 6px;
  /* Back and on point as the film runs, and time is written so, in every language. */
  direction: ltr;
}
button {
  display: inline-flex;
  flex: none;
  align-items: center;
  gap: 7px;
  min-width: 32px;
  min-height: 34px;
  padding: 4px 7px;
  border: 1px solid transparent;
  border-radius: var(--radius);
  background: none;
  color: var(--ink);
  font: inherit;
  white-space: nowrap;
  cursor: pointer;
}
button:hover:not(:disabled) {
  background: var(--surface);
}
button:disabled {
  opacity: 0.5;
}
svg {
  width: 18px;
  height: 18px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.75;
}
.solid {
  fill: currentcolor;
  stroke: none;
}
.time {
  width: 8.4em;
  padding: 4px 6px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: transparent;
  color: var(--ink);
  font-size: 15px;
}
.time[aria-invalid='true'] {
  border-color: var(--rust);
}
.total {
  color: var(--ink-3);
  white-space: nowrap;
}
.gap {
  flex: 1;
}
.place {
  gap: 5px;
  padding-inline: 3px 4px;
  font-size: 13.5px;
}
kbd {
  min-width: 19px;
  padding: 1px 4px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font-family: var(--mono);
  font-size: 12.5px;
  text-align: center;
}
@media (max-width: 1360px) {
  .row {
    gap: 2px;
  }
  .time {
    font-size: 14px;
  }
  .total {
    font-size: 12.5px;
  }
}
</style>
