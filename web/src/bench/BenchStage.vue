<script setup lang="ts">
// The bench's stage: the film at the moment that script and frond show, with the overlays due, movable by pointer and keys.
import { computed, onScopeDispose, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import {
  edits,
  isShownAt,
  movedBox,
  resizedBox,
  type Box,
  type OverlayCue,
} from '@fernbrake/core/lesson'
import { createFilmMedia, OverlayView } from '@fernbrake/player'
import { useBench } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const video = ref<HTMLVideoElement | null>(null)
const stage = ref<HTMLElement | null>(null)
const dragged = ref<{ id: string; box: Box } | null>(null)

const address = computed(() =>
  bench.media.value ? mediaFileAddress(bench.media.value.id, 'playable') : undefined,
)
const overlays = computed(() =>
  bench.cues.value.filter(
    (cue): cue is OverlayCue => cue.kind === 'overlay' && isShownAt(cue, bench.mediaMs.value),
  ),
)
const boxOf = (overlay: OverlayCue) =>
  dragged.value?.id === overlay.id ? dragged.value.box : overlay.box
const drawn = computed(() => overlays.value.map((overlay) => ({ ...overlay, box: boxOf(overlay) })))

watch(
  video,
  (element) => {
    bench.film.value?.destroy()
    if (!element) return
    const film = createFilmMedia(element, bench.frameRate.value, {
      onTick: (ms) => (bench.mediaMs.value = ms),
      onPlay: () => (bench.snapshot.value = film.snapshot()),
      onPause: () => {
        bench.snapshot.value = film.snapshot()
        bench.mediaMs.value = Math.min(film.nowMs(), bench.durationMs.value)
      },
      onEnded: () => {
        bench.snapshot.value = film.snapshot()
        bench.mediaMs.value = bench.durationMs.value
      },
      onForeignSeek: (ms) => (bench.mediaMs.value = ms),
      onSettled: () => undefined,
      onState: () => (bench.snapshot.value = film.snapshot()),
    })
    bench.film.value = film
    bench.snapshot.value = film.snapshot()
    film.seekTo(bench.mediaMs.value)
  },
  { flush: 'post' },
)
onScopeDispose(() => {
  bench.film.value?.destroy()
  bench.film.value = null
})

let held: { overlay: OverlayCue; how: 'move' | 'size'; x: number; y: number } | null = null

function onDown(event: PointerEvent, overlay: OverlayCue, how: 'move' | 'size'): void {
  bench.select(overlay.id)
  if (!bench.canEdit.value || event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held = { overlay, how, x: event.clientX, y: event.clientY }
}

function boxAt(event: PointerEvent): Box | null {
  if (!held || !stage.value) return null
  const { width, height } = stage.value.getBoundingClientRect()
  const dx = (event.clientX - held.x) / width
  const dy = (event.clientY - held.y) / height
  const change = held.how === 'move' ? movedBox : resizedBox
  return change(held.overlay.box, dx, dy)
}

function onMove(event: PointerEvent): void {
  const box = boxAt(event)
  if (box && held) dragged.value = { id: held.overlay.id, box }
}

function onUp(): void {
  if (held && dragged.value)
    bench.draft.make(edits.setOverlayBox, { cueId: held.overlay.id, box: dragged.value.box })
  held = null
  dragged.value = null
}

const NUDGE = 0.01
const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-NUDGE, 0],
  ArrowRight: [NUDGE, 0],
  ArrowUp: [0, -NUDGE],
  ArrowDown: [0, NUDGE],
}

/** Arrows move the overlay that has the focus; with Shift they resize it. */
function onKey(event: KeyboardEvent, overlay: OverlayCue): void {
  const move = MOVES[event.key]
  if (!move || !bench.canEdit.value) return
  event.preventDefault()
  event.stopPropagation()
  const change = event.shiftKey ? resizedBox : movedBox
  const box = change(overlay.box, ...move)
  bench.draft.make(edits.setOverlayBox, { cueId: overlay.id, box })
}

const frame = (overlay: OverlayCue) => {
  const { x, y, width, height } = overlay.box
  return {
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
    :style="{ '--ratio': (bench.media.value?.width ?? 16) / (bench.media.value?.height ?? 9) }"
  >
    <video
      ref="video"
      :src="address"
      preload="auto"
      playsinline
      :aria-label="t('bench.stage')"
      @click="bench.toggle()"
    />
    <template v-for="overlay in drawn" :key="overlay.id">
      <OverlayView :overlay="overlay" />
      <div
        class="handle"
        :class="{ selected: overlay.id === bench.selectedId.value }"
        :style="frame(overlay)"
        tabindex="0"
        role="button"
        :aria-label="t('bench.overlayOnStage', { text: overlay.text })"
        @pointerdown="onDown($event, overlay, 'move')"
        @pointermove="onMove"
        @pointerup="onUp"
        @pointercancel="onUp"
        @focus="bench.select(overlay.id)"
        @keydown="onKey($event, overlay)"
      >
        <span
          v-if="overlay.id === bench.selectedId.value && bench.canEdit.value"
          class="corner"
          @pointerdown.stop="onDown($event, overlay, 'size')"
          @pointermove="onMove"
          @pointerup="onUp"
          @pointercancel="onUp"
        />
      </div>
    </template>
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
}
video {
  display: block;
  width: 100%;
  height: 100%;
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
.corner {
  position: absolute;
  right: -9px;
  bottom: -9px;
  width: 18px;
  height: 18px;
  border: 2px solid #0f1713;
  background: var(--focus);
  cursor: nwse-resize;
}
</style>
