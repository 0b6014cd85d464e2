<script setup lang="ts">
// The sets of a recap: similar statements, of which one is true.
import { useRights } from '../useBench.ts'
import Button from 'primevue/button'
import RadioButton from 'primevue/radiobutton'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits } from '@fernbrake/core/lesson'
import {
  newRecapSet,
  recapStatements,
  setsInOrder,
  type RecapQuestion,
} from '@fernbrake/core/questions'
import { readSets, type PastedLine } from '@fernbrake/core/text'
import EntryRows from './EntryRows.vue'
import PasteLines from './PasteLines.vue'
import RichField from './RichField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: RecapQuestion }>()
const { make, setEntry } = useQuestion(() => props.question)
const rights = useRights()
const { t } = useI18n()
const SETS = ['sets']
const MOST_SETS = 12
const sets = computed(() => setsInOrder(props.question))
const pathOf = (setId: string) => ['sets', setId, 'statements']

/** Six statements have room in a set; where none is marked as true, the first is. */
const MOST_STATEMENTS = 6
function setOf(lines: PastedLine[]) {
  const taken = lines.slice(0, MOST_STATEMENTS)
  const trueAt = Math.max(
    0,
    taken.findIndex(({ marked }) => marked),
  )
  const texts = taken.map(({ text }) => text)
  return { statements: recapStatements(texts, trueAt, nanoid) }
}

function addSet(): void {
  const { id, statements } = newRecapSet('a0', nanoid)
  make(edits.addEntries, {
    questionId: props.question.id,
    path: ['sets'],
    entries: [{ id, statements }],
  })
}
</script>

<template>
  <fieldset v-for="(set, index) in sets" :key="set.id">
    <legend>{{ t('ask.set', { number: index + 1 }) }}</legend>
    <EntryRows
      v-slot="{ entry, number, called }"
      :question-id="question.id"
      :path="pathOf(set.id)"
      :entries="set.statements"
      :name-of="(number) => t('ask.statement', { number, set: index + 1 })"
      :add-label="t('ask.addStatement')"
      :blank="() => ({ text: '', right: false })"
      :least="2"
      :most="6"
      fixed
    >
      <div class="statement">
        <span class="right">
          <RadioButton
            :model-value="entry.right ? entry.id : null"
            :value="entry.id"
            :name="`true-${set.id}`"
            :disabled="!rights.canEdit.value"
            :aria-label="t('ask.isTrue', { number, set: index + 1 })"
            @update:model-value="setEntry(pathOf(set.id), entry.id, { right: true }, 'right')"
          />
          <small>{{ entry.right ? t('ask.true') : '' }}</small>
        </span>
        <RichField
          :label="called"
          :text="entry.text"
          :max="500"
          :rows="2"
          hide-label
          @change="setEntry(pathOf(set.id), entry.id, { text: $event })"
        />
      </div>
    </EntryRows>
    <Button
      v-if="rights.canEdit.value && sets.length > 1"
      :label="t('ask.removeSet', { number: index + 1 })"
      severity="secondary"
      variant="text"
      size="small"
      @click="make(edits.removeEntry, { questionId: question.id, path: ['sets'], entryId: set.id })"
    />
  </fieldset>
  <Button
    :label="t('ask.addSet')"
    severity="secondary"
    variant="outlined"
    size="small"
    :disabled="!rights.canEdit.value || sets.length >= MOST_SETS"
    @click="addSet"
  />
  <PasteLines
    :question-id="question.id"
    :path="SETS"
    :entries="question.sets"
    :texts-of="({ statements }) => Object.values(statements).map(({ text }) => text)"
    :most="MOST_SETS"
    :help="t('ask.pasteSets')"
    :takes="(count) => t('ask.takeSets', { n: count }, count)"
    :read="readSets"
    :entry-of="setOf"
  />
</template>

<style scoped>
.statement {
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr);
  gap: 8px;
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
