<script setup lang="ts">
// The frond for editing: ruler, filmstrip, waveform and the cues, from the whole film to single frames.
import Button from 'primevue/button'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { panWindow, rulerTicks, xOfMs, zoomWindow } from '@fernbrake/core/frond'
import { cueStartMs, edits, type Cue } from '@fernbrake/core/lesson'
import { clockTime, frameAt, msOfFrame, peakColumns, timecodeOf } from '@fernbrake/core/media'
import { Frond, useElementWidth, type FrondCue, type FrondDrag } from '@fernbrake/player'
import { useBench } from './useBench.ts'

const bench = useBench()
const { t } = useI18n()
const root = useTemplateRef<HTMLElement>('root')
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const width = useElementWidth(root)
const range = ref({ fromMs: 0, toMs: 0 })
const peaks = shallowRef<Int8Array | null>(null)
const drag = shallowRef<FrondDrag | null>(null)
const MARGIN = 14
const FILMSTRIP_FRAMES = 60
const STRIP_HEIGHT = 40
/** A tick's word needs this much room before the right edge, in pixels. */
const WORD_WIDTH = 60

const view = computed(() => ({ ...range.value, width: Math.max(10, width.value - 2 * MARGIN) }))
const x = (ms: number) => MARGIN + xOfMs(ms, view.value)
const ticks = computed(() =>
  view.value.toMs > view.value.fromMs
    ? rulerTicks(view.value).filter((tick) => x(tick) < width.value - WORD_WIDTH)
    : [],
)
const tickWord = (ms: number) =>
  view.value.toMs - view.value.fromMs < 15_000
    ? timecodeOf(ms, bench.frameRate.value).slice(3)
    : clockTime(ms)

const strip = computed(() =>
  bench.media.value?.files.includes('filmstrip')
    ? mediaFileAddress(bench.media.value.id, 'filmstrip')
    : null,
)
/** Frames side by side in their own shape, each the nearest one to the time it stands at. */
const slots = computed(() => {
  const { media, durationMs } = bench
  if (!strip.value || !media.value?.width || durationMs.value === 0) return []
  const slotWidth = STRIP_HEIGHT * (media.value.width / media.value.height!)
  const count = Math.ceil(view.value.width / slotWidth)
  const { fromMs, toMs } = view.value
  return Array.from({ length: count }, (_, slot) => {
    const atMs = fromMs + (((slot + 0.5) * slotWidth) / view.value.width) * (toMs - fromMs)
    const frame = Math.min(
      FILMSTRIP_FRAMES - 1,
      Math.floor((atMs / durationMs.value) * FILMSTRIP_FRAMES),
    )
    return {
      width: `${slotWidth}px`,
      backgroundImage: `url("${strip.value}")`,
      backgroundSize: `${slotWidth * FILMSTRIP_FRAMES}px 100%`,
      backgroundPosition: `${-frame * slotWidth}px 0`,
    }
  })
})

watch(
  bench.durationMs,
  (durationMs) => {
    if (range.value.toMs === 0 || range.value.toMs > durationMs)
      range.value = { fromMs: 0, toMs: durationMs }
  },
  { immediate: true },
)
watch(
  () => bench.media.value?.files.includes('peaks') && bench.media.value.id,
  async (mediaId) => {
    peaks.value = null
    if (!mediaId) return
    const response = await fetch(mediaFileAddress(mediaId, 'peaks')).catch(() => null)
    if (response?.ok) peaks.value = new Int8Array(await response.arrayBuffer())
  },
  { immediate: true },
)

function drawWave(): void {
  const context = canvas.value?.getContext('2d')
  if (!context || !canvas.value) return
  const columns = Math.max(1, Math.round(view.value.width / 3))
  canvas.value.width = Math.round(view.value.width)
  const { height } = canvas.value
  context.clearRect(0, 0, canvas.value.width, height)
  if (!peaks.value) return
  const drawn = peakColumns(peaks.value, view.value.fromMs, view.value.toMs, columns)
  context.fillStyle = getComputedStyle(canvas.value).color
  for (let column = 0; column < columns; column += 1) {
    const top = (0.5 - drawn[column * 2 + 1]! / 2) * height
    const bottom = (0.5 - drawn[column * 2]! / 2) * height
    context.fillRect(column * 3, top, 2, Math.max(1, bottom - top))
  }
}
watch([peaks, view], drawWave, { flush: 'post' })
onMounted(drawWave)

const onFrame = (ms: number) =>
  msOfFrame(frameAt(Math.max(0, ms), bench.frameRate.value), bench.frameRate.value)

/** Where a cue lies while it is being dragged. */
function dragged(cue: Cue): { fromMs: number; toMs: number } {
  const fromMs = cueStartMs(cue)
  const toMs = cue.kind === 'overlay' ? cue.toMs : fromMs
  if (drag.value?.id !== cue.id) return { fromMs, toMs }
  const { part, byMs } = drag.value
  const end = bench.durationMs.value
  if (part === 'start') return { fromMs: Math.min(onFrame(fromMs + byMs), toMs - 40), toMs }
  if (part === 'end')
    return { fromMs, toMs: Math.min(end, Math.max(onFrame(toMs + byMs), fromMs + 40)) }
  const moved = onFrame(Math.min(Math.max(0, fromMs + byMs), end - (toMs - fromMs)))
  return { fromMs: moved, toMs: moved + (toMs - fromMs) }
}

