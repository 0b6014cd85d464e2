<script setup lang="ts">
// The stretch of film that answers a question, played again among the questions. What is watched here is watched: it is
// recorded like any other playing. Its words stand below, so nobody depends on the sound.
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { linesInOrder, partOfKind, scriptOfPart } from '@fernbrake/core/lesson'
import type { Stretch } from '@fernbrake/core/fields'
import { clockTime, frameRateOf } from '@fernbrake/core/media'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import type { FilmMedia } from '../media/filmMedia.ts'
import { driveFilm, filmElement } from '../media/openFilm.ts'
import { createSpanWriter, type SpanWriter } from '../session/useSpans.ts'

const props = defineProps<{ host: Host; opened: OpenedLesson; stretch: Stretch }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const { lesson, media } = props.opened
const { partId, fromMs, toMs } = props.stretch
const part = partOfKind(lesson, partId, 'film')
const film = media.find(({ id }) => id === part?.mediaId)
const script = scriptOfPart(lesson, partId, lesson.language)
const lines = script
  ? linesInOrder(script).filter((line) => line.toMs > fromMs && line.fromMs < toMs)
  : []

const box = useTemplateRef('box')
const slot = useTemplateRef('slot')
const toggler = useTemplateRef('toggler')
const playing = ref(false)
const failed = ref(false)
const atMs = ref(fromMs)
const share = computed(() => (atMs.value - fromMs) / Math.max(1, toMs - fromMs))
const isOver = computed(() => atMs.value >= toMs)
const player = shallowRef<FilmMedia | null>(null)
let spans: SpanWriter | null = null

function onTick(ms: number): void {
  const seen = Math.min(ms, toMs)
  spans?.tick(seen, 1)
  atMs.value = seen
  if (ms >= toMs) player.value?.pause()
  else if (player.value && toMs - ms < player.value.predictWithinMs) player.value.tickAt(toMs)
}

function toggle(): void {
  if (!player.value) return
  if (playing.value) return player.value.pause()
  if (isOver.value || failed.value) {
    atMs.value = fromMs
    if (failed.value) player.value.retry()
    player.value.seekTo(fromMs)
  }
  void player.value.play()
}

onMounted(() => {
  if (!slot.value || !part || !film) return
  const words = t('player.stretch', { from: clockTime(fromMs), to: clockTime(toMs) })
  const element = filmElement(film, words)
  slot.value.append(element)
  player.value = driveFilm(element, frameRateOf(part.frameRate ?? '25'), {
    onTick,
    onPlay: () => {
      playing.value = true
      spans?.tick(atMs.value, 1)
    },
    onPause: () => {
      playing.value = false
      spans?.close()
    },
    onEnded: () => {
      onTick(toMs)
      playing.value = false
      spans?.close()
    },
    onForeignSeek: () => player.value?.seekTo(atMs.value),
    onSettled: () => undefined,
    onState: () => (failed.value = player.value?.snapshot().failed ?? false),
  })
  spans = createSpanWriter(
    props.host,
    partId,
    () => ({ muted: player.value?.snapshot().muted ?? false }),
    () => undefined,
  )
  player.value.seekTo(fromMs)
  void player.value.play()
  toggler.value?.focus({ preventScroll: true })
  box.value?.scrollIntoView({ block: 'nearest' })
})
onBeforeUnmount(() => {
  spans?.destroy()
  player.value?.destroy()
})
</script>

<template>
  <div ref="box" class="stretch night">
    <p v-if="!film" class="missing">{{ t('player.mediumMissing') }}</p>
    <template v-else>
      <div ref="slot" class="slot" :style="{ aspectRatio: `${film.width} / ${film.height}` }" />
      <div class="bar" aria-hidden="true"><i :style="{ width: `${share * 100}%` }" /></div>
      <div class="row">
        <button ref="toggler" class="fb-button" type="button" @click="toggle">
          {{
            t(
              playing
                ? 'player.quiz.pauseStretch'
                : isOver
                  ? 'player.quiz.stretchAgain'
                  : 'player.quiz.playStretch',
            )
          }}
        </button>
        <button class="fb-button plain" type="button" @click="emit('close')">
          {{ t('player.quiz.closeStretch') }}
        </button>
        <span class="time">{{ clockTime(atMs) }}</span>
      </div>
      <p v-if="failed" role="alert">{{ t('player.quiz.stretchFailed') }}</p>
      <p v-if="lines.length > 0" class="lines" dir="auto" :lang="script?.language">
        {{ lines.map(({ text }) => text).join(' ') }}
      </p>
    </template>
  </div>
</template>

<style scoped>
/* The browser scrolls to it; the leaves at the top of a narrow screen must not lie over it. */
.stretch {
  scroll-margin: 76px 0 12px;
  margin-top: 16px;
  padding: 12px;
  border-radius: var(--radius);
}
.slot {
  display: block;
  width: 100%;
  height: auto;
  max-height: 60vh;
}
.slot :deep(:is(video, iframe)) {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
}
.slot :deep(iframe) {
  pointer-events: none;
}
.bar {
  height: 4px;
  background: var(--line);
}
.bar i {
  display: block;
  height: 100%;
  background: var(--fern);
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  margin-top: 10px;
}
.time {
  margin-inline-start: auto;
  font-family: var(--mono);
}
.lines {
  margin-top: 10px;
  font-family: var(--reading);
  line-height: 1.5;
}
</style>
