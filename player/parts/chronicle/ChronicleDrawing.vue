<script setup lang="ts">
// A chronicle drawn along time: a stem with its years, and what happened hanging from it like leaves, in lanes where they
// would overlap. It is made longer in steps and moved by scrolling.
import { computed, nextTick, onMounted, ref, toRef, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { dateOfDay, daysOf, extentOf, lanesOf, ticksEvery } from '@fernbrake/core/chronicle'
import type { ChroniclePart } from '@fernbrake/core/lesson'
import { useElementWidth } from '../../frond/useElementWidth.ts'
import { useChronicle } from './useChronicle.ts'

const props = defineProps<{
  part: ChroniclePart
  openId: string | null
  background?: string | null
  seen?: ReadonlySet<string>
}>()
const emit = defineEmits<{ pick: [itemId: string] }>()
const { t } = useI18n()
const { items, words } = useChronicle(toRef(props, 'part'))

const CARD = { width: 196, height: 72, gap: 10 }
const STEM_TOP = 46
/** Browsers draw nothing that is wider, in pixels. */
const WIDEST = 6_000_000
const LEAST_TICK = 86
const room = useTemplateRef('room')
const width = useElementWidth(room)
/** So many times as long as the room is wide. */
const zoom = ref(1)
const extent = computed(() => extentOf(items.value.map(({ item }) => item)))
const length = computed(() => Math.max(320, width.value) * zoom.value)
const scale = computed(() => {
  const { fromDay, toDay } = extent.value ?? { fromDay: 0, toDay: 1 }
  // The last card needs room beyond the moment that it hangs from.
  const pixels = Math.max(1, length.value - CARD.width)
  return { fromDay, toDay, pxPerDay: pixels / (toDay - fromDay) }
})
const xOf = (day: number) => (day - scale.value.fromDay) * scale.value.pxPerDay

/** What of it is in sight, in pixels: ticks elsewhere are not drawn. */
const sight = ref({ from: 0, to: 2000 })
function look(): void {
  const box = room.value
  if (box) sight.value = { from: box.scrollLeft, to: box.scrollLeft + box.clientWidth }
}
onMounted(look)
watch([width, zoom], () => void nextTick(look))
const ticks = computed(() => {
  const { fromDay, toDay, pxPerDay } = scale.value
  const margin = 400
  const from = Math.max(fromDay, fromDay + (sight.value.from - margin) / pxPerDay)
  const to = Math.min(toDay, fromDay + (sight.value.to + margin) / pxPerDay)
  return ticksEvery(LEAST_TICK / pxPerDay, from, to).map(({ day, unit }) => {
    const { year, month, day: dayOfMonth } = dateOfDay(day)
    const date =
      unit === 'year'
        ? { year }
        : unit === 'month'
          ? { year, month }
          : { year, month, day: dayOfMonth }
    return { day, x: xOf(day), label: words(date) }
  })
})
const drawn = computed(() => {
  const placed = items.value.map((shown) => {
    const { fromDay, toDay } = daysOf(shown.item)
    const x = xOf(fromDay)
    return { ...shown, x, long: shown.item.until ? Math.max(4, xOf(toDay) - x) : 0 }
  })
  const lanes = lanesOf(
    placed.map(({ item, x }) => ({ id: item.id, from: x, to: x + CARD.width })),
    CARD.gap,
  )
  return placed.map((one) => ({
    ...one,
    top: STEM_TOP + 22 + lanes.get(one.item.id)! * (CARD.height + CARD.gap),
  }))
})
const height = computed(() =>
  drawn.value.reduce((most, { top }) => Math.max(most, top + CARD.height + 14), STEM_TOP + 90),
)

const canLonger = computed(() => length.value * 2 <= WIDEST && scale.value.pxPerDay < 60)
/** The middle of what is seen stays in the middle; with an item open, that one does. */
async function zoomTo(next: number): Promise<void> {
  const box = room.value
  if (!box || next < 1 || (next > zoom.value && !canLonger.value)) return
  const open = drawn.value.find(({ item }) => item.id === props.openId)
  const middle = open ? open.x : box.scrollLeft + box.clientWidth / 2
  const day = middle / scale.value.pxPerDay
  zoom.value = next
  await nextTick()
  box.scrollLeft = day * scale.value.pxPerDay - box.clientWidth / 2
  look()
}
</script>

<template>
  <div class="drawing">
    <div
      ref="room"
      class="room"
      tabindex="0"
      role="group"
      :aria-label="t('player.part.alongTime')"
      :style="background ? { backgroundImage: `url('${background}')` } : {}"
      @scroll.passive="look"
    >
      <div class="plane" :style="{ width: `${length}px`, height: `${height}px` }">
        <div class="stem" :style="{ top: `${STEM_TOP}px` }" />
        <div
          v-for="tick in ticks"
          :key="tick.day"
          class="tick"
          aria-hidden="true"
          :style="{ left: `${tick.x}px`, height: `${STEM_TOP}px` }"
        >
          <span>{{ tick.label }}</span>
        </div>
        <template v-for="one in drawn" :key="one.item.id">
          <i
            class="stalk"
            :style="{
              left: `${one.x}px`,
              top: `${STEM_TOP}px`,
              height: `${one.top - STEM_TOP}px`,
              background: one.category?.colour ?? 'var(--fern)',
            }"
          />
          <i
            v-if="one.long > 0"
            class="span"
            :style="{
              left: `${one.x}px`,
              top: `${STEM_TOP - 3}px`,
              width: `${one.long}px`,
              background: one.category?.colour ?? 'var(--fern)',
            }"
          />
          <button
            type="button"
            class="card"
            :class="{ seen: seen?.has(one.item.id) }"
            :style="{
              left: `${one.x}px`,
              top: `${one.top}px`,
              width: `${CARD.width}px`,
              height: `${CARD.height}px`,
              borderInlineStartColor: one.category?.colour ?? 'var(--fern)',
            }"
            :data-item="one.item.id"
            :aria-expanded="one.item.id === openId"
            @click="emit('pick', one.item.id)"
          >
            <span class="when">{{ one.when }}</span>
            <span class="name" dir="auto">{{ one.item.title || t('player.part.unnamed') }}</span>
          </button>
        </template>
      </div>
    </div>
    <div class="zoom" role="group" :aria-label="t('player.part.length')">
      <button class="fb-button plain" type="button" :disabled="zoom === 1" @click="zoomTo(1)">
        {{ t('player.part.wholeTime') }}
      </button>
      <button
        class="fb-button plain sign"
        type="button"
        :disabled="zoom === 1"
        :aria-label="t('player.part.shorter')"
        @click="zoomTo(Math.max(1, zoom / 2))"
      >
        −
      </button>
      <button
        class="fb-button plain sign"
        type="button"
        :disabled="!canLonger"
        :aria-label="t('player.part.longer')"
        @click="zoomTo(zoom * 2)"
      >
        +
      </button>
    </div>
  </div>
