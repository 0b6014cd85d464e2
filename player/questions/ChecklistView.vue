<script setup lang="ts">
// A self-check list.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import type { ChecklistAnswer, ChecklistQuestion } from '@fernbrake/core/questions'
import AnswerFields from './AnswerFields.vue'
import OptionRow from './OptionRow.vue'
import type { AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<ChecklistQuestion>>()
const answer = defineModel<ChecklistAnswer | null>({ required: true })
const { t } = useI18n()
const items = computed(() => inOrder(Object.values(props.question.items)))
const ticked = computed(() => answer.value?.ticked ?? [])

function tick(id: string, on: boolean): void {
  const others = ticked.value.filter((other) => other !== id)
  answer.value = { kind: 'checklist', ticked: on ? [...others, id] : others }
}
</script>

<template>
  <AnswerFields :help="t('player.tickDone')" :answered="answered">
    <OptionRow
      v-for="item in items"
      :key="item.id"
      type="checkbox"
      :name="question.id"
      :value="item.id"
      :text="item.text"
      :checked="ticked.includes(item.id)"
      @pick="tick(item.id, $event)"
    />
    <p class="count">{{ t('player.ticked', { n: ticked.length, all: items.length }) }}</p>
  </AnswerFields>
</template>

<style scoped>
.count {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
