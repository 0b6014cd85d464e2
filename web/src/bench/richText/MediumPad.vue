<script setup lang="ts">
// Putting a picture, a sound or a stretch of the film into a text.
import { nanoid } from 'nanoid'
import { computed, onScopeDispose, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import type { Block } from '@fernbrake/core/fields'
import { filmLengthMs, filmsInOrder } from '@fernbrake/core/lesson'
import ChoiceField from '../ChoiceField.vue'
import IntakeHere from '../placing/IntakeHere.vue'
import StretchTimes from '../StretchTimes.vue'
import { usePlaces, usePlayhead, useBench } from '../useBench.ts'
import PadFrame from './PadFrame.vue'

type Medium = Extract<Block, { block: 'picture' | 'sound' | 'stretch' }>
const props = defineProps<{ kind: Medium['block'] }>()
const emit = defineEmits<{ done: [block: Medium]; close: [] }>()
const bench = useBench()
const places = usePlaces()
const playhead = usePlayhead()
const { t } = useI18n()

/** As long as one sentence or two. */
const USUAL_STRETCH_MS = 8000
const fromMs = ref(Math.max(0, playhead.mediaMs.value - USUAL_STRETCH_MS))
const toMs = ref(Math.max(playhead.mediaMs.value, USUAL_STRETCH_MS))
const films = computed(() =>
  filmsInOrder(bench.lesson.value).map(({ id, title }) => ({
    value: id,
    label: title || t('bench.untitled'),
  })),
)
/** The film that it is a stretch of: the open one, or one of the lesson's. */
const filmId = ref(places.part.value?.id ?? films.value[0]?.value ?? null)
const lengthMs = computed(() => filmLengthMs(bench.lesson.value, filmId.value ?? '') ?? 0)
const canStretch = computed(
  () => filmId.value !== null && fromMs.value < toMs.value && toMs.value <= lengthMs.value,
)

/** What is chosen comes here while this is open; what comes later lies on the shelf, and that is told. */
const place = { at: 'text', padId: nanoid() } as const
onScopeDispose(bench.placings.receive(place.padId, choose))

function choose({ id: mediaId, title, alternative }: Media): void {
  if (props.kind === 'picture') emit('done', { block: 'picture', mediaId, alternative })
  else emit('done', { block: 'sound', mediaId, title })
}
function putStretch(): void {
  const partId = filmId.value
  if (partId) emit('done', { block: 'stretch', partId, fromMs: fromMs.value, toMs: toMs.value })
}
</script>

<template>
  <PadFrame
    :title="t(`rich.${kind}`)"
    :done="kind === 'stretch' ? t('rich.putIn') : null"
    :disabled="!canStretch"
    @done="putStretch"
    @close="emit('close')"
  >
    <p v-if="kind === 'stretch' && !filmId">{{ t('evidence.noFilm') }}</p>
    <template v-else-if="kind === 'stretch' && filmId">
      <ChoiceField
        v-if="films.length > 1"
        :label="t('evidence.film')"
        :value="filmId"
        :choices="films"
        @change="filmId = $event"
      />
      <StretchTimes
        :from-ms="fromMs"
        :to-ms="toMs"
        :most-ms="lengthMs"
        @change="(from, to) => ((fromMs = from), (toMs = to))"
      />
    </template>
    <IntakeHere v-else-if="kind !== 'stretch'" :kind="kind" :place="place" />
  </PadFrame>
</template>
