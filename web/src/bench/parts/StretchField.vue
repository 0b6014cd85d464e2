<script setup lang="ts">
// A stretch of one of the lesson's films: which film, from where to where, by times or by the lines of its script.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Stretch } from '@fernbrake/core/fields'
import { filmLengthMs, filmsInOrder, linesInOrder, scriptOfPart } from '@fernbrake/core/lesson'
import ChoiceField from '../ChoiceField.vue'
import LinePicker from '../LinePicker.vue'
import StretchTimes from '../StretchTimes.vue'
import { useRights, useBench } from '../useBench.ts'

const props = defineProps<{ label: string; stretch: Stretch | null }>()
const emit = defineEmits<{ change: [stretch: Stretch] }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
/** As long as a sentence or two. */
const USUAL_MS = 8000
const picking = ref(false)
const films = computed(() =>
  filmsInOrder(bench.lesson.value)
    .filter(({ durationMs }) => durationMs !== null)
    .map(({ id, title }) => ({ value: id, label: title || t('bench.untitled') })),
)
const filmId = computed(() => props.stretch?.partId ?? films.value[0]?.value ?? null)
const lengthMs = computed(() => filmLengthMs(bench.lesson.value, filmId.value ?? '') ?? 0)
const lines = computed(() => {
  const { value: lesson } = bench.lesson
  const script = filmId.value ? scriptOfPart(lesson, filmId.value, lesson.language) : null
  return script ? linesInOrder(script) : []
})
function set(fromMs: number, toMs: number, partId = filmId.value): void {
  if (partId && fromMs < toMs) emit('change', { partId, fromMs, toMs })
}
function pickFilm(partId: string): void {
  set(0, Math.min(USUAL_MS, filmLengthMs(bench.lesson.value, partId) ?? USUAL_MS), partId)
}
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <p v-if="!filmId" class="help">{{ t('parts.noFilmYet') }}</p>
    <template v-else>
      <ChoiceField
        v-if="films.length > 1"
        :label="t('evidence.film')"
        :value="filmId"
        :choices="films"
        @change="pickFilm"
      />
      <StretchTimes
        v-if="stretch"
        :from-ms="stretch.fromMs"
        :to-ms="stretch.toMs"
        :most-ms="lengthMs"
        @change="set"
      />
      <div v-if="rights.canEdit.value" class="ways">
        <Button
          v-if="lines.length > 0"
          :label="t(picking ? 'evidence.donePicking' : 'evidence.pick')"
          :aria-expanded="picking"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="picking = !picking"
        />
        <Button
          :label="t('parts.wholeFilm')"
          severity="secondary"
          variant="text"
          size="small"
          @click="set(0, lengthMs)"
        />
      </div>
      <LinePicker
        v-if="picking"
        :lines="lines"
        :stretch="stretch"
        :until-ms="lengthMs"
        @picked="set"
      />
    </template>
  </fieldset>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
