<script setup lang="ts">
// The bench's stage: the film at the moment that script and frond show, with the overlays due, movable by pointer and keys.
import { computed, nextTick, onScopeDispose, provide, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import {
  formOf,
  inOrder,
  GRID_FIELDS,
  isShownAt,
  mediumOf,
  showsWords,
  type Box,
  type OverlayCue,
} from '@fernbrake/core/lesson'
import { createHearing, driveFilm, filmElement, OverlayView, STAGE_PACE } from '@fernbrake/player'
import CornerHandles from '../ui/CornerHandles.vue'
import { usePlayhead, useRights, useSelection, useBench } from './useBench.ts'
import StageWords from './StageWords.vue'
import { useStageDrag } from './useStageDrag.ts'

const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const slot = ref<HTMLElement | null>(null)
const stage = ref<HTMLElement | null>(null)

/** As one text, so that what is new of a medium that is being prepared does not load its film again. */
const source = computed(() => {
  const media = playhead.media.value
  return media && JSON.stringify({ id: media.id, player: media.hosted?.player ?? null })
})
/** What lies on the stage at this moment, from the back to the front. */
const overlays = computed(() =>
  inOrder(
    selection.cues.value.filter(
      (cue): cue is OverlayCue =>
        cue.kind === 'overlay' &&
        (cue.shown?.when === 'always' || isShownAt(cue, playhead.mediaMs.value)),
    ),
  ),
)
const { drawn, guides, onDown, onKey, pointOf } = useStageDrag(bench, stage, overlays)
/** The overlay whose words are being written on the picture. */
const writtenId = ref<string | null>(null)
function beginWriting(overlay: OverlayCue): void {
  if (rights.canEdit.value && !overlay.locked && showsWords(formOf(overlay)))
    writtenId.value = overlay.id
}
const handles = new Map<string, HTMLElement | null>()
/** Whoever leaves by key is on the overlay again. */
async function endWriting(byKey: boolean): Promise<void> {
  const id = writtenId.value
  writtenId.value = null
  await nextTick()
  if (byKey && id) handles.get(id)?.focus()
}
const isSelected = (id: string) => selection.selectedIds.value.includes(id)
/** The calm spots, while the sheet of an overlay offers them. */
const spots = computed(() =>
  selection.sheetOpen.value ? (bench.calm.found.value?.best ?? []) : [],
)
/** Coming here by Tab selects; what a click does is settled when the pointer goes down. */
function onFocus(event: FocusEvent, { id }: OverlayCue): void {
  if (!isSelected(id) && (event.target as Element).matches(':focus-visible')) selection.select(id)
}
const nameOf = (overlay: OverlayCue) =>
  t('bench.overlayOnStage', {
    form: t(`overlay.form.${formOf(overlay)}`),
    text: overlay.name || overlay.text,
  })

watch(
  [slot, source],
  () => {
    closeFilm()
    if (!slot.value || source.value === null) return
    const { id, player } = JSON.parse(source.value) as { id: string; player: string | null }
    // Its first frame is what a cue at its beginning lies on, so no still stands before it.
    const file = { address: mediaFileAddress(id, 'playable'), poster: '' }
    const element = filmElement({ ...file, player }, t('bench.stage'))
    slot.value.replaceChildren(element)
    playhead.video.value = player ? null : (element as HTMLVideoElement)
    const film = driveFilm(element, playhead.frameRate.value, {
      onTick: (ms) => (playhead.mediaMs.value = ms),
      onPlay: () => (playhead.snapshot.value = film.snapshot()),
      onPause: () => {
        playhead.snapshot.value = film.snapshot()
        playhead.mediaMs.value = Math.min(film.nowMs(), playhead.durationMs.value)
      },
      onEnded: () => {
        playhead.snapshot.value = film.snapshot()
        playhead.mediaMs.value = playhead.durationMs.value
      },
      onForeignSeek: (ms) => (playhead.mediaMs.value = ms),
      onSettled: () => undefined,
      onState: () => (playhead.snapshot.value = film.snapshot()),
    })
    playhead.film.value = film
    playhead.snapshot.value = film.snapshot()
    film.seekTo(playhead.mediaMs.value)
  },
  { flush: 'post' },
)
function closeFilm(): void {
  playhead.film.value?.destroy()
  playhead.film.value = null
  playhead.video.value = null
}
onScopeDispose(closeFilm)

const mediumAddress = (cue: OverlayCue) => {
  const mediaId = mediumOf(cue)
  return mediaId ? mediaFileAddress(mediaId, 'playable') : null
}
provide(STAGE_PACE, {
  mediaMs: playhead.mediaMs,
  playing: computed(() => playhead.snapshot.value?.paused === false),
  rate: computed(() => playhead.snapshot.value?.rate ?? 1),
  muted: computed(() => playhead.snapshot.value?.muted ?? false),
  pause: () => playhead.film.value?.pause(),
  play: () => void playhead.film.value?.play(),
  hear: createHearing((quiet) => playhead.film.value?.setQuiet(quiet)).hear,
})
const frame = ({ x, y, width, height }: Box, degrees = 0) => {
  return {
    transform: degrees === 0 ? undefined : `rotate(${degrees}deg)`,
    left: `${x * 100}%`,
    top: `${y * 100}%`,
    width: `${width * 100}%`,
    height: `${height * 100}%`,
  }
}
</script>

<template>
  <div
    ref="stage"
    class="stage"
    :style="{
      '--ratio': (playhead.media.value?.width ?? 16) / (playhead.media.value?.height ?? 9),
    }"
    @dragstart.prevent
  >
    <div ref="slot" class="film" @click="playhead.toggle()" />
    <div v-if="bench.showsGrid.value" class="grid" :style="{ '--fields': GRID_FIELDS }" />
    <template v-for="overlay in drawn" :key="overlay.id">
      <StageWords
        v-if="writtenId === overlay.id"
        :overlay="overlay"
        :style="frame(overlay.box, overlay.rotation)"
        @done="endWriting"
      />
      <OverlayView v-else :overlay="overlay" :address="mediumAddress(overlay)" />
      <div
        v-if="writtenId !== overlay.id"
        :ref="(element) => void handles.set(overlay.id, element as HTMLElement | null)"
        class="handle"
        :class="{ selected: isSelected(overlay.id), locked: overlay.locked }"
        :style="frame(overlay.box, overlay.rotation)"
        tabindex="0"
        role="button"
        :aria-label="nameOf(overlay)"
        :aria-pressed="isSelected(overlay.id)"
        @pointerdown="onDown($event, overlay, 'move')"
        @focus="onFocus($event, overlay)"
        @keydown="onKey($event, overlay)"
        @dblclick="beginWriting(overlay)"
      >
        <template
          v-if="
            overlay.id === selection.selectedId.value && rights.canEdit.value && !overlay.locked
          "
        >
          <CornerHandles @down="(event, corner) => onDown(event, overlay, corner)" />
          <span
            class="turn"
            :title="t('bench.turn')"
            @pointerdown.stop="onDown($event, overlay, 'turn')"
          />
        </template>
      </div>
      <span
        v-if="overlay.id === selection.selectedId.value && rights.canEdit.value && pointOf(overlay)"
        class="point"
        :style="{ left: `${pointOf(overlay)!.x * 100}%`, top: `${pointOf(overlay)!.y * 100}%` }"
        :title="t('bench.pointTo')"
        @pointerdown.stop="onDown($event, overlay, 'point')"
      />
    </template>
    <span
      v-for="(spot, index) in spots"
      :key="`spot-${index}`"
      class="spot"
      :style="frame(spot.box)"
      aria-hidden="true"
      >{{ index + 1 }}</span
    >
    <span v-if="guides.x !== null" class="guide down" :style="{ left: `${guides.x * 100}%` }" />
    <span v-if="guides.y !== null" class="guide across" :style="{ top: `${guides.y * 100}%` }" />
  </div>
