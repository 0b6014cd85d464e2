<script setup lang="ts">
// The stretch of film that answers a question: by times, by the lines of the script, or by its ends on the frond. A
// question of a film is answered before it is asked; one of a quiz anywhere in any film.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
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
import { holdingWords } from '@fernbrake/core/text'
import CheckField from '../CheckField.vue'
import ChoiceField from '../ChoiceField.vue'
import TimeField from '../TimeField.vue'
import { useBench } from '../useBench.ts'

const props = defineProps<{
  /** What asks it of a film; null in a quiz. */
  cue: QuestionCue | null
  question: Question
  judged: boolean
}>()
const bench = useBench()
const { t } = useI18n()
const { draft } = bench
const evidence = computed(() => props.question.evidence)

/** As long as a sentence or two before the question. */
const USUAL_MS = 8000
/** So many lines before the question are offered at first, and so many more each time. */
const LINES_OFFERED = 12
const offered = ref(LINES_OFFERED)
const picking = ref(false)
const findId = useId()
/** The line from which a stretch is being picked; the next line that is picked ends it. */
const anchorId = ref<string | null>(null)
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
  if (props.cue) return bench.lines.value
  const { lesson } = bench
  const found = filmId.value && scriptOfPart(lesson.value, filmId.value, lesson.value.language)
  return found ? linesInOrder(found) : []
})
const wanted = ref('')
const before = computed(() => {
  const holds = holdingWords(wanted.value)
  return script.value.filter(({ fromMs, text }) => fromMs < untilMs.value && holds(text))
})
/** Those nearest to the question; of a whole film, the first ones. */
const lines = computed(() =>
  props.cue ? before.value.slice(-offered.value) : before.value.slice(0, offered.value),
)
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

/** The first line that is picked is the stretch; another one then makes it reach from the first to there. */
function pick(line: ScriptLine): void {
  const anchor = script.value.find(({ id }) => id === anchorId.value)
  if (!anchor) {
    anchorId.value = line.id
    return set(line.fromMs, line.toMs)
  }
  anchorId.value = null
  set(Math.min(anchor.fromMs, line.fromMs), Math.max(anchor.toMs, line.toMs))
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
    <div v-if="evidence" class="pair">
      <TimeField
        :label="t('sheet.from')"
        :ms="evidence.fromMs"
        :most-ms="untilMs"
        @change="set($event, evidence.toMs)"
      />
      <TimeField
        :label="t('sheet.to')"
        :ms="evidence.toMs"
        :most-ms="untilMs"
        @change="set(evidence.fromMs, $event)"
      />
    </div>
    <p v-if="evidence && said" class="said" dir="auto">{{ said }}</p>
    <div class="buttons">
      <Button
        v-if="evidence && cue"
        :label="t('sheet.goToEvidence', { time: clockTime(evidence.fromMs) })"
        severity="secondary"
        variant="text"
        size="small"
        @click="bench.seek(evidence.fromMs)"
      />
      <template v-if="bench.canEdit.value && filmId">
        <Button
          v-if="script.length > 0"
          :label="t(picking ? 'evidence.donePicking' : 'evidence.pick')"
          :aria-expanded="picking"
          severity="secondary"
          variant="text"
          size="small"
          @click="((picking = !picking), (anchorId = null), (offered = LINES_OFFERED))"
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
    <div v-if="picking" class="lines" role="group" :aria-label="t('evidence.pick')">
      <p class="help" role="status">
        {{ t(anchorId ? 'evidence.pickLast' : 'evidence.pickFirst') }}
      </p>
      <div v-if="!cue" class="field find">
        <label :for="findId" class="visually-hidden">{{ t('evidence.find') }}</label>
        <InputText :id="findId" v-model="wanted" size="small" :placeholder="t('evidence.find')" />
      </div>
      <Button
        v-if="cue && offered < before.length"
        :label="t('evidence.earlier')"
        severity="secondary"
        variant="text"
        size="small"
        @click="offered += LINES_OFFERED"
      />
      <button
        v-for="line in lines"
        :key="line.id"
        type="button"
        class="line"
        :class="{ within: isIn(line) }"
        :aria-pressed="isIn(line)"
        dir="auto"
        @click="pick(line)"
      >
        <span class="mono">{{ clockTime(line.fromMs) }}</span> {{ line.text }}
      </button>
      <Button
        v-if="!cue && offered < before.length"
        :label="t('evidence.further')"
        severity="secondary"
        variant="text"
        size="small"
        @click="offered += LINES_OFFERED"
      />
    </div>
    <CheckField
      v-if="evidence && cue && cue.hold !== 'none' && judged"
      :label="t('sheet.sendBack')"
      :checked="cue.sendBack"
      @change="draft.make(edits.setHold, { cueId: cue.id, sendBack: $event })"
    />
  </fieldset>
</template>

<style scoped>
.find {
  padding: 6px 10px;
}
.said {
  max-height: 4.6em;
  overflow-y: auto;
  padding-left: 12px;
  border-left: 3px solid var(--fern);
  font-family: var(--reading);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.lines {
  max-height: 280px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.lines .help {
  position: sticky;
  top: 0;
  padding: 6px 10px;
  background: var(--ground);
}
.line {
  display: block;
  width: 100%;
  padding: 6px 10px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  font-family: var(--reading);
  text-align: start;
  cursor: pointer;
}
.line:hover {
  background: var(--sunk);
}
.line.within {
  border-left-color: var(--fern);
  background: var(--fern-soft);
}
.line .mono {
  color: var(--ink-3);
  font-size: 12.5px;
}
</style>