</template>

<style scoped>
.drawing {
  display: grid;
  gap: 4px;
  grid-template-columns: minmax(0, 1fr);
}
.room {
  position: relative;
  /* Time runs this way in every language. */
  direction: ltr;
  max-height: 62vh;
  overflow: auto;
  border: 1px solid var(--line);
  background-color: var(--surface);
  background-position: center;
  background-size: cover;
}
.plane {
  position: relative;
  background: color-mix(in srgb, var(--surface) 84%, transparent);
}
.stem {
  position: absolute;
  inset-inline: 0;
  height: 3px;
  background: var(--ink);
}
.tick {
  position: absolute;
  top: 0;
  border-inline-start: 1px solid var(--line-strong);
}
.tick span {
  position: absolute;
  top: 10px;
  padding-inline-start: 6px;
  color: var(--ink-2);
  font-family: var(--mono);
  font-size: 12.5px;
  white-space: nowrap;
}
.stalk {
  position: absolute;
  z-index: 0;
  width: 2px;
}
.span {
  position: absolute;
  height: 9px;
  border-radius: 4.5px;
}
.card {
  position: absolute;
  z-index: 1;
  display: grid;
  align-content: center;
  padding: 6px 10px;
  border: 1px solid var(--line-strong);
  border-inline-start-width: 5px;
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.card:hover {
  background: var(--sunk);
}
.card[aria-expanded='true'] {
  border-color: var(--ink);
  background: var(--fern-soft);
}
.when {
  color: var(--ink-2);
  font-size: 12.5px;
}
.name {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  line-clamp: 2;
  font-weight: 650;
  font-size: 13.5px;
  line-height: 1.25;
  overflow-wrap: anywhere;
}
.zoom {
  display: flex;
  justify-content: end;
  align-items: center;
}
.zoom .fb-button {
  min-height: 40px;
}
.sign {
  min-width: 44px;
  padding: 0;
  font-size: 19px;
  text-decoration: none;
}
</style>
