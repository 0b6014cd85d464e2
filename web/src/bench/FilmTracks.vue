<script setup lang="ts">
// Above the stem: ruler, filmstrip with the shots, waveform with the pauses in speech. All of the stretch shown.
import { computed, onMounted, useTemplateRef, watch } from 'vue'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { rulerTicks, xOfMs, type FrondWindow } from '@fernbrake/core/frond'
import {
  clockTime,
  filmstripLayout,
  filmstripPlace,
  peakColumns,
  timecodeOf,
} from '@fernbrake/core/media'
import { usePlayhead } from './useBench.ts'

const props = defineProps<{ view: FrondWindow; margin: number }>()
const playhead = usePlayhead()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const STRIP_HEIGHT = 40
/** A tick's word needs this much room before the right edge, in pixels. */
const WORD_WIDTH = 60
/** Shots nearer to each other than this are not all marked, in pixels. */
const SHOT_ROOM = 3
const COLUMN_PX = 3

const x = (ms: number) => xOfMs(ms, props.view)
const ticks = computed(() =>
  props.view.toMs > props.view.fromMs
    ? rulerTicks(props.view).filter((tick) => x(tick) < props.view.width - WORD_WIDTH)
    : [],
)
const tickWord = (ms: number) =>
  props.view.toMs - props.view.fromMs < 15_000
    ? timecodeOf(ms, playhead.frameRate.value).slice(3)
    : clockTime(ms)

const strip = computed(() =>
  playhead.media.value?.files.includes('filmstrip')
    ? mediaFileAddress(playhead.media.value.id, 'filmstrip')
    : null,
)
/** Frames side by side in their own shape, each the one that stands for the time in its middle. */
const slots = computed(() => {
  const { media, durationMs } = playhead
  if (!strip.value || !media.value?.width || durationMs.value === 0) return []
  const layout = filmstripLayout(durationMs.value)
  const width = STRIP_HEIGHT * (media.value.width / media.value.height!)
  const { fromMs, toMs, width: whole } = props.view
  return Array.from({ length: Math.ceil(whole / width) }, (_, slot) => {
    const atMs = fromMs + (((slot + 0.5) * width) / whole) * (toMs - fromMs)
    const { column, row } = filmstripPlace(layout, atMs)
    return {
      width: `${width}px`,
      backgroundImage: `url("${strip.value}")`,
      backgroundSize: `${width * layout.columns}px ${STRIP_HEIGHT * layout.rows}px`,
      backgroundPosition: `${-column * width}px ${-row * STRIP_HEIGHT}px`,
    }
  })
})

/** The shots in view, thinned out where they would run together. */
const shots = computed(() => {
  const shown: number[] = []
  for (const ms of playhead.times.shots.value) {
    const at = x(ms)
    if (at < 0 || at > props.view.width) continue
    if (shown.length === 0 || at - shown.at(-1)! >= SHOT_ROOM) shown.push(at)
  }
  return shown
})

/** Asked for once: to know a style the browser has to lay the whole page out, and the wave is drawn with every zoom. */
let colours: { wave: string; pause: string } | null = null
function coloursOf(element: HTMLElement) {
  const style = getComputedStyle(element)
  return { wave: style.color, pause: style.getPropertyValue('--pause') }
}

function drawWave(): void {
  const context = canvas.value?.getContext('2d')
  if (!context || !canvas.value) return
  const { view } = props
  canvas.value.width = Math.round(view.width)
  const { width, height } = canvas.value
  colours ??= coloursOf(canvas.value)
  context.clearRect(0, 0, width, height)
  context.fillStyle = colours.pause
  for (const { fromMs, toMs } of playhead.times.pauses.value)
    if (toMs >= view.fromMs && fromMs <= view.toMs)
      context.fillRect(x(fromMs), 0, Math.max(1, x(toMs) - x(fromMs)), height)
  if (!playhead.times.peaks.value) return
  const columns = Math.max(1, Math.round(view.width / COLUMN_PX))
  const drawn = peakColumns(playhead.times.peaks.value, view.fromMs, view.toMs, columns)
  context.fillStyle = colours.wave
  for (let column = 0; column < columns; column += 1) {
    const top = (0.5 - drawn[column * 2 + 1]! / 2) * height
    const bottom = (0.5 - drawn[column * 2]! / 2) * height
    context.fillRect(column * COLUMN_PX, top, COLUMN_PX - 1, Math.max(1, bottom - top))
  }
}
watch([playhead.times.peaks, playhead.times.pauses, () => props.view], drawWave, { flush: 'post' })
onMounted(drawWave)
</script>

<template>
  <div class="film-tracks" :style="{ margin: `0 ${margin}px` }" aria-hidden="true">
    <div class="ruler mono">
      <span v-for="tick in ticks" :key="tick" :style="{ left: `${x(tick)}px` }">{{
        tickWord(tick)
      }}</span>
    </div>
    <div class="strip" :class="{ empty: !strip }">
      <div v-for="(style, slot) in slots" :key="slot" class="slot" :style="style" />
      <i v-for="at in shots" :key="at" class="shot" :style="{ left: `${at}px` }" />
    </div>
    <canvas ref="canvas" class="wave" height="34" :style="{ width: `${view.width}px` }" />
  </div>
</template>

<style scoped>
.ruler {
  position: relative;
  height: 22px;
  overflow: hidden;
  font-size: 12.5px;
  color: var(--ink-2);
}
.ruler span {
  position: absolute;
  padding-inline-start: 4px;
  border-inline-start: 1px solid var(--line-strong);
  line-height: 18px;
}
.strip {
  position: relative;
  display: flex;
  height: 40px;
  overflow: hidden;
}
.slot {
  flex: none;
  border-inline-end: 1px solid var(--surface);
}
.strip.empty {
  background: var(--sunk);
}
/* A shot is a notch: bright with a dark edge, so that it shows on any picture. */
.shot {
  position: absolute;
  bottom: 0;
  width: 3px;
  height: 13px;
  margin-inline-start: -1px;
  background: var(--surface);
  border: solid var(--ink);
  border-width: 0 1px;
}
.wave {
  --pause: var(--sunk);
  display: block;
  height: 34px;
  color: #8b9c84;
}
</style>
