<script setup lang="ts">
// Writing a choice question, live, with the stage in view.
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import RadioButton from 'primevue/radiobutton'
import { nanoid } from 'nanoid'
import { computed, nextTick } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, type Hold, type QuestionCue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { optionsInOrder } from '@fernbrake/core/questions'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ cue: QuestionCue }>()
const bench = useBench()
const { t } = useI18n()
const { draft } = bench
const question = computed(() => bench.lesson.value.questions[props.cue.questionId]!)
const questionId = computed(() => question.value.id)
const options = computed(() => optionsInOrder(question.value))
const HOLDS: Hold[] = ['none', 'shown', 'answered', 'right']
const holds = computed(() => HOLDS.map((value) => ({ value, label: t(`sheet.hold.${value}`) })))
const CREDITS = ['allOrNothing', 'partial', 'penalised'] as const
const credits = computed(() =>
  CREDITS.map((value) => ({ value, label: t(`sheet.credit.${value}`) })),
)
const evidence = computed(() => question.value.evidence)
const OUTCOMES = computed(() =>
  question.value.several ? (['right', 'partly', 'wrong'] as const) : (['right', 'wrong'] as const),
)

function addOption(): void {
  const optionId = nanoid()
  draft.make(edits.addOption, { questionId: questionId.value, optionId })
  void nextTick(() =>
    document.querySelector<HTMLElement>(`[data-option="${optionId}"] input[type="text"]`)?.focus(),
  )
}

function setEvidence(part: { fromMs?: number; toMs?: number }): void {
  const now = evidence.value ?? { fromMs: Math.max(0, props.cue.atMs - 8000), toMs: props.cue.atMs }
  const next = {
    partId: props.cue.partId,
    fromMs: part.fromMs ?? now.fromMs,
    toMs: part.toMs ?? now.toMs,
  }
  if (next.fromMs < next.toMs)
    draft.make(edits.setEvidence, { questionId: questionId.value, evidence: next })
}

function rules(change: Parameters<typeof edits.setQuestionRules.change>[1]['rules']): void {
  draft.make(edits.setQuestionRules, { questionId: questionId.value, rules: change })
}
</script>

