<script setup lang="ts">
// Something to take along as a file, in any of the formats.
import { useI18n } from 'vue-i18n'
import { FORMATS, type ReportFormat } from '@fernbrake/core/contract'

defineProps<{ addressOf: (format: ReportFormat) => string }>()
const { t } = useI18n()
</script>

<template>
  <span class="take" role="group" :aria-label="t('reports.take')">
    <span class="muted">{{ t('reports.take') }}</span>
    <a v-for="format in FORMATS" :key="format" :href="addressOf(format)" download>{{
      format.toUpperCase()
    }}</a>
  </span>
</template>

<style scoped>
.take {
  display: inline-flex;
  gap: 10px;
}
a {
  font-weight: 600;
}
</style>
