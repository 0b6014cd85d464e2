<script setup lang="ts">
// The time zone in which a class's times are meant.
import { useI18n } from 'vue-i18n'
import LabelledSelect from '../ui/LabelledSelect.vue'

defineProps<{ zone: string }>()
const emit = defineEmits<{ change: [zone: string] }>()
const { t } = useI18n()
const zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])].map((value) => ({
  value,
  label: value.replaceAll('_', ' '),
}))
</script>

<template>
  <LabelledSelect
    :model-value="zone"
    :label="t('classes.timeZone')"
    :options="zones"
    filter
    @update:model-value="emit('change', $event)"
  />
</template>
