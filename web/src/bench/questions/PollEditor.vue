<script setup lang="ts">
// The options of a poll, their colours, and who sees how all answered.
import { useRights } from '../useBench.ts'
import Checkbox from 'primevue/checkbox'
import { useI18n } from 'vue-i18n'
import { edits } from '@fernbrake/core/lesson'
import type { PollQuestion } from '@fernbrake/core/questions'
import { readLines } from '@fernbrake/core/text'
import ColourField from '../ColourField.vue'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import ResultsForField from './ResultsForField.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: PollQuestion }>()
const { make, set, setEntry } = useQuestion(() => props.question)
const rights = useRights()
const { t } = useI18n()
const PATH = ['options']
const blank = () => ({ text: '', colour: null })
</script>

<template>
  <fieldset>
    <legend>{{ t('sheet.options') }}</legend>
    <label class="check">
      <Checkbox
        :model-value="question.several"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="make(edits.setSeveral, { questionId: question.id, several: $event })"
      />
      {{ t('sheet.severalPicked') }}
    </label>
    <EntryRows
      v-slot="{ entry, called }"
      :question-id="question.id"
      :path="PATH"
      :entries="question.options"
      :name-of="(number) => t('sheet.optionText', { number })"
      :add-label="t('sheet.addOption')"
      :blank="blank"
      :least="2"
      :most="20"
    >
      <RichField
        :label="called"
        :text="entry.text"
        :max="500"
        hide-label
        @change="setEntry(PATH, entry.id, { text: $event })"
      />
      <ColourField
        :label="t('ask.barColour')"
        :colour="entry.colour"
        usual="#24603F"
        :none-label="t('ask.usualColour')"
        @change="setEntry(PATH, entry.id, { colour: $event })"
      />
    </EntryRows>
    <PasteLines
      :question-id="question.id"
      :path="PATH"
      :entries="question.options"
      :texts-of="({ text }) => [text]"
      :most="20"
      :help="t('ask.pasteLines')"
      :read="readLines"
      :entry-of="({ text }) => ({ ...blank(), text })"
    />
    <ResultsForField :value="question.resultsFor" @change="set({ resultsFor: $event })" />
  </fieldset>
</template>
