<script setup lang="ts">
// The stretch of film that answers a question: by times, by the lines of the script, or by its ends on the frond.
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type QuestionCue, type ScriptLine } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import type { Question } from '@fernbrake/core/questions'
import TimeField from '../TimeField.vue'
import { useBench } from '../useBench.ts'

const props = defineProps<{ cue: QuestionCue; question: Question; judged: boolean }>()
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
/** The line from which a stretch is being picked; the next line that is picked ends it. */
const anchorId = ref<string | null>(null)
watch(
  () => props.cue.id,
  () => (picking.value = false),
)

const before = computed(() => bench.lines.value.filter(({ fromMs }) => fromMs < props.cue.atMs))
const lines = computed(() => before.value.slice(-offered.value))
const isIn = ({ fromMs, toMs }: ScriptLine) =>
  evidence.value !== null && fromMs < evidence.value.toMs && toMs > evidence.value.fromMs
/** What is said in the stretch. */
const said = computed(() =>
  bench.lines.value
    .filter(isIn)
    .map(({ text }) => text)
    .join(' '),
)

function set(fromMs: number, toMs: number): void {
  if (fromMs >= toMs) return
  const { partId } = props.cue
  const questionId = props.question.id
  draft.make(edits.setEvidence, { questionId, evidence: { partId, fromMs, toMs } })
}
function setUsual(): void {
  const { atMs } = props.cue
  set(Math.max(0, atMs - USUAL_MS), Math.max(1, atMs))
}

/** The first line that is picked is the stretch; another one then makes it reach from the first to there. */
function pick(line: ScriptLine): void {
  const anchor = bench.lines.value.find(({ id }) => id === anchorId.value)
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
    <p class="help">{{ t('evidence.help') }}</p>
    <div v-if="evidence" class="pair">
      <TimeField
        :label="t('sheet.from')"
        :ms="evidence.fromMs"
        @change="set($event, evidence.toMs)"
      />
      <TimeField
        :label="t('sheet.to')"
        :ms="evidence.toMs"
        @change="set(evidence.fromMs, $event)"
      />
    </div>
    <p v-if="evidence && said" class="said" dir="auto">{{ said }}</p>
    <div class="buttons">
      <Button
        v-if="evidence"
        :label="t('sheet.goToEvidence', { time: clockTime(evidence.fromMs) })"
        severity="secondary"
        variant="text"
        size="small"
        @click="bench.seek(evidence.fromMs)"
      />
      <template v-if="bench.canEdit.value">
        <Button
          v-if="before.length > 0"
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
      <Button
        v-if="offered < before.length"
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
    </div>
    <label v-if="evidence && cue.hold !== 'none' && judged" class="check">
      <Checkbox
        :model-value="cue.sendBack"
        binary
        :disabled="!bench.canEdit.value"
        @update:model-value="draft.make(edits.setHold, { cueId: cue.id, sendBack: $event })"
      />
      {{ t('sheet.sendBack') }}
    </label>
  </fieldset>
</template>

<style scoped>
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