</template>

<style scoped>
.stage {
  position: relative;
  container-type: size;
  /* As large as the room allows, in the film's own shape. */
  width: min(100cqw, 100cqh * var(--ratio));
  aspect-ratio: var(--ratio);
  background: var(--sunk);
  overflow: hidden;
  /* Shift and a press choose several; words marked by it would be dragged away in their place. */
  user-select: none;
}
.film,
.film :deep(:is(video, iframe)) {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
}
.film :deep(iframe) {
  pointer-events: none;
}
.grid {
  position: absolute;
  inset: 0;
  background-image:
    linear-gradient(to right, #f3ecd866 1px, transparent 1px),
    linear-gradient(to bottom, #f3ecd866 1px, transparent 1px);
  background-size: calc(100% / var(--fields)) calc(100% / var(--fields));
  mix-blend-mode: difference;
  pointer-events: none;
}
.handle {
  position: absolute;
  cursor: move;
  touch-action: none;
}
.handle.selected {
  outline: 2px dashed var(--focus);
  outline-offset: 2px;
  box-shadow: 0 0 0 2px #0f1713;
}
.handle.locked {
  cursor: default;
}
.handle.locked.selected {
  outline-style: dotted;
}
.turn,
.point {
  position: absolute;
  width: 14px;
  height: 14px;
  border: 2px solid #0f1713;
  background: var(--focus);
  touch-action: none;
}
.turn {
  left: calc(50% - 8px);
  top: -30px;
  border-radius: 50%;
  cursor: grab;
}
.point {
  translate: -50% -50%;
  border-radius: 50%;
  cursor: crosshair;
}
.spot {
  position: absolute;
  padding-inline-start: 6px;
  border: 1.5px dashed #f3ecd8;
  outline: 1px dashed #0f1713;
  color: #f3ecd8;
  font-family: var(--mono);
  font-size: 13.5px;
  font-weight: 700;
  text-shadow:
    0 0 3px #0f1713,
    0 0 3px #0f1713;
  pointer-events: none;
}
.guide {
  position: absolute;
  background: var(--straw);
  pointer-events: none;
}
.guide.down {
  inset-block: 0;
  width: 1px;
}
.guide.across {
  inset-inline: 0;
  height: 1px;
}
</style>
