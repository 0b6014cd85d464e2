<script setup lang="ts">
// Terms and their meanings, typed one by one or pasted as a list.
import { useI18n } from 'vue-i18n'
import type { TermsQuestion } from '@fernbrake/core/questions'
import { readTermList } from '@fernbrake/core/text'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: TermsQuestion }>()
const { setEntry } = useQuestion(() => props.question)
const { t } = useI18n()
const CARDS = ['cards']
const MOST_CARDS = 60
</script>

<template>
  <fieldset>
    <legend>{{ t('ask.cards') }}</legend>
    <p class="help">{{ t('ask.cardsHelp') }}</p>
    <EntryRows
      v-slot="{ entry, number }"
      :question-id="question.id"
      :path="CARDS"
      :entries="question.cards"
      :name-of="(number) => t('ask.card', { number })"
      :add-label="t('ask.addCard')"
      :blank="() => ({ term: '', meaning: '' })"
      :least="2"
      :most="MOST_CARDS"
    >
      <div class="pair">
        <RichField
          v-for="side in ['term', 'meaning'] as const"
          :key="side"
          :label="t(`ask.cardSide.${side}`, { number })"
          :text="entry[side]"
          :max="side === 'term' ? 300 : 500"
          hide-label
          @change="setEntry(CARDS, entry.id, { [side]: $event })"
        />
      </div>
    </EntryRows>
    <PasteLines
      :question-id="question.id"
      :path="CARDS"
      :entries="question.cards"
      :texts-of="({ term }) => [term]"
      :most="MOST_CARDS"
      :help="t('ask.pasteTerms')"
      :read="(text) => readTermList(text).terms"
      :leaves-out="(text) => readTermList(text).halves"
      :entry-of="(line) => ({ ...line })"
    />
  </fieldset>
</template>
