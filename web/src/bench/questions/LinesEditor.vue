<script setup lang="ts">
// Things to put in order, or to tick: one text each.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ChecklistQuestion, OrderQuestion } from '@fernbrake/core/questions'
import { readLines } from '@fernbrake/core/text'
import CreditField from './CreditField.vue'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: OrderQuestion | ChecklistQuestion }>()
const { set, setEntry } = useQuestion(() => props.question as OrderQuestion)
const { t } = useI18n()
const PATH = ['items']
const isOrder = computed(() => props.question.kind === 'order')
const blank = () => ({ text: '' })
</script>

<template>
  <fieldset>
    <legend>{{ t(isOrder ? 'ask.inOrder' : 'ask.toTick') }}</legend>
    <p class="help">{{ t(isOrder ? 'ask.inOrderHelp' : 'ask.toTickHelp') }}</p>
    <EntryRows
      v-slot="{ entry, called }"
      :question-id="question.id"
      :path="PATH"
      :entries="question.items"
      :name-of="(number) => t('ask.line', { number })"
      :add-label="t('ask.addLine')"
      :blank="blank"
      :least="isOrder ? 2 : 1"
      :most="20"
    >
      <RichField
        :label="called"
        :text="entry.text"
        :max="300"
        hide-label
        @change="setEntry(PATH, entry.id, { text: $event })"
      />
    </EntryRows>
    <PasteLines
      :question-id="question.id"
      :path="PATH"
      :entries="question.items"
      :texts-of="({ text }) => [text]"
      :most="20"
      :help="t('ask.pasteLines')"
      :read="readLines"
      :entry-of="({ text }) => ({ text })"
    />
    <CreditField
      v-if="question.kind === 'order'"
      :credit="question.credit"
      @change="set({ credit: $event })"
    />
  </fieldset>
</template>
