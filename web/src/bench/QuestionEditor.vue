<script setup lang="ts">
// Writing a question, live: what all kinds have, and in the middle what its kind needs.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import { edits, MOST_NEW_IDS, type QuestionCue } from '@fernbrake/core/lesson'
import {
  isByPerson,
  isGraded,
  QUESTION_KINDS,
  type QuestionKindName,
  canBePartly,
} from '@fernbrake/core/questions'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import EvidenceField from './questions/EvidenceField.vue'
import MaterialField from './questions/MaterialField.vue'
import { EDITORS } from './questions/editors.ts'
import KeepQuestion from './questions/KeepQuestion.vue'
import RichField from './questions/RichField.vue'
import SheetFold from './SheetFold.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{
  questionId: string
  /** What asks it of a film; null in a quiz. */
  cue: QuestionCue | null
}>()
const bench = useBench()
const { t, n } = useI18n()
const { draft } = bench
const question = computed(() => bench.lesson.value.questions[props.questionId]!)
const editor = computed(() => EDITORS[question.value.kind])
const judged = computed(() => isGraded(question.value) && !isByPerson(question.value))
const kinds = computed(() =>
  QUESTION_KINDS.map((value) => ({ value, label: t(`ask.kind.${value}`) })),
)
/** Where part of it may be right, that has words of its own. */
const OUTCOMES = computed(() =>
  canBePartly(question.value)
    ? (['right', 'partly', 'wrong'] as const)
    : (['right', 'wrong'] as const),
)

const SAID_ASIDE = ['hint', 'explanation'] as const
const written = computed(() =>
  SAID_ASIDE.filter((field) => !isBlank(question.value[field])).map((field) => t(`sheet.${field}`)),
)
const marksHold = computed(() => {
  const tries = t('fold.tries', question.value.tries)
  return isGraded(question.value) ? `${pointsWord(question.value.points)} · ${tries}` : tries
})
const pointsWord = (points: number) => t('fold.points', { n: n(points) }, points)

function pickKind(kind: QuestionKindName): void {
  const ids = Array.from({ length: MOST_NEW_IDS }, () => nanoid())
  draft.make(edits.changeQuestionKind, { questionId: props.questionId, kind, ids })
}

function rules(change: Parameters<typeof edits.setQuestionRules.change>[1]['rules']): void {
  draft.make(edits.setQuestionRules, { questionId: props.questionId, rules: change })
}
</script>

<template>
  <div class="sheet-form">
    <div class="kind">
      <ChoiceField
        :label="t('ask.kindLabel')"
        :value="question.kind"
        :choices="kinds"
        @change="pickKind"
      />
      <Button
        :label="t('ask.tryOutBeside')"
        severity="secondary"
        variant="outlined"
        size="small"
        :aria-pressed="bench.showsTrial.value"
        @click="bench.showsTrial.value = !bench.showsTrial.value"
      />
    </div>
    <slot name="moment" />
    <RichField
      :label="t(editor.stem ?? 'sheet.stem')"
      :text="question.stem"
      :max="2000"
      :rows="2"
      data-focus="first"
      @change="draft.make(edits.setQuestionText, { questionId, field: 'stem', text: $event })"
    />
    <p class="help">{{ t('ask.formulas') }}</p>
    <component
      :is="editor.view"
      :key="question.kind"
      :question="question"
      v-bind="editor.atMoment ? { atMs: cue?.atMs ?? null } : {}"
    />
    <EvidenceField :cue="cue" :question="question" :judged="judged" />
    <fieldset v-if="judged">
      <legend>{{ t('sheet.feedback') }}</legend>
      <RichField
        v-for="outcome in OUTCOMES"
        :key="outcome"
        :label="t(`sheet.feedbackFor.${outcome}`)"
        :text="question.feedback[outcome]"
        :max="1000"
        :rows="1"
        @change="draft.make(edits.setFeedback, { questionId, outcome, text: $event })"
      />
    </fieldset>
    <SheetFold name="aside" :title="t('fold.aside')" :holds="written.join(' · ')">
      <RichField
        v-for="field in SAID_ASIDE"
        :key="field"
        :label="t(`sheet.${field}`)"
        :text="question[field]"
        :max="field === 'hint' ? 1000 : 4000"
        :rows="2"
        @change="draft.make(edits.setQuestionText, { questionId, field, text: $event })"
      />
    </SheetFold>
    <SheetFold name="marks" :title="t('fold.marks')" :holds="marksHold">
      <p v-if="isByPerson(question)" class="help">{{ t('ask.byPerson') }}</p>
      <div class="pair">
        <NumberField
          v-if="isGraded(question)"
          :label="t('sheet.points')"
          :value="question.points"
          :min="0"
          :max="1000"
          :fraction-digits="2"
          @change="rules({ points: $event })"
        />
        <NumberField
          :label="t('sheet.tries')"
          :value="question.tries"
          :min="0"
          :max="20"
          @change="rules({ tries: $event })"
        />
        <NumberField
          v-if="judged"
          :label="t('sheet.tryPenalty')"
          :value="Math.round(question.tryPenalty * 100)"
          :min="0"
          :max="100"
          suffix=" %"
          @change="rules({ tryPenalty: $event / 100 })"
        />
      </div>
      <ChoiceField
        v-if="isGraded(question) && question.tries !== 1"
        :label="t('ask.keepLabel')"
        :value="question.keep"
        :choices="
          (['best', 'last'] as const).map((value) => ({ value, label: t(`ask.keep.${value}`) }))
        "
        @change="rules({ keep: $event })"
      />
    </SheetFold>
    <MaterialField :question="question" />
    <KeepQuestion :key="question.id" :question="question" />
  </div>
</template>

<style scoped>
.kind {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 10px;
}
</style>
