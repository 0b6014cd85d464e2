<script setup lang="ts">
// Listening to a sound: play, stop, go to a place.
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'

const props = defineProps<{
  src: string
  name: string
  /** Known to the caller where the file does not say it, as recordings do not. */
  lengthMs?: number
}>()
const { t } = useI18n()
const audio = useTemplateRef<HTMLAudioElement>('audio')
const isOn = ref(false)
const failed = ref(false)
const atMs = ref(0)
const ownMs = ref(0)
const allMs = computed(() => ownMs.value || props.lengthMs || 0)

function press(): void {
  if (!audio.value) return
  if (isOn.value) audio.value.pause()
  else void audio.value.play().catch(() => (failed.value = audio.value?.error !== null))
}
function onLength(): void {
  const seconds = audio.value?.duration ?? 0
  ownMs.value = Number.isFinite(seconds) ? seconds * 1000 : 0
}
function goTo(event: Event): void {
  const ms = Number((event.target as HTMLInputElement).value)
  if (audio.value) audio.value.currentTime = ms / 1000
  atMs.value = ms
}
</script>

<template>
  <div class="listen">
    <button
      type="button"
      :aria-label="t(isOn ? 'app.stopSound' : 'app.playSound', { name })"
      @click="press"
    >
      <svg viewBox="0 0 20 20" aria-hidden="true">
        <path v-if="isOn" d="M4 3 H8 V17 H4 Z M12 3 H16 V17 H12 Z" />
        <path v-else d="M5 3 L16 10 L5 17 Z" />
      </svg>
    </button>
    <input
      type="range"
      min="0"
      :max="Math.max(1, Math.round(allMs))"
      :value="Math.round(atMs)"
      :aria-label="t('app.placeInSound', { name })"
      :aria-valuetext="clockTime(atMs)"
      @input="goTo"
    />
    <span class="mono">{{ clockTime(atMs) }} / {{ clockTime(allMs) }}</span>
    <span v-if="failed" role="alert">{{ t('app.soundFailed') }}</span>
    <audio
      ref="audio"
      :src="src"
      preload="metadata"
      @play="isOn = true"
      @pause="isOn = false"
      @loadedmetadata="onLength"
      @timeupdate="atMs = (audio?.currentTime ?? 0) * 1000"
      @error="failed = true"
    />
  </div>
</template>

<style scoped>
.listen {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  width: 100%;
}
button {
  display: grid;
  place-items: center;
  width: 36px;
  height: 36px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  cursor: pointer;
}
svg {
  width: 16px;
  height: 16px;
  fill: currentcolor;
}
input {
  flex: 1;
  min-width: 80px;
  accent-color: var(--fern);
}
</style>
