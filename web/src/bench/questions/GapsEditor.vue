<script setup lang="ts">
// The passage with its gaps, as one text; beneath it, how it reads.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { readPassage, type GapsQuestion } from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import WordsField from '../WordsField.vue'
import CreditField from './CreditField.vue'
import WordRulesFields from './WordRulesFields.vue'
import { useAsMarked } from './useAsMarked.ts'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: GapsQuestion }>()
const { set } = useQuestion(() => props.question)
const { others } = useAsMarked(() => props.question)
const { t } = useI18n()
const passage = computed(() => readPassage(props.question.passage))
const ways = computed(() =>
  (['typing', 'list', 'dragging'] as const).map((value) => ({
    value,
    label: t(`ask.filledBy.${value}`),
  })),
)
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.passage') }}</legend>
    <WordsField
      :label="t('ask.passageText')"
      :text="question.passage"
      :max="4000"
      :rows="4"
      :invalid="passage.faults.length > 0"
      @change="set({ passage: $event })"
    />
    <p class="help">{{ t('ask.passageHelp') }}</p>
    <p v-if="passage.faults.length > 0" class="fault" role="alert">
      {{ t(`ask.passageFault.${passage.faults[0]}`) }}
    </p>
    <ol v-if="passage.gaps.length > 0" class="gaps">
      <li v-for="gap in passage.gaps" :key="gap.id" dir="auto">
        <b>{{ gap.fits.join(` ${t('ask.or')} `) }}</b>
        <template v-if="gap.wrong.length > 0">
          · {{ t('ask.notThese', { words: gap.wrong.join(', ') }) }}
        </template>
      </li>
    </ol>
    <div class="pair">
      <ChoiceField
        :label="t('ask.filledByLabel')"
        :value="question.filledBy"
        :choices="ways"
        @change="set({ filledBy: $event })"
      />
      <CreditField :credit="question.credit" @change="set({ credit: $event })" />
    </div>
    <WordRulesFields
      v-if="question.filledBy === 'typing'"
      :rules="question.rules"
      :others="others"
      @change="set({ rules: $event })"
    />
    <WordsField
      v-else
      :label="t('ask.extras')"
      :text="question.extras"
      :max="1000"
      :rows="2"
      @change="set({ extras: $event })"
    />
  </fieldset>
</template>

<style scoped>
.gaps {
  margin: 0;
  padding-inline-start: 1.8em;
  font-size: 13.5px;
}
</style>
