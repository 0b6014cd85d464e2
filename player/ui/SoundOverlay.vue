<script setup lang="ts">
// Something to hear on the stage: in step with the film, or when it is pressed. It can always be stopped.
import { computed, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { OverlayForm } from '@fernbrake/core/lesson'
import { useInStep, useStagePace } from '../session/stagePace.ts'

const props = defineProps<{
  cueId: string
  content: Extract<OverlayForm, { form: 'sound' }>
  words: string
  fromMs: number
  address: string | null
  live: boolean
}>()
const { t } = useI18n()
const pace = useStagePace()
const audio = useTemplateRef<HTMLAudioElement>('audio')
const withFilm = computed(() => props.content.begins === 'withFilm')
/** Stopped by the learner, until it is pressed again. */
const stopped = ref(false)
const step = useInStep(
  audio,
  () => ({ fromMs: props.fromMs, startMs: 0 }),
  () => withFilm.value && !stopped.value,
)
const { isOn, blocked, failed } = step
/** Whether the film played when this was pressed, so that it goes on afterwards. */
let wasPlaying = false
const share = ref(0)

function press(): void {
  if (!audio.value || !props.live) return
  if (isOn.value) return stop()
  stopped.value = false
  blocked.value = false
  if (failed.value) audio.value.load()
  failed.value = false
  if (withFilm.value && pace.playing.value) return step.follow()
  wasPlaying = pace.playing.value
  pace.pause()
  // With the film it has gone on to where it should be; by itself it begins anew.
  audio.value.currentTime = 0
  void step.start(audio.value)
}
function stop(): void {
  stopped.value = true
  audio.value?.pause()
}
function onEnded(): void {
  step.listeners.ended()
  if (!withFilm.value && wasPlaying) pace.play()
  wasPlaying = false
}
// Whoever starts the film wants to hear that.
watch(pace.playing, (playing) => {
  if (!playing || withFilm.value || !isOn.value) return
  wasPlaying = false
  stop()
})
watch(
  [isOn, () => props.content],
  ([isHeard, { quiets, said = '' }]) => pace.hear(props.cueId, isHeard ? { quiets, said } : null),
  { immediate: true },
)
onScopeDispose(() => pace.hear(props.cueId, null))
const onTime = () => {
  const { currentTime = 0, duration = 0 } = audio.value ?? {}
  share.value = duration > 0 ? currentTime / duration : 0
}
const label = computed(() =>
  failed.value
    ? t('player.soundFailed', { words: props.words })
    : t(isOn.value ? 'player.stopHearing' : 'player.hear', { words: props.words }),
)
</script>

<template>
  <component
    :is="live ? 'button' : 'span'"
    class="sound"
    :class="{ live }"
    :type="live ? 'button' : undefined"
    :aria-label="live ? label : undefined"
    @click="press"
  >
    <svg viewBox="0 0 20 20" aria-hidden="true">
      <path v-if="isOn" d="M5 5 H15 V15 H5 Z" />
      <path v-else d="M5 3 L16 10 L5 17 Z" />
    </svg>
    <span dir="auto">{{ failed ? t('player.soundFailed', { words }) : words }}</span>
    <i :style="{ transform: `scaleX(${share})` }" />
    <audio
      v-if="address"
      ref="audio"
      :src="address"
      :muted="pace.muted.value && withFilm"
      preload="auto"
      v-on="{ ...step.listeners, ended: onEnded }"
      @timeupdate="onTime"
    />
  </component>
</template>

<style scoped>
.sound {
  position: relative;
  display: flex;
  align-items: center;
  gap: 0.6em;
  width: 100%;
  height: 100%;
  min-height: inherit;
  margin: 0;
  padding: 0.3em 0.7em;
  border: 0;
  border-radius: inherit;
  background: transparent;
  color: inherit;
  font: inherit;
  text-align: inherit;
  overflow: hidden;
}
.sound.live {
  cursor: pointer;
  pointer-events: auto;
}
svg {
  flex: none;
  width: 1.15em;
  height: 1.15em;
  fill: currentColor;
}
i {
  position: absolute;
  inset: auto 0 0;
  height: 3px;
  background: currentColor;
  transform-origin: left;
}
.sound:focus-visible {
  outline: 3px solid #f3ecd8;
  outline-offset: -3px;
}
</style>
