<script setup lang="ts">
// The learner's controls under the frond. They ask the session and show what the media confirmed.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import type { FilmSession } from '../session/useFilmSession.ts'
import type { Score } from '../session/useAnswers.ts'

const props = defineProps<{
  session: FilmSession
  watched: number
  /** Null while it is not to be told. */
  score: Score | null
}>()
const { t, n } = useI18n()
const { snapshot, mediaMs, durationMs, isHeld, range, state } = props.session

const playWord = computed(() => {
  if (!snapshot.value.paused) return t('player.pause')
  return state.value.mode.kind === 'ended' ? t('player.playAgain') : t('player.play')
})
const share = computed(() => n(props.watched, { style: 'percent', maximumFractionDigits: 0 }))
</script>

<template>
  <div class="controls">
    <button
      class="fb-button plain play"
      type="button"
      data-focus="play"
      :disabled="isHeld"
      @click="session.toggle()"
    >
      <svg viewBox="0 0 20 20" aria-hidden="true">
        <path v-if="snapshot.paused" d="M4 2 L18 10 L4 18 Z" />
        <path v-else d="M4 3 H8 V17 H4 Z M12 3 H16 V17 H12 Z" />
      </svg>
      {{ playWord }}
    </button>
    <span class="time">
      <span class="visually-hidden">{{
        t('player.time', { now: clockTime(mediaMs), all: clockTime(durationMs) })
      }}</span>
      <span dir="ltr" aria-hidden="true"
        >{{ clockTime(mediaMs) }} / {{ clockTime(durationMs) }}</span
      >
    </span>
    <button
      v-if="range"
      class="fb-button plain"
      type="button"
      @click="session.seek(mediaMs - 10_000)"
    >
      {{ t('player.back10') }}
    </button>
    <span class="gap" />
    <span class="told">{{ t('player.watched', { share }) }}</span>
    <span v-if="score && score.max > 0" class="told">{{
      t(
        'player.marks',
        { points: n(score.points, { maximumFractionDigits: 2 }), max: n(score.max) },
        score.max,
      )
    }}</span>
  </div>
</template>

<style scoped>
.controls {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 6px;
}
.play {
  min-width: 112px;
  justify-content: start;
  padding-inline-start: 2px;
}
.play svg {
  width: 18px;
  height: 18px;
  fill: currentcolor;
}
.time {
  font-family: var(--mono);
  min-width: 8.5em;
}
.gap {
  flex: 1 1 0;
}
.told {
  color: var(--ink-2);
  padding: 0 8px;
  white-space: nowrap;
}
.fb-button.plain {
  font-weight: 500;
}
@media (max-width: 760px) {
  .gap {
    display: none;
  }
  .time {
    min-width: 0;
    margin-inline-end: auto;
  }
  .told {
    font-size: 13.5px;
    padding-block: 0;
    padding-inline: 4px 8px;
  }
}
</style>
