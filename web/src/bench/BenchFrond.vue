<script setup lang="ts">
// The frond for editing: film, sound and cues of the stretch shown, from the whole film to single frames.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { msOfX, panWindow, zoomWindow } from '@fernbrake/core/frond'
import { cueStartMs, type Cue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { Frond, useElementWidth, type FrondCue } from '@fernbrake/player'
import { glyphOf } from './cueWords.ts'
import EvidenceBand from './EvidenceBand.vue'
import FilmTracks from './FilmTracks.vue'
import PreparingNote from './PreparingNote.vue'
import { usePlayhead, useRights, useSelection, useBench } from './useBench.ts'
import { useFrondDrag } from './useFrondDrag.ts'

const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
const others = bench.others.names
const root = useTemplateRef<HTMLElement>('root')
const width = useElementWidth(root)
const range = ref({ fromMs: 0, toMs: 0 })
const MARGIN = 14

const view = computed(() => ({ ...range.value, width: Math.max(10, width.value - 2 * MARGIN) }))
const msPerPx = computed(() => (view.value.toMs - view.value.fromMs) / view.value.width)
const { snaps, snappedMs, placeOf, onDrag } = useFrondDrag(bench, msPerPx)

watch(
  playhead.durationMs,
  (durationMs) => {
    if (range.value.toMs === 0 || range.value.toMs > durationMs)
      range.value = { fromMs: 0, toMs: durationMs }
  },
  { immediate: true },
)

/** What is drawn of each cue: of a thousand cues an edit changes one, and only that is made and drawn anew. */
const made = new WeakMap<Cue, FrondCue>()
const frondCues = computed<FrondCue[]>(() => selection.cues.value.map(frondCueOf))

function frondCueOf(cue: Cue): FrondCue {
  const place = placeOf(cue)
  const known = made.get(cue)
  const kind = glyphOf(bench.lesson.value, cue)
  const isSame = known?.kind === kind && known.fromMs === place.fromMs
  if (known && isSame && known.toMs === place.toMs) return known
  const label = `${t(`bench.kind.${cue.kind}`)} ${clockTime(cueStartMs(cue))}`
  const drawn: FrondCue = { id: cue.id, kind, label, ...place }
  if (cue.kind === 'bookmark') drawn.title = cue.title
  if (cue.kind === 'question') drawn.standing = 'answered'
  made.set(cue, drawn)
  return drawn
}

/** A plain click on one of several that are selected keeps them, so that they can be dragged together. */
function onPick(id: string, extend: boolean): void {
  const isAmongSeveral =
    selection.selectedIds.value.length > 1 && selection.selectedIds.value.includes(id)
  if (extend || !isAmongSeveral) selection.select(id, !extend, extend)
}

function onMarquee(ids: string[]): void {
  selection.selectMany([...new Set([...selection.selectedIds.value, ...ids])])
}

function zoom(factor: number, anchorMs = playhead.mediaMs.value): void {
  range.value = zoomWindow(view.value, factor, anchorMs, playhead.durationMs.value)
}

function onWheel(event: WheelEvent): void {
  if (event.ctrlKey || event.metaKey) {
    const left = root.value!.getBoundingClientRect().left + MARGIN
    zoom(event.deltaY < 0 ? 1.25 : 0.8, msOfX(event.clientX - left, view.value))
  } else {
    const px = Math.abs(event.deltaX) > Math.abs(event.deltaY) ? event.deltaX : event.deltaY
    range.value = panWindow(view.value, px * msPerPx.value, playhead.durationMs.value)
  }
}

// While the film plays past the edge the window turns the page.
watch(playhead.mediaMs, (ms) => {
  const { fromMs, toMs } = view.value
  if (ms >= fromMs && ms <= toMs) return
  range.value = panWindow(
    view.value,
    ms - fromMs - (toMs - fromMs) * 0.1,
    playhead.durationMs.value,
  )
})

defineExpose({
  zoom,
  zoomAll: () => (range.value = { fromMs: 0, toMs: playhead.durationMs.value }),
  toggleSnap: () => (snaps.value = !snaps.value),
})
</script>

<template>
  <section class="time" data-region :aria-label="t('bench.frond')">
    <div class="zoom">
      <p class="shown">
        {{ t('bench.shown', { from: clockTime(range.fromMs), to: clockTime(range.toMs) }) }}
      </p>
      <p v-if="others.length > 0" class="others" role="status">
        {{ t('others.here', { names: others.join(', ') }) }}
      </p>
      <span class="gap" />
      <PreparingNote />
      <Button
        :label="t('bench.snap')"
        :title="t('bench.snapHelp')"
        severity="secondary"
        variant="text"
        size="small"
        :aria-pressed="snaps"
        :class="{ off: !snaps }"
        :disabled="!rights.canEdit.value"
        @click="snaps = !snaps"
      />
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
        @click="range = { fromMs: 0, toMs: playhead.durationMs.value }"
      />
    </div>
    <div ref="root" class="tracks" @wheel.prevent="onWheel">
      <FilmTracks :view="view" :margin="MARGIN" />
      <Frond
        :duration-ms="playhead.durationMs.value"
        :window="range"
        :cues="frondCues"
        :playhead-ms="playhead.mediaMs.value"
        :selected-ids="selection.selectedIds.value"
        :snapped-ms="snappedMs"
        :editable="rights.canEdit.value"
        seekable
        @seek="playhead.seek"
        @pick="onPick"
        @drag="onDrag"
        @marquee="onMarquee"
      >
        <template #under="{ x, stemY, msAt }">
          <EvidenceBand :x="x" :stem-y="stemY" :ms-at="msAt" />
        </template>
      </Frond>
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
  /* Time runs this way in every language. */
  direction: ltr;
  margin: 0 8px;
  min-width: 0;
}
.zoom {
  display: flex;
  align-items: center;
  justify-content: flex-end;
  padding-block: 0;
  padding-inline: 22px 12px;
}
.gap {
  flex: 1;
}
.others {
  overflow: hidden;
  margin-inline-start: 16px;
  padding: 2px 8px;
  background: var(--plum-soft);
  font-size: 12.5px;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.shown {
  white-space: nowrap;
  font-size: 12.5px;
  color: var(--ink-3);
}
.off {
  text-decoration: line-through;
}
</style>
