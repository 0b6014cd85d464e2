<script setup lang="ts">
// The stage: the film with what lies on it. Stage coordinates run 0 to 1 in both directions.
import { computed, onMounted, provide, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  comingMedia,
  inOrder,
  mediumOf,
  type Lesson,
  type OverlayCue,
  type Transition,
} from '@fernbrake/core/lesson'
import type { PlayableMedia } from '../hosts/Host.ts'
import { filmElement, prepareVideo, type FilmElement } from '../media/openFilm.ts'
import { CAPTION_SCALE, type CaptionLook } from '../session/useCaptionLook.ts'
import type { FilmSession } from '../session/useFilmSession.ts'
import { createHearing, STAGE_PACE } from '../session/stagePace.ts'
import { useStageActs } from '../session/useStageActs.ts'
import { awayFrame } from './overlayShapes.ts'
import OverlayView from './OverlayView.vue'
import PageSheet from '../pages/PageSheet.vue'
import StageWords from './StageWords.vue'

const props = defineProps<{
  session: FilmSession
  lesson: Lesson
  caption: string | null
  /** Whether what is said is to be read. */
  captions: boolean
  captionLook: CaptionLook
  language: string
  /** Where the media on the stage are, by medium. */
  staged: Readonly<Record<string, string>>
}>()
const { t } = useI18n()
const slot = useTemplateRef('slot')
const { film, snapshot, needsGesture, state, mediaMs } = props.session

/** What lies on the stage, from the back to the front. */
const overlays = computed(() =>
  inOrder(
    state.value.overlays.flatMap((id) => {
      const cue = props.lesson.cues[id]
      return cue?.kind === 'overlay' ? [cue] : []
    }),
  ),
)
const { words, page, act, hideWords, closePage } = useStageActs(props.session)

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

const addressOf = (cue: OverlayCue) => props.staged[mediumOf(cue) ?? ''] ?? null
/** What will soon be heard or seen moving is fetched ahead, so that it begins with its first word. */
const soonIds = computed(() =>
  // As one text, so that the stage is drawn anew only when it is another.
  comingMedia(props.lesson, props.session.part.id, mediaMs.value).join(' '),
)
const soon = computed(() => soonIds.value.split(' ').flatMap((id) => props.staged[id] ?? []))
const hearing = createHearing((quiet) => props.session.setQuiet(quiet))
const { said } = hearing
provide(STAGE_PACE, {
  mediaMs,
  playing: computed(() => state.value.playing),
  rate: computed(() => snapshot.value.rate),
  muted: computed(() => snapshot.value.muted),
  pause: () => props.session.pause(),
  play: () => void props.session.play(),
  hear: hearing.hear,
})
const showsWaiting = computed(
  () => film && !snapshot.value.failed && snapshot.value.waiting && !needsGesture.value,
)

/** The element that the page brought along, or a new one; after another part it has to be given its film again. */
function elementOf(media: PlayableMedia): FilmElement {
  const { element, address, poster } = media
  if (!element || media.player) return filmElement(media, t('player.film'))
  if (!element.hasAttribute('src')) Object.assign(element, { src: address, poster })
  return prepareVideo(element, t('player.film'))
}
onMounted(() => {
  if (!film || !slot.value) return
  const element = elementOf(film)
  slot.value.append(element)
  props.session.attach(element)
})
</script>

<template>
  <div class="stage" :style="film ? { aspectRatio: `${film.width} / ${film.height}` } : undefined">
    <div
      v-if="film"
      ref="slot"
      class="film-slot"
      :class="{ open: needsGesture }"
      @click="session.toggle()"
    />
    <p v-else class="stage-word" role="alert">{{ t('player.filmMissing') }}</p>
    <TransitionGroup :css="false" @enter="comes" @leave="goes">
      <OverlayView
        v-for="overlay in overlays"
        :key="overlay.id"
        :data-cue="overlay.id"
        :overlay="overlay"
        :address="addressOf(overlay)"
        live
        @act="act(overlay)"
      />
    </TransitionGroup>
    <video v-for="address in soon" :key="address" :src="address" preload="auto" muted hidden />
    <StageWords v-if="words !== null" :words="words" @close="hideWords" />
    <PageSheet v-if="page" :address="page.address" :words="page.words" @close="closePage" />
    <p
      v-if="captions && said && words === null"
      class="caption said"
      :class="captionLook.ground"
      :style="{ '--scale': CAPTION_SCALE[captionLook.size] }"
      dir="auto"
    >
      <span>{{ said }}</span>
    </p>
    <p
      v-else-if="caption && words === null"
      class="caption"
      :class="captionLook.ground"
      :style="{ '--scale': CAPTION_SCALE[captionLook.size] }"
      :lang="language"
    >
      <span>{{ caption }}</span>
    </p>
    <p v-if="needsGesture && film?.player" class="stage-word loading" role="status">
      {{ t('player.pressInFrame') }}
    </p>
    <button
      v-else-if="needsGesture"
      class="fb-button act gesture"
      type="button"
      @click="session.play()"
    >
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
.film-slot :deep(:is(video, iframe)) {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
}
/* Its own buttons would know nothing of holds; a click plays and stops, as on any film. */
.film-slot:not(.open) :deep(iframe) {
  pointer-events: none;
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
.caption {
  position: absolute;
  inset: auto 4% 4%;
  text-align: center;
  font-size: calc(max(13px, 4.6cqh) * var(--scale, 1));
  line-height: 1.35;
  white-space: pre-line;
  pointer-events: none;
}
.said {
  max-height: 60%;
  overflow-y: auto;
}
.caption span {
  padding: 0.1em 0.45em;
  background: #0f1713e6;
  color: #fffdf8;
  box-decoration-break: clone;
  -webkit-box-decoration-break: clone;
}
.caption.light span {
  background: #fffdf8f0;
  color: #17231c;
}
/* Without a ground the letters carry their own edge. */
.caption.none span {
  background: none;
  text-shadow:
    0 0 3px #000,
    0 0 3px #000,
    0 1px 5px #000;
}
</style>
