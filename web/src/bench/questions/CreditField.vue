<script setup lang="ts">
// Whether part of it right earns part of the points.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceField from '../ChoiceField.vue'

defineProps<{ credit: 'allOrNothing' | 'partial' }>()
const emit = defineEmits<{ change: [credit: 'allOrNothing' | 'partial'] }>()
const { t } = useI18n()
const choices = computed(() =>
  (['partial', 'allOrNothing'] as const).map((value) => ({
    value,
    label: t(`sheet.credit.${value}`),
  })),
)
</script>

<template>
  <ChoiceField
    :label="t('ask.creditLabel')"
    :value="credit"
    :choices="choices"
    @change="emit('change', $event)"
  />
</template>
