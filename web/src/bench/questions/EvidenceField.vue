<script setup lang="ts">
// The stretch of film that answers a question: by times, by the lines of the script, or by its ends on the frond. A
// question of a film is answered before it is asked; one of a quiz anywhere in any film.
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  edits,
  filmLengthMs,
  filmsInOrder,
  linesInOrder,
  scriptOfPart,
  type QuestionCue,
  type ScriptLine,
} from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import type { Question } from '@fernbrake/core/questions'
import CheckField from '../CheckField.vue'
import ChoiceField from '../ChoiceField.vue'
import LinePicker from '../LinePicker.vue'
import StretchTimes from '../StretchTimes.vue'
import { usePlayhead, useReading, useRights, useBench } from '../useBench.ts'

const props = defineProps<{
  /** What asks it of a film; null in a quiz. */
  cue: QuestionCue | null
  question: Question
  judged: boolean
}>()
const bench = useBench()
const playhead = usePlayhead()
const reading = useReading()
const rights = useRights()
const { t } = useI18n()
const { draft } = bench
const evidence = computed(() => props.question.evidence)

/** As long as a sentence or two before the question. */
const USUAL_MS = 8000
const picking = ref(false)
watch(
  () => props.question.id,
  () => (picking.value = false),
)

const films = computed(() =>
  filmsInOrder(bench.lesson.value).map(({ id, title }) => ({
    value: id,
    label: title || t('bench.untitled'),
  })),
)
const pickedFilm = ref<string | null>(null)
/** The film that the stretch lies in. */
const filmId = computed(
  () =>
    props.cue?.partId ??
    evidence.value?.partId ??
    pickedFilm.value ??
    films.value[0]?.value ??
    null,
)
const untilMs = computed(
  () => props.cue?.atMs ?? (filmLengthMs(bench.lesson.value, filmId.value ?? '') || 0),
)
const script = computed(() => {
  if (props.cue) return reading.lines.value
  const { lesson } = bench
  const found = filmId.value && scriptOfPart(lesson.value, filmId.value, lesson.value.language)
  return found ? linesInOrder(found) : []
})
const isIn = ({ fromMs, toMs }: ScriptLine) =>
  evidence.value !== null && fromMs < evidence.value.toMs && toMs > evidence.value.fromMs
/** What is said in the stretch. */
const said = computed(() =>
  script.value
    .filter(isIn)
    .map(({ text }) => text)
    .join(' '),
)

function set(fromMs: number, toMs: number): void {
  const partId = filmId.value
  if (fromMs >= toMs || !partId) return
  const questionId = props.question.id
  draft.make(edits.setEvidence, { questionId, evidence: { partId, fromMs, toMs } })
}
function setUsual(): void {
  const toMs = props.cue ? untilMs.value : Math.min(USUAL_MS, untilMs.value)
  set(Math.max(0, toMs - USUAL_MS), Math.max(1, toMs))
}

/** Another film is meant: a stretch of the first says nothing about it. */
function pickFilm(partId: string): void {
  pickedFilm.value = partId
  if (evidence.value)
    draft.make(edits.setEvidence, { questionId: props.question.id, evidence: null })
}
</script>

<template>
  <fieldset>
    <legend>{{ t('sheet.evidence') }}</legend>
    <p class="help">{{ t(cue ? 'evidence.help' : 'evidence.helpInQuiz') }}</p>
    <p v-if="!filmId" class="help">{{ t('evidence.noFilm') }}</p>
    <ChoiceField
      v-if="!cue && films.length > 1 && filmId"
      :label="t('evidence.film')"
      :value="filmId"
      :choices="films"
      @change="pickFilm"
    />
    <StretchTimes
      v-if="evidence"
      :from-ms="evidence.fromMs"
      :to-ms="evidence.toMs"
      :most-ms="untilMs"
      @change="set"
    />
    <p v-if="evidence && said" class="said" dir="auto">{{ said }}</p>
    <div class="buttons">
      <Button
        v-if="evidence && cue"
        :label="t('sheet.goToEvidence', { time: clockTime(evidence.fromMs) })"
        severity="secondary"
        variant="text"
        size="small"
        @click="playhead.seek(evidence.fromMs)"
      />
      <template v-if="rights.canEdit.value && filmId">
        <Button
          v-if="script.length > 0"
          :label="t(picking ? 'evidence.donePicking' : 'evidence.pick')"
          :aria-expanded="picking"
          severity="secondary"
          variant="text"
          size="small"
          @click="picking = !picking"
        />
        <Button
          :label="evidence ? t('sheet.dropEvidence') : t('sheet.addEvidence')"
          severity="secondary"
          variant="text"
          size="small"
          @click="
            evidence
              ? draft.make(edits.setEvidence, { questionId: question.id, evidence: null })
              : setUsual()
          "
        />
      </template>
    </div>
    <LinePicker
      v-if="picking"
      :lines="script"
      :stretch="evidence"
      :until-ms="untilMs"
      :near-end="cue !== null"
      @picked="set"
    />
    <CheckField
      v-if="evidence && cue && cue.hold !== 'none' && judged"
      :label="t('sheet.sendBack')"
      :checked="cue.sendBack"
      @change="draft.make(edits.setHold, { cueId: cue.id, sendBack: $event })"
    />
  </fieldset>
</template>

<style scoped>
.said {
  max-height: 4.6em;
  overflow-y: auto;
  padding-inline-start: 12px;
  border-inline-start: 3px solid var(--fern);
  font-family: var(--reading);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
