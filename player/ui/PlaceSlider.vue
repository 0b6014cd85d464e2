<script setup lang="ts">
// The frond as a slider: pointer and keyboard move through the film.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import Frond from '../frond/Frond.vue'
import type { FrondCue, Span } from '../frond/model.ts'

const props = defineProps<{
  durationMs: number
  mediaMs: number
  cues: FrondCue[]
  covered: readonly Span[]
  /** False where the lesson plays straight through. */
  movable: boolean
}>()
const emit = defineEmits<{ seek: [ms: number]; pick: [id: string] }>()
const { t } = useI18n()
const STEPS: Record<string, number> = {
  ArrowLeft: -5000,
  ArrowDown: -5000,
  ArrowRight: 5000,
  ArrowUp: 5000,
  PageDown: -30_000,
  PageUp: 30_000,
  Home: -Infinity,
  End: Infinity,
}
const now = computed(() => Math.round(props.mediaMs / 1000))

function onKey(event: KeyboardEvent): void {
  const step = STEPS[event.key]
  if (step === undefined) return
  event.preventDefault()
  event.stopPropagation()
  if (!props.movable) return
  emit('seek', Math.min(props.durationMs, Math.max(0, props.mediaMs + step)))
}
</script>

<template>
  <div
    class="place"
    role="slider"
    tabindex="0"
    :aria-label="t('player.timeline')"
    aria-valuemin="0"
    :aria-disabled="!movable"
    :aria-valuemax="Math.round(durationMs / 1000)"
    :aria-valuenow="now"
    :aria-valuetext="
      t('player.timelineValue', { time: clockTime(mediaMs), all: clockTime(durationMs) })
    "
    @keydown="onKey"
  >
    <Frond
      :duration-ms="durationMs"
      :cues="cues"
      :covered="covered"
      :playhead-ms="mediaMs"
      :seekable="movable"
      @seek="emit('seek', $event)"
      @pick="emit('pick', $event)"
    />
  </div>
</template>
