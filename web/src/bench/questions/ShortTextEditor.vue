<script setup lang="ts">
// The listed answers of a short-answer question, and a place to try what somebody might type.
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  markQuestion,
  readPattern,
  type ListedAnswer,
  type ShortTextQuestion,
} from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import NumberField from '../NumberField.vue'
import WordsField from '../WordsField.vue'
import EntryFold from './EntryFold.vue'
import EntryRows from './EntryRows.vue'
import WordRulesFields from './WordRulesFields.vue'
import { useAsMarked } from './useAsMarked.ts'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: ShortTextQuestion }>()
const { set, setEntry } = useQuestion(() => props.question)
const { t, n } = useI18n()
const PATH = ['listed']
const tryId = useId()
const tried = ref('')
const { asMarked, others } = useAsMarked(() => props.question)
const verdict = computed(
  () => markQuestion(asMarked.value, { kind: 'shortText', text: tried.value }).verdict,
)
const ways = computed(() =>
  (['words', 'pattern'] as const).map((value) => ({ value, label: t(`ask.as.${value}`) })),
)
function faultOf({ as, text }: ListedAnswer): string | null {
  if (as !== 'pattern' || text === '') return null
  const pattern = readPattern(text)
  return pattern.ok ? null : t(`ask.patternFault.${pattern.fault}`)
}
const hasRules = ({ as, share, feedback }: ListedAnswer) =>
  as !== 'words' || share !== 1 || feedback !== ''
const rulesOf = ({ as, share }: ListedAnswer) =>
  t('fold.answer', { as: t(`ask.as.${as}`), share: n(share, { style: 'percent' }) })
const blank = (): Omit<ListedAnswer, 'id' | 'order'> => ({
  text: '',
  as: 'words',
  share: 1,
  feedback: '',
})
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.listed') }}</legend>
    <p class="help">{{ t('ask.listedHelp') }}</p>
    <EntryRows
      v-slot="{ entry, called }"
      :question-id="question.id"
      :path="PATH"
      :entries="question.listed"
      :name-of="(number) => t('ask.listedAnswer', { number })"
      :add-label="t('ask.addListed')"
      :blank="blank"
      :least="1"
      :most="40"
      fixed
    >
      <WordsField
        :label="called"
        :text="entry.text"
        :max="200"
        hide-label
        :invalid="faultOf(entry) !== null"
        @change="setEntry(PATH, entry.id, { text: $event })"
      />
      <p v-if="faultOf(entry)" class="fault" role="alert">{{ faultOf(entry) }}</p>
      <EntryFold :title="rulesOf(entry)" :filled="hasRules(entry)">
        <div class="pair">
          <ChoiceField
            :label="t('ask.comparedAs')"
            :value="entry.as"
            :choices="ways"
            @change="setEntry(PATH, entry.id, { as: $event })"
          />
          <NumberField
            :label="t('ask.earns')"
            :value="Math.round(entry.share * 100)"
            :min="0"
            :max="100"
            suffix=" %"
            @change="setEntry(PATH, entry.id, { share: $event / 100 })"
          />
        </div>
        <WordsField
          :label="t('ask.saidToIt')"
          :text="entry.feedback"
          :max="1000"
          @change="setEntry(PATH, entry.id, { feedback: $event })"
        />
      </EntryFold>
    </EntryRows>
    <WordRulesFields :rules="question.rules" :others="others" @change="set({ rules: $event })" />
    <div class="field">
      <label :for="tryId">{{ t('ask.tryOut') }}</label>
      <InputText :id="tryId" v-model="tried" dir="auto" />
      <p v-if="tried.trim()" role="status">{{ t(`ask.verdict.${verdict}`) }}</p>
    </div>
  </fieldset>
</template>
