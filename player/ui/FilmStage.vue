<script setup lang="ts">
// The stage: the film with what lies on it. Stage coordinates run 0 to 1 in both directions.
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder, type Lesson, type OverlayCue, type Transition } from '@fernbrake/core/lesson'
import type { PlayableMedia } from '../hosts/Host.ts'
import type { FilmSession } from '../session/useFilmSession.ts'
import { awayFrame } from './overlayShapes.ts'
import OverlayView from './OverlayView.vue'

const props = defineProps<{
  session: FilmSession
  lesson: Lesson
  caption: string | null
  language: string
  /** Where the pictures on the stage are, by medium. */
  pictures: Readonly<Record<string, string>>
}>()
const { t } = useI18n()
const slot = useTemplateRef('slot')
const { film, snapshot, needsGesture, state } = props.session

/** What lies on the stage, from the back to the front. */
const overlays = computed(() =>
  inOrder(
    state.value.overlays.flatMap((id) => {
      const cue = props.lesson.cues[id]
      return cue?.kind === 'overlay' ? [cue] : []
    }),
  ),
)
/** The words that a click on an overlay brought up. */
const words = ref<string | null>(null)
watch(
  () => state.value.playing,
  (playing) => {
    if (playing) words.value = null
  },
)

const closeWords = useTemplateRef('closeWords')
/** Where the focus was when the words came up. */
let pressed: HTMLElement | null = null

function showWords(text: string): void {
  pressed = document.activeElement as HTMLElement | null
  words.value = text
  void nextTick(() => closeWords.value?.focus())
}
function hideWords(): void {
  words.value = null
  void nextTick(() => pressed?.focus())
}

function onAct({ action, content }: OverlayCue): void {
  // Whoever reads elsewhere must not miss the film.
  if (content?.form === 'link') return props.session.pause()
  if (!action) return
  props.session.act(action)
  if (action.does === 'text') showWords(action.text)
  if (action.does === 'address' && action.address)
    window.open(action.address, '_blank', 'noopener,noreferrer')
}

function animate(element: Element, at: 'comes' | 'goes', done: () => void): void {
  const cue = props.lesson.cues[(element as HTMLElement).dataset.cue ?? '']
  const transition: Transition | null = (cue?.kind === 'overlay' && cue[at]) || null
  if (!transition || matchMedia('(prefers-reduced-motion: reduce)').matches) return done()
  const away = awayFrame(transition)
  const run = element.animate(at === 'comes' ? [away, {}] : [{}, away], {
    duration: transition.ms,
    easing: 'ease-out',
  })
  run.onfinish = run.oncancel = done
}
const comes = (element: Element, done: () => void) => animate(element, 'comes', done)
const goes = (element: Element, done: () => void) => animate(element, 'goes', done)

const addressOf = ({ content }: OverlayCue) =>
  content?.form === 'picture' && content.mediaId ? props.pictures[content.mediaId] : null
const showsWaiting = computed(
  () => film && !snapshot.value.failed && snapshot.value.waiting && !needsGesture.value,
)

/** The element that the page brought along, or a new one. */
function videoOf({ element, address, poster }: PlayableMedia): HTMLVideoElement {
  const video = element ?? document.createElement('video')
  if (!element) Object.assign(video, { src: address, poster })
  video.preload = 'auto'
  video.playsInline = true
  video.disablePictureInPicture = true
  video.setAttribute('aria-label', t('player.film'))
  return video
}
onMounted(() => {
  if (!film || !slot.value) return
  const video = videoOf(film)
  slot.value.append(video)
  props.session.attach(video)
})
</script>

<template>
  <div class="stage" :style="film ? { aspectRatio: `${film.width} / ${film.height}` } : undefined">
    <div v-if="film" ref="slot" class="film-slot" @click="session.toggle()" />
    <p v-else class="stage-word" role="alert">{{ t('player.filmMissing') }}</p>
    <TransitionGroup :css="false" @enter="comes" @leave="goes">
      <OverlayView
        v-for="overlay in overlays"
        :key="overlay.id"
        :data-cue="overlay.id"
        :overlay="overlay"
        :address="addressOf(overlay)"
        live
        @act="onAct(overlay)"
      />
    </TransitionGroup>
    <div v-if="words !== null" class="words paper" role="dialog" :aria-label="t('player.words')">
      <p dir="auto">{{ words }}</p>
      <button
        ref="closeWords"
        class="fb-button"
        type="button"
        @click="hideWords"
        @keydown.esc.stop="hideWords"
      >
        {{ t('player.closeText') }}
      </button>
    </div>
    <p v-if="caption && words === null" class="caption" :lang="language">
      <span>{{ caption }}</span>
    </p>
    <button v-if="needsGesture" class="fb-button act gesture" type="button" @click="session.play()">
      {{ t('player.tapToPlay') }}
    </button>
    <p v-if="showsWaiting" class="stage-word loading" role="status">
      {{ t('player.waitingForFilm') }}
    </p>
    <div v-if="snapshot.failed" class="stage-word" role="alert">
      <p>{{ t('player.filmFailed') }}</p>
      <button class="fb-button" type="button" @click="session.retry()">
        {{ t('player.retry') }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.stage {
  position: relative;
  container-type: size;
  width: 100%;
  max-height: 100%;
  background: var(--sunk);
  overflow: hidden;
}
.film-slot {
  width: 100%;
  height: 100%;
}
.film-slot :deep(video) {
  display: block;
  width: 100%;
  height: 100%;
}
.stage-word {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
  gap: 16px;
  align-items: center;
  justify-content: center;
  padding: 24px;
  text-align: center;
  background: color-mix(in srgb, var(--ground) 82%, transparent);
}
.loading {
  inset: auto auto 12px 12px;
  padding: 4px 10px;
  font-size: 13.5px;
}
.gesture {
  position: absolute;
  inset: 0;
  margin: auto;
  width: max-content;
  height: max-content;
}
.words {
  position: absolute;
  inset: auto 5% 5%;
  display: flex;
  gap: 4px 16px;
  align-items: center;
  justify-content: space-between;
  max-height: 90%;
  padding: 0.7em 1em;
  overflow: auto;
  border-radius: var(--radius);
  font-family: var(--reading);
  font-size: clamp(13px, 4.4cqh, 18px);
  line-height: 1.35;
  white-space: pre-line;
}
.caption {
  position: absolute;
  inset: auto 4% 4%;
  text-align: center;
  font-size: max(13px, 4.6cqh);
  line-height: 1.35;
  pointer-events: none;
}
.caption span {
  padding: 0.1em 0.45em;
  background: #0f1713e6;
  color: #fffdf8;
  box-decoration-break: clone;
  -webkit-box-decoration-break: clone;
}
</style>
