<script setup lang="ts">
// The right number, how near an answer must come to it, and its unit.
import { useRights } from '../useBench.ts'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  alsoTaken,
  markQuestion,
  readNumber,
  readUnit,
  type NumberQuestion,
  type Tolerance,
} from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import NumberField from '../NumberField.vue'
import SheetFold from '../SheetFold.vue'
import WordsField from '../WordsField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: NumberQuestion }>()
const { set } = useQuestion(() => props.question)
const rights = useRights()
const { t } = useI18n()
const valueId = useId()
const tryId = useId()
const tried = ref('')
const written = ref(String(props.question.value))
watch(
  () => props.question.value,
  (value) => {
    if (readNumber(written.value, 'point')?.values[0] !== value) written.value = String(value)
  },
)
const isRead = computed(() => readNumber(written.value, 'either') !== null)

/** Whatever can be read as a number is taken; `116,16` as well as `116.16`. */
function write(text: string): void {
  written.value = text
  const read = readNumber(text, text.includes('.') ? 'point' : 'either')
  const value = read?.values[0]
  if (value !== undefined && value !== props.question.value) set({ value })
}

const kinds = computed(() =>
  (['absolute', 'relative', 'figures'] as const).map((value) => ({
    value,
    label: t(`ask.tolerance.${value}`),
  })),
)
function pickTolerance(by: Tolerance['by']): void {
  if (by === 'absolute') set({ tolerance: { by, amount: 0 } })
  else if (by === 'relative') set({ tolerance: { by, share: 0.01 } })
  else set({ tolerance: { by, figures: 3 } })
}
const signs = computed(() =>
  (['either', 'point', 'comma'] as const).map((value) => ({
    value,
    label: t(`ask.decimals.${value}`),
  })),
)
const rulesHold = computed(() => {
  const { decimals, unit, unitNeeded } = props.question
  const said = unit !== '' && unitNeeded ? [t('fold.unitNeeded')] : []
  return said.concat(t(`ask.decimals.${decimals}`)).join(' · ')
})
const verdict = computed(
  () => markQuestion(props.question, { kind: 'number', text: tried.value }).verdict,
)
const taken = computed(() => alsoTaken(props.question))
const unitHelp = computed(() => {
  if (props.question.unit === '') return ''
  return readUnit(props.question.unit) ? t('ask.unitConverts') : t('ask.unitOwn')
})
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.number') }}</legend>
    <div class="pair">
      <div class="field">
        <label :for="valueId">{{ t('ask.value') }}</label>
        <InputText
          :id="valueId"
          :model-value="written"
          inputmode="decimal"
          :invalid="!isRead"
          :disabled="!rights.canEdit.value"
          @update:model-value="write($event ?? '')"
        />
      </div>
      <WordsField
        :label="t('ask.unit')"
        :text="question.unit"
        :max="40"
        @change="set({ unit: $event })"
      />
    </div>
    <p v-if="unitHelp" class="help">{{ unitHelp }}</p>
    <div class="pair">
      <ChoiceField
        :label="t('ask.toleranceLabel')"
        :value="question.tolerance.by"
        :choices="kinds"
        @change="pickTolerance"
      />
      <NumberField
        v-if="question.tolerance.by === 'absolute'"
        :label="t('ask.offBy')"
        :value="question.tolerance.amount"
        :min="0"
        :max="1e12"
        :fraction-digits="9"
        @change="set({ tolerance: { by: 'absolute', amount: $event } })"
      />
      <NumberField
        v-else-if="question.tolerance.by === 'relative'"
        :label="t('ask.offBy')"
        :value="Math.round(question.tolerance.share * 1e6) / 1e4"
        :min="0"
        :max="100"
        :fraction-digits="4"
        suffix=" %"
        @change="set({ tolerance: { by: 'relative', share: $event / 100 } })"
      />
      <NumberField
        v-else
        :label="t('ask.figures')"
        :value="question.tolerance.figures"
        :min="1"
        :max="15"
        @change="set({ tolerance: { by: 'figures', figures: $event } })"
      />
    </div>
    <SheetFold name="numberRules" :title="t('fold.numberRules')" :holds="rulesHold">
      <template v-if="question.unit !== ''">
        <label class="check">
          <Checkbox
            :model-value="question.unitNeeded"
            binary
            :disabled="!rights.canEdit.value"
            @update:model-value="set({ unitNeeded: $event })"
          />
          {{ t('ask.unitNeeded') }}
        </label>
        <NumberField
          :label="t('ask.wrongUnit')"
          :value="Math.round(question.wrongUnitShare * 100)"
          :min="0"
          :max="100"
          suffix=" %"
          @change="set({ wrongUnitShare: $event / 100 })"
        />
      </template>
      <ChoiceField
        :label="t('ask.decimalsLabel')"
        :value="question.decimals"
        :choices="signs"
        @change="set({ decimals: $event })"
      />
    </SheetFold>
    <div class="field">
      <label :for="tryId">{{ t('ask.tryOut') }}</label>
      <InputText :id="tryId" v-model="tried" />
      <p v-if="tried.trim()" role="status">{{ t(`ask.verdict.${verdict}`) }}</p>
      <p v-if="taken.length > 0" class="help">
        {{ t('ask.alsoTaken') }}
        <span v-for="(example, index) in taken" :key="example"
          ><template v-if="index > 0"> · </template><span class="mono">{{ example }}</span></span
        >
      </p>
    </div>
  </fieldset>
</template>
