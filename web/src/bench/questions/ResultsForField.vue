<script setup lang="ts">
// Who sees how all answered.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ResultsFor } from '@fernbrake/core/questions'
import ChoiceField from '../ChoiceField.vue'

defineProps<{ value: ResultsFor }>()
const emit = defineEmits<{ change: [value: ResultsFor] }>()
const { t } = useI18n()
const choices = computed(() =>
  (['everyone', 'nobody'] as const).map((value) => ({
    value,
    label: t(`ask.resultsFor.${value}`),
  })),
)
</script>

<template>
  <ChoiceField
    :label="t('ask.resultsForLabel')"
    :value="value"
    :choices="choices"
    @change="emit('change', $event)"
  />
</template>
