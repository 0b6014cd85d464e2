<script setup lang="ts">
// The picture or frame that is pointed at, and the places on it: drawn, moved and drawn larger by pointer, keys or numbers.
import { usePlayhead, useRights } from '../useBench.ts'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { nanoid } from 'nanoid'
import { computed, onMounted, onScopeDispose, ref, useTemplateRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import {
  placesInOrder,
  reshaped,
  shapeBox,
  withBox,
  type AreaPlace,
  type AreaQuestion,
  type AreaShape,
} from '@fernbrake/core/questions'
import { AreaShapes } from '@fernbrake/player'
import IntakeHere from '../placing/IntakeHere.vue'
import ChoiceField from '../ChoiceField.vue'
import NumberField from '../NumberField.vue'
import WordsField from '../WordsField.vue'
import PlaceHandles from './PlaceHandles.vue'
import { useQuestion } from './useQuestion.ts'

/** `atMs` is when the film holds for it; null in a quiz, where only a picture can be pointed at. */
const props = defineProps<{ question: AreaQuestion; atMs: number | null }>()
const { make, set, setEntry } = useQuestion(() => props.question)
const playhead = usePlayhead()
const rights = useRights()
const { t } = useI18n()
const PATH = ['places']
const MOST_PLACES = 20
const SIDES = ['x', 'y', 'width', 'height'] as const
const canvas = useTemplateRef('canvas')
const selectedId = ref<string | null>(null)
const places = computed(() => placesInOrder(props.question))
const selected = computed(
  () => places.value.find(({ id }) => id === selectedId.value) ?? places.value[0] ?? null,
)

/** The frame at which the film will be held, as soon as the stage shows it. */
function drawFrame(): void {
  const video = playhead.video.value
  if (props.question.mediaId !== null || !canvas.value || !video?.videoWidth) return
  canvas.value.width = video.videoWidth
  canvas.value.height = video.videoHeight
  canvas.value.getContext('2d')?.drawImage(video, 0, 0)
}
onMounted(() => {
  if (props.question.mediaId === null && props.atMs !== null) playhead.seek(props.atMs)
  drawFrame()
})
watch(
  () => playhead.video.value,
  (video, _before, onCleanup) => {
    video?.addEventListener('seeked', drawFrame)
    onCleanup(() => video?.removeEventListener('seeked', drawFrame))
  },
  { immediate: true },
)
onScopeDispose(() => playhead.video.value?.removeEventListener('seeked', drawFrame))
watch(canvas, drawFrame)

const grounds = computed(() =>
  (['frame', 'picture'] as const).map((value) => ({ value, label: t(`ask.ground.${value}`) })),
)
/** Frames of a film that stays with its host cannot be drawn, so places are on a picture. */
const isHosted = computed(() => Boolean(playhead.media.value?.hosted))
/** Whether a picture is wanted, though none is chosen yet. */
const picksPicture = ref(props.question.mediaId !== null || props.atMs === null)
const onPicture = computed(
  () => props.question.mediaId !== null || picksPicture.value || isHosted.value,
)
function pickGround(ground: 'frame' | 'picture'): void {
  picksPicture.value = ground === 'picture'
  if (ground === 'frame') set({ mediaId: null })
}

function add(): void {
  const id = nanoid()
  const right = !places.value.some((place) => place.right) || props.question.all
  const shape: AreaShape = { shape: 'rectangle', x: 0.4, y: 0.4, width: 0.2, height: 0.2 }
  make(edits.addEntries, {
    questionId: props.question.id,
    path: PATH,
    entries: [{ id, label: '', shape, right, feedback: '' }],
  })
  selectedId.value = id
}
const change = (place: AreaPlace, what: Partial<AreaPlace>) => setEntry(PATH, place.id, what)
const shapes = computed(() =>
  (['rectangle', 'ellipse', 'polygon'] as const).map((value) => ({
    value,
    label: t(`ask.shape.${value}`),
  })),
)
const percent = (share: number) => Math.round(share * 1000) / 10
const setSide = (place: AreaPlace, side: (typeof SIDES)[number], value: number) =>
  change(place, { shape: withBox(place.shape, { ...shapeBox(place.shape), [side]: value / 100 }) })
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.places') }}</legend>
    <ChoiceField
      v-if="atMs !== null && !isHosted"
      :label="t('ask.groundLabel')"
      :value="onPicture ? 'picture' : 'frame'"
      :choices="grounds"
      @change="pickGround"
    />
    <IntakeHere
      v-if="rights.canEdit.value && onPicture"
      kind="picture"
      :place="{ at: 'area', questionId: question.id }"
    />
    <div v-if="question.mediaId !== null || !onPicture" class="picture">
      <img
        v-if="question.mediaId !== null"
        :src="mediaFileAddress(question.mediaId, 'playable')"
        alt=""
        draggable="false"
      />
      <canvas v-else ref="canvas" width="960" height="540" />
      <AreaShapes :places="places" :selected-id="selected?.id ?? null" />
      <PlaceHandles
        v-for="(place, index) in places"
        :key="place.id"
        :shape="place.shape"
        :name="place.label || t('ask.place', { number: index + 1 })"
        :selected="place.id === selected?.id"
        :movable="rights.canEdit.value"
        @select="selectedId = place.id"
        @change="change(place, { shape: $event })"
      />
    </div>
    <div class="buttons">
      <Button
        v-for="(place, index) in places"
        :key="place.id"
        :label="place.label || t('ask.place', { number: index + 1 })"
        size="small"
        severity="secondary"
        :variant="place.id === selected?.id ? 'outlined' : 'text'"
        :aria-pressed="place.id === selected?.id"
        @click="selectedId = place.id"
      />
      <Button
        :label="t('ask.addPlace')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="!rights.canEdit.value || places.length >= MOST_PLACES"
        @click="add"
      />
    </div>
    <div v-if="selected" class="place">
      <WordsField
        :label="t('ask.placeName')"
        :text="selected.label"
        :max="200"
        @change="change(selected, { label: $event })"
      />
      <div class="pair">
        <ChoiceField
          :label="t('ask.shapeLabel')"
          :value="selected.shape.shape"
          :choices="shapes"
          @change="change(selected, { shape: reshaped(selected.shape, $event) })"
        />
        <label class="check">
          <Checkbox
            :model-value="selected.right"
            binary
            :disabled="!rights.canEdit.value"
            @update:model-value="change(selected, { right: $event })"
          />
          {{ t('ask.placeIsRight') }}
        </label>
      </div>
      <div class="pair four">
        <NumberField
          v-for="side in SIDES"
          :key="side"
          :label="t(`sheet.side.${side}`)"
          :value="percent(shapeBox(selected.shape)[side])"
          :min="side === 'width' || side === 'height' ? 1 : 0"
          :max="100"
          :fraction-digits="1"
          suffix=" %"
          @change="setSide(selected, side, $event)"
        />
      </div>
      <WordsField
        :label="t('ask.saidToIt')"
        :text="selected.feedback"
        :max="1000"
        @change="change(selected, { feedback: $event })"
      />
      <Button
        v-if="rights.canEdit.value"
        :label="t('ask.removePlace')"
        severity="secondary"
        variant="text"
        size="small"
        @click="
          make(edits.removeEntry, { questionId: question.id, path: PATH, entryId: selected.id })
        "
      />
    </div>
    <label class="check">
      <Checkbox
        :model-value="question.all"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="set({ all: $event })"
      />
      {{ t('ask.allPlaces') }}
    </label>
  </fieldset>
</template>

<style scoped>
.picture {
  position: relative;
  line-height: 0;
  user-select: none;
}
.picture img,
.picture canvas {
  width: 100%;
  height: auto;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.place {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.pair.four {
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
</style>