<template>
  <div class="sheet-form">
    <div class="pair">
      <TimeField
        :label="t('sheet.at')"
        :ms="cue.atMs"
        @change="draft.make(edits.moveCue, { cueId: cue.id, toMs: $event })"
      />
      <ChoiceField
        :label="t('sheet.playback')"
        :value="cue.hold"
        :choices="holds"
        @change="draft.make(edits.setHold, { cueId: cue.id, hold: $event })"
      />
    </div>
    <WordsField
      :label="t('sheet.stem')"
      :text="question.stem"
      :max="2000"
      :rows="2"
      data-focus="first"
      @change="draft.make(edits.setQuestionText, { questionId, field: 'stem', text: $event })"
    />
    <fieldset class="options">
      <legend>{{ t('sheet.options') }}</legend>
      <label class="check">
        <Checkbox
          :model-value="question.several"
          binary
          :disabled="!bench.canEdit.value"
          @update:model-value="draft.make(edits.setSeveral, { questionId, several: $event })"
        />
        {{ t('sheet.several') }}
      </label>
      <div
        v-for="(option, index) in options"
        :key="option.id"
        class="option"
        :data-option="option.id"
      >
        <span class="right">
          <Checkbox
            v-if="question.several"
            :model-value="option.right"
            binary
            :disabled="!bench.canEdit.value"
            :aria-label="t('sheet.isRight', { number: index + 1 })"
            @update:model-value="
              draft.make(edits.setOptionRight, { questionId, optionId: option.id, right: $event })
            "
          />
          <RadioButton
            v-else
            :model-value="option.right ? option.id : null"
            :value="option.id"
            :name="`right-${questionId}`"
            :disabled="!bench.canEdit.value"
            :aria-label="t('sheet.isRight', { number: index + 1 })"
            @update:model-value="
              draft.make(edits.setOptionRight, { questionId, optionId: option.id, right: true })
            "
          />
          <small>{{ option.right ? t('sheet.right') : '' }}</small>
        </span>
        <div class="texts">
          <WordsField
            :label="t('sheet.optionText', { number: index + 1 })"
            :text="option.text"
            :max="500"
            hide-label
            @change="
              draft.make(edits.setOptionText, {
                questionId,
                optionId: option.id,
                field: 'text',
                text: $event,
              })
            "
          />
          <details :open="option.feedback !== ''">
            <summary>{{ t('sheet.optionFeedbackShort') }}</summary>
            <WordsField
              :label="t('sheet.optionFeedback', { number: index + 1 })"
              :text="option.feedback"
              :max="1000"
              hide-label
              @change="
                draft.make(edits.setOptionText, {
                  questionId,
                  optionId: option.id,
                  field: 'feedback',
                  text: $event,
                })
              "
            />
          </details>
        </div>
        <Button
          :label="t('sheet.removeOption')"
          :aria-label="t('sheet.removeOptionLong', { number: index + 1 })"
          severity="secondary"
          variant="text"
          size="small"
          :disabled="!bench.canEdit.value || options.length <= 2"
          @click="draft.make(edits.removeOption, { questionId, optionId: option.id })"
        />
      </div>
      <Button
        :label="t('sheet.addOption')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="!bench.canEdit.value || options.length >= 20"
        @click="addOption"
      />
    </fieldset>
    <fieldset>
      <legend>{{ t('sheet.evidence') }}</legend>
      <p class="help">{{ t('sheet.evidenceHelp') }}</p>
      <div v-if="evidence" class="pair">
        <TimeField
          :label="t('sheet.from')"
          :ms="evidence.fromMs"
          @change="setEvidence({ fromMs: $event })"
        />
        <TimeField
          :label="t('sheet.to')"
          :ms="evidence.toMs"
          @change="setEvidence({ toMs: $event })"
        />
      </div>
      <div class="buttons">
        <Button
          v-if="evidence"
          :label="t('sheet.goToEvidence', { time: clockTime(evidence.fromMs) })"
          severity="secondary"
          variant="text"
          size="small"
          @click="bench.seek(evidence.fromMs)"
        />
        <Button
          v-if="bench.canEdit.value"
          :label="evidence ? t('sheet.dropEvidence') : t('sheet.addEvidence')"
          severity="secondary"
          variant="text"
          size="small"
          @click="
            evidence
              ? draft.make(edits.setEvidence, { questionId, evidence: null })
              : setEvidence({})
          "
        />
      </div>
      <label v-if="evidence && cue.hold !== 'none'" class="check">
        <Checkbox
          :model-value="cue.sendBack"
          binary
          :disabled="!bench.canEdit.value"
          @update:model-value="draft.make(edits.setHold, { cueId: cue.id, sendBack: $event })"
        />
        {{ t('sheet.sendBack') }}
      </label>
    </fieldset>
    <fieldset>
      <legend>{{ t('sheet.feedback') }}</legend>
      <WordsField
        v-for="outcome in OUTCOMES"
        :key="outcome"
        :label="t(`sheet.feedbackFor.${outcome}`)"
        :text="question.feedback[outcome]"
        :max="1000"
        :rows="1"
        @change="draft.make(edits.setFeedback, { questionId, outcome, text: $event })"
      />
      <WordsField
        v-for="field in ['hint', 'explanation'] as const"
        :key="field"
        :label="t(`sheet.${field}`)"
        :text="question[field]"
        :max="field === 'hint' ? 1000 : 4000"
        :rows="2"
        @change="draft.make(edits.setQuestionText, { questionId, field, text: $event })"
      />
    </fieldset>
    <fieldset>
      <legend>{{ t('sheet.marks') }}</legend>
      <div class="pair">
        <NumberField
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
          :label="t('sheet.tryPenalty')"
          :value="Math.round(question.tryPenalty * 100)"
          :min="0"
          :max="100"
          suffix=" %"
          @change="rules({ tryPenalty: $event / 100 })"
        />
      </div>
      <ChoiceField
        v-if="question.several"
        :label="t('sheet.credits')"
        :value="question.credit"
        :choices="credits"
        @change="rules({ credit: $event })"
      />
    </fieldset>
  </div>
</template>

<style scoped>
.option {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) auto;
  gap: 4px 8px;
  align-items: start;
}
.right {
  display: flex;
  flex-direction: column;
  align-items: center;
  padding-top: 9px;
}
.right small {
  font-size: 12.5px;
  color: var(--fern);
  font-weight: 650;
}
summary {
  padding: 4px 0;
  font-size: 12.5px;
  color: var(--ink-2);
  cursor: pointer;
}
.help {
  font-size: 13.5px;
  color: var(--ink-2);
}
.buttons {
  display: flex;
  gap: 4px;
}
</style>