const frondCues = computed<FrondCue[]>(() =>
  bench.cues.value.map((cue) => {
    const label = `${t(`bench.kind.${cue.kind}`)} ${clockTime(cueStartMs(cue))}`
    const base = { id: cue.id, kind: cue.kind, label, ...dragged(cue) }
    if (cue.kind === 'bookmark') return { ...base, title: cue.title }
    return cue.kind === 'question' ? { ...base, standing: 'answered' as const } : base
  }),
)

function onDrag(next: FrondDrag): void {
  drag.value = next
  const cue = bench.lesson.value.cues[next.id]
  if (!cue) return
  const place = dragged(cue)
  bench.film.value?.pause()
  if (!next.done) return bench.seek(next.part === 'end' ? place.toMs : place.fromMs)
  drag.value = null
  if (next.byMs === 0) return
  if (next.part === 'whole') bench.draft.make(edits.moveCue, { cueId: cue.id, toMs: place.fromMs })
  else bench.draft.make(edits.setOverlaySpan, { cueId: cue.id, ...place })
}

function zoom(factor: number, anchorMs = bench.mediaMs.value): void {
  range.value = zoomWindow(view.value, factor, anchorMs, bench.durationMs.value)
}

function onWheel(event: WheelEvent): void {
  const { fromMs, toMs } = view.value
  if (event.ctrlKey || event.metaKey) {
    const left = root.value!.getBoundingClientRect().left + MARGIN
    const anchor = fromMs + ((event.clientX - left) / view.value.width) * (toMs - fromMs)
    zoom(event.deltaY < 0 ? 1.25 : 0.8, anchor)
  } else {
    const px = Math.abs(event.deltaX) > Math.abs(event.deltaY) ? event.deltaX : event.deltaY
    range.value = panWindow(
      view.value,
      (px / view.value.width) * (toMs - fromMs),
      bench.durationMs.value,
    )
  }
}

// While the film plays past the edge the window turns the page.
watch(bench.mediaMs, (ms) => {
  const { fromMs, toMs } = view.value
  if (ms >= fromMs && ms <= toMs) return
  range.value = panWindow(view.value, ms - fromMs - (toMs - fromMs) * 0.1, bench.durationMs.value)
})

defineExpose({ zoom, zoomAll: () => (range.value = { fromMs: 0, toMs: bench.durationMs.value }) })
</script>

<template>
  <section class="time" :aria-label="t('bench.frond')">
    <div class="zoom">
      <p>{{ t('bench.shown', { from: clockTime(range.fromMs), to: clockTime(range.toMs) }) }}</p>
      <Button
        :label="t('bench.closer')"
        severity="secondary"
        variant="text"
        size="small"
        @click="zoom(1.6)"
      />
      <Button
        :label="t('bench.wider')"
        severity="secondary"
        variant="text"
        size="small"
        @click="zoom(1 / 1.6)"
      />
      <Button
        :label="t('bench.wholeFilm')"
        severity="secondary"
        variant="text"
        size="small"
        @click="range = { fromMs: 0, toMs: bench.durationMs.value }"
      />
    </div>
    <div ref="root" class="tracks" @wheel.prevent="onWheel">
      <div class="ruler mono" aria-hidden="true">
        <span v-for="tick in ticks" :key="tick" :style="{ left: `${x(tick)}px` }">{{
          tickWord(tick)
        }}</span>
      </div>
      <div class="strip" :class="{ empty: !strip }" aria-hidden="true">
        <div v-for="(style, slot) in slots" :key="slot" :style="style" />
      </div>
      <canvas
        ref="canvas"
        class="wave"
        height="34"
        :style="{ marginLeft: `${MARGIN}px`, width: `${view.width}px` }"
      />
      <Frond
        :duration-ms="bench.durationMs.value"
        :window="range"
        :cues="frondCues"
        :playhead-ms="bench.mediaMs.value"
        :selected-id="bench.selectedId.value"
        :editable="bench.canEdit.value"
        seekable
        @seek="bench.seek"
        @pick="bench.select($event, true)"
        @drag="onDrag"
      />
    </div>
  </section>
</template>

<style scoped>
.time {
  position: relative;
  padding: 4px 0 2px;
  background: var(--surface);
  border-top: 1px solid var(--line);
}
.tracks {
  margin: 0 8px;
  min-width: 0;
}
.ruler {
  position: relative;
  height: 22px;
  overflow: hidden;
  font-size: 12.5px;
  color: var(--ink-2);
}
.ruler span {
  position: absolute;
  padding-left: 4px;
  border-left: 1px solid var(--line-strong);
  line-height: 18px;
}
.strip {
  display: flex;
  height: 40px;
  margin: 0 14px;
  overflow: hidden;
}
.strip div {
  flex: none;
  border-right: 1px solid var(--surface);
}
.strip.empty {
  background: var(--sunk);
}
.wave {
  display: block;
  height: 34px;
  color: #9fae98;
}
.zoom {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  padding: 0 12px 0 22px;
}
.zoom p {
  flex: 1;
  font-size: 12.5px;
  color: var(--ink-3);
}
</style>
