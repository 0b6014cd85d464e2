<script setup lang="ts">
// The options of a choice question: which are right, what each says when it is picked.
import { useRights } from '../useBench.ts'
import Checkbox from 'primevue/checkbox'
import RadioButton from 'primevue/radiobutton'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import { edits } from '@fernbrake/core/lesson'
import type { ChoiceQuestion } from '@fernbrake/core/questions'
import { readLines, type PastedLine } from '@fernbrake/core/text'
import ChoiceField from '../ChoiceField.vue'
import EntryFold from './EntryFold.vue'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: ChoiceQuestion }>()
const { make, set } = useQuestion(() => props.question)
const rights = useRights()
const { t } = useI18n()
const questionId = computed(() => props.question.id)
const CREDITS = ['allOrNothing', 'partial', 'penalised'] as const
const credits = computed(() =>
  CREDITS.map((value) => ({ value, label: t(`sheet.credit.${value}`) })),
)
const blank = () => ({ text: '', right: false, feedback: '' })

/** From its words: right, and where several may be, no longer. */
function turnRight({ id: optionId, right }: { id: string; right: boolean }): void {
  if (!rights.canEdit.value) return
  const now = props.question.several ? !right : true
  make(edits.setOptionRight, { questionId: questionId.value, optionId, right: now })
}

/** Where one may be picked, only the first keeps its star. */
const read = (text: string) => readLines(text, !props.question.several)
const isAlone = (lines: PastedLine[]) =>
  !props.question.several && lines.some(({ marked }) => marked)
</script>

<template>
  <fieldset class="options">
    <legend>{{ t('sheet.options') }}</legend>
    <div class="pair">
      <label class="check">
        <Checkbox
          :model-value="question.several"
          binary
          :disabled="!rights.canEdit.value"
          @update:model-value="make(edits.setSeveral, { questionId, several: $event })"
        />
        {{ t('sheet.several') }}
      </label>
      <label class="check">
        <Checkbox
          :model-value="question.shuffle ?? false"
          binary
          :disabled="!rights.canEdit.value"
          @update:model-value="set({ shuffle: $event })"
        />
        {{ t('ask.shuffle') }}
      </label>
    </div>
    <EntryRows
      v-slot="{ entry, number, called }"
      :question-id="questionId"
      :path="['options']"
      :entries="question.options"
      :name-of="(number) => t('sheet.optionText', { number })"
      :add-label="t('sheet.addOption')"
      :blank="blank"
      :least="2"
      :most="20"
    >
      <div
        class="option"
        @keydown.ctrl.enter.prevent.stop="turnRight(entry)"
        @keydown.meta.enter.prevent.stop="turnRight(entry)"
      >
        <span class="right">
          <Checkbox
            v-if="question.several"
            :model-value="entry.right"
            binary
            :disabled="!rights.canEdit.value"
            :aria-label="t('sheet.isRight', { number })"
            @update:model-value="
              make(edits.setOptionRight, { questionId, optionId: entry.id, right: $event })
            "
          />
          <RadioButton
            v-else
            :model-value="entry.right ? entry.id : null"
            :value="entry.id"
            :name="`right-${questionId}`"
            :disabled="!rights.canEdit.value"
            :aria-label="t('sheet.isRight', { number })"
            @update:model-value="
              make(edits.setOptionRight, { questionId, optionId: entry.id, right: true })
            "
          />
          <small>{{ entry.right ? t('sheet.right') : '' }}</small>
        </span>
        <div class="texts">
          <RichField
            :label="called"
            :text="entry.text"
            :max="500"
            hide-label
            @change="
              make(edits.setOptionText, {
                questionId,
                optionId: entry.id,
                field: 'text',
                text: $event,
              })
            "
          />
          <EntryFold :title="t('sheet.optionFeedbackShort')" :filled="!isBlank(entry.feedback)">
            <RichField
              :label="t('sheet.optionFeedback', { number })"
              :text="entry.feedback"
              :max="1000"
              hide-label
              @change="
                make(edits.setOptionText, {
                  questionId,
                  optionId: entry.id,
                  field: 'feedback',
                  text: $event,
                })
              "
            />
          </EntryFold>
        </div>
      </div>
    </EntryRows>
    <PasteLines
      :question-id="questionId"
      :path="['options']"
      :entries="question.options"
      :texts-of="({ text }) => [text]"
      :most="20"
      :entry-of="({ text, marked }: PastedLine) => ({ ...blank(), text, right: marked })"
      :help="t('ask.pasteHelp')"
      :read="read"
      :alone="isAlone"
    />
    <ChoiceField
      v-if="question.several"
      :label="t('sheet.credits')"
      :value="question.credit"
      :choices="credits"
      @change="set({ credit: $event })"
    />
  </fieldset>
</template>

<style scoped>
.option {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr);
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
</style>
