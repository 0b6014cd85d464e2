<script setup lang="ts">
// A second film on the stage, in step with the first.
import { useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { OverlayForm } from '@fernbrake/core/lesson'
import { useInStep, useStagePace } from '../session/stagePace.ts'

const props = defineProps<{
  content: Extract<OverlayForm, { form: 'film' }>
  words: string
  fromMs: number
  address: string | null
}>()
const { t } = useI18n()
const pace = useStagePace()
const video = useTemplateRef<HTMLVideoElement>('video')
const step = useInStep(video, () => ({ fromMs: props.fromMs, startMs: props.content.startMs }))
const { failed } = step
</script>

<template>
  <p v-if="failed" class="failed">{{ t('player.secondFilmFailed') }}</p>
  <video
    v-else-if="address"
    ref="video"
    :src="address"
    :class="content.fit"
    :muted="!content.sound || pace.muted.value"
    :aria-label="words || t('player.secondFilm')"
    preload="auto"
    playsinline
    disablepictureinpicture
    v-on="step.listeners"
  />
</template>

<style scoped>
video {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
  border-radius: inherit;
}
video.fill {
  object-fit: cover;
}
.failed {
  margin: auto;
  padding: 0.5em;
  font-size: max(12.5px, 0.8em);
  text-align: center;
}
</style>
