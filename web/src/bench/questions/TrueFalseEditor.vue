<script setup lang="ts">
// Whether the statement is true.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { TrueFalseQuestion } from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'
import { useQuestion } from './useQuestion.ts'

const props = defineProps<{ question: TrueFalseQuestion }>()
const { set } = useQuestion(() => props.question)
const { t } = useI18n()
const choices = computed(() =>
  (['true', 'false'] as const).map((value) => ({ value, label: t(`ask.is.${value}`) })),
)
</script>

<template>
  <ChoiceField
    :label="t('ask.statementIs')"
    :value="question.right ? 'true' : 'false'"
    :choices="choices"
    @change="set({ right: $event === 'true' })"
  />
</template>
