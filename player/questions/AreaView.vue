<script setup lang="ts">
// Showing a place on a picture or on the held frame: by pointing, by arrow keys, or from a list of the places' names.
import { computed, inject, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  middleOf,
  placeAt,
  placesInOrder,
  placesMixed,
  pointsAsked,
  type AreaAnswer,
  type AreaPoint,
  type AreaQuestion,
} from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import AreaShapes from './AreaShapes.vue'
import { ADDRESSES, FRAME, type AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<AreaQuestion>>()
const answer = defineModel<AreaAnswer | null>({ required: true })
const { t, n } = useI18n()
const addresses = inject(ADDRESSES, null)
const frame = inject(FRAME, null)
const canvas = useTemplateRef('canvas')
const points = computed(() => answer.value?.points ?? [])
const asked = computed(() => pointsAsked(props.question))
const listed = ref(false)
const picture = computed(() =>
  props.question.mediaId === null ? null : (addresses?.medium(props.question.mediaId) ?? null),
)
/** Where the arrow keys have brought the cross. */
const cross = ref<AreaPoint>({ x: 0.5, y: 0.5 })
const crossShown = ref(false)
const STEP = 0.02
const FINE_STEP = 0.005

function drawFrame(): void {
  if (props.question.mediaId === null && canvas.value) frame?.draw(canvas.value)
}
onMounted(drawFrame)
if (frame) watch(frame.settled, drawFrame)
watch(listed, (is) => !is && void nextTick(drawFrame))

/** Places that were named: where a place lies may not be told, its name stands for it. */
const named = computed(() => answer.value?.named ?? [])
const count = computed(() => points.value.length + named.value.length)
function set(next: AreaPoint[], names: readonly string[] = []): void {
  if (next.length + names.length === 0) answer.value = null
  else if (names.length === 0) answer.value = { kind: 'area', points: next }
  else answer.value = { kind: 'area', points: next, named: [...names] }
}
/** Another point; where all have been set, the first one moves. */
function add(point: AreaPoint): void {
  if (props.answered) return
  const room = asked.value - named.value.length
  const names = room > 0 ? named.value : named.value.slice(1)
  set([...points.value, point].slice(-Math.max(1, room)), names)
}
function pointAt(event: MouseEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const within = (value: number) => Math.min(1, Math.max(0, value))
  add({
    x: within((event.clientX - box.left) / box.width),
    y: within((event.clientY - box.top) / box.height),
  })
}

const MOVES: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function onKey(event: KeyboardEvent): void {
  if (props.answered) return
  if (event.key === 'Enter' || event.key === ' ') add({ ...cross.value })
  else if (event.key === 'Backspace' || event.key === 'Delete')
    set(points.value.slice(0, -1), named.value)
  else {
    const move = MOVES[event.key]
    if (!move) return
    const step = event.shiftKey ? FINE_STEP : STEP
    const within = (value: number) => Math.min(1, Math.max(0, value))
    cross.value = {
      x: within(cross.value.x + move[0] * step),
      y: within(cross.value.y + move[1] * step),
    }
    crossShown.value = true
  }
  event.preventDefault()
  event.stopPropagation()
}

const places = computed(() => placesInOrder(props.question))
/** The names alone, mixed; with fewer than two there is nothing to choose from. */
const names = computed(() => placesMixed(props.question, props.seed))
const placeOf = (point: AreaPoint) => (props.question.cut ? null : placeAt(props.question, point))
const isNamed = (id: string) =>
  named.value.includes(id) || points.value.some((point) => placeOf(point)?.id === id)
function name(id: string, on: boolean): void {
  if (props.question.cut) {
    const rest = named.value.filter((other) => other !== id)
    const names = on ? [...rest, id].slice(-asked.value) : rest
    return set(points.value.slice(0, asked.value - names.length), names)
  }
  const others = points.value.filter((point) => placeAt(props.question, point)?.id !== id)
  const { shape } = props.question.places[id]!
  set(on ? [...others, middleOf(shape)].slice(-asked.value) : others)
}
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
const crossWords = computed(() =>
  t('player.crossAt', { x: percent(cross.value.x), y: percent(cross.value.y) }),
)
const shownPlaces = computed(() =>
  props.answered && props.revealed ? places.value.filter(({ right }) => right) : [],
)
const said = computed(() =>
  [...points.value.map(placeOf), ...named.value.map((id) => props.question.places[id])].flatMap(
    (place) => {
      return place ? [{ id: place.id, label: place.label, feedback: place.feedback }] : []
    },
  ),
)
</script>

<template>
  <AnswerFields :help="t('player.showPlaces', { n: asked }, asked)" :answered="answered">
    <div
      v-if="!listed"
      class="picture"
      :tabindex="answered ? -1 : 0"
      role="application"
      :aria-label="t('player.pictureToPoint')"
      @click="pointAt"
      @keydown="onKey"
      @focus="crossShown = false"
    >
      <img v-if="question.mediaId !== null" :src="picture ?? ''" alt="" draggable="false" />
      <canvas v-else ref="canvas" width="960" height="540" />
      <AreaShapes
        :places="shownPlaces"
        :points="points"
        :cross="crossShown && !answered ? cross : null"
      />
    </div>
    <div v-else role="group" :aria-label="t('player.places')">
      <label v-for="place in names" :key="place.id" class="name">
        <input
          :type="asked > 1 ? 'checkbox' : 'radio'"
          :name="question.id"
          :checked="isNamed(place.id)"
          @change="name(place.id, ($event.target as HTMLInputElement).checked)"
        />
        <span dir="auto">{{ place.label }}</span>
      </label>
    </div>
    <p class="visually-hidden" aria-live="polite">{{ crossShown ? crossWords : '' }}</p>
    <p v-if="!answered" class="count">
      {{ t('player.pointsSet', { n: count, all: asked }) }}
      <button v-if="places.length > 1" type="button" class="other" @click="listed = !listed">
        {{ listed ? t('player.onPicture') : t('player.fromList') }}
      </button>
    </p>
    <template v-else>
      <p v-for="one in said" :key="one.id" class="said" dir="auto">
        <b>{{ one.label }}</b> {{ one.feedback }}
      </p>
      <p v-if="shownPlaces.length > 0 && mark?.verdict !== 'right'" class="said">
        {{ t('player.rightAnswerIs') }} <b>{{ shownPlaces.map((p) => p.label).join('; ') }}</b>
      </p>
    </template>
  </AnswerFields>
</template>

<style scoped>
.picture {
  position: relative;
  display: block;
  line-height: 0;
  cursor: crosshair;
  touch-action: manipulation;
  user-select: none;
}
.picture img,
.picture canvas {
  width: 100%;
  height: auto;
}
.count,
.said {
  margin-top: 8px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.other {
  min-height: 44px;
  padding: 0 8px;
  border: 0;
  background: none;
  color: var(--slate);
  font: inherit;
  font-weight: 650;
  text-decoration: underline;
  cursor: pointer;
}
.name {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.name input {
  width: 20px;
  height: 20px;
  accent-color: var(--fern);
}
</style>
