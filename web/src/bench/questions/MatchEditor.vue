<script setup lang="ts">
// The pairs, and what stands on the right besides and fits nowhere.
import { useI18n } from 'vue-i18n'
import { cutText } from '@fernbrake/core/fields'
import type { MatchQuestion } from '@fernbrake/core/questions'
import { readTermList } from '@fernbrake/core/text'
import CreditField from './CreditField.vue'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: MatchQuestion }>()
const { set, setEntry } = useQuestion(() => props.question)
const { t } = useI18n()
/** A side of a pair, in characters. */
const LONGEST = 300
const [PAIRS, EXTRAS] = [['pairs'], ['extras']] as const
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.pairs') }}</legend>
    <EntryRows
      v-slot="{ entry, number }"
      :question-id="question.id"
      :path="PAIRS"
      :entries="question.pairs"
      :name-of="(number) => t('ask.pair', { number })"
      :add-label="t('ask.addPair')"
      :blank="() => ({ left: '', right: '' })"
      :least="2"
      :most="20"
    >
      <div class="pair">
        <RichField
          v-for="side in ['left', 'right'] as const"
          :key="side"
          :label="t(`ask.side.${side}`, { number })"
          :text="entry[side]"
          :max="LONGEST"
          hide-label
          @change="setEntry(PAIRS, entry.id, { [side]: $event })"
        />
      </div>
    </EntryRows>
    <PasteLines
      :question-id="question.id"
      :path="PAIRS"
      :entries="question.pairs"
      :texts-of="({ left, right }) => [left, right]"
      :most="20"
      :help="t('ask.pastePairs')"
      :read="(text) => readTermList(text).terms"
      :leaves-out="(text) => readTermList(text).halves"
      :entry-of="({ term, meaning }) => ({ left: term, right: cutText(meaning, LONGEST) })"
    />
    <p class="help">{{ t('ask.extrasHelp') }}</p>
    <EntryRows
      v-slot="{ entry, called }"
      :question-id="question.id"
      :path="EXTRAS"
      :entries="question.extras"
      :name-of="(number) => t('ask.extra', { number })"
      :add-label="t('ask.addExtra')"
      :blank="() => ({ text: '' })"
      :least="0"
      :most="20"
      fixed
    >
      <RichField
        :label="called"
        :text="entry.text"
        :max="LONGEST"
        hide-label
        @change="setEntry(EXTRAS, entry.id, { text: $event })"
      />
    </EntryRows>
    <CreditField :credit="question.credit" @change="set({ credit: $event })" />
  </fieldset>
</template>
