<script setup lang="ts">
// The views of one set of results, side by side.
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { REPORTS, type ReportName } from '@fernbrake/core/contract'

const props = defineProps<{ classId?: string | undefined; sourceId: string; report: ReportName }>()
const { t } = useI18n()

function placeOf(report: ReportName) {
  const { classId, sourceId } = props
  const params = classId ? { classId, assignmentId: sourceId } : { lessonId: sourceId }
  if (report === 'overview') return { name: classId ? 'standing' : 'results', params }
  if (report === 'talk') return { name: classId ? 'talk' : 'lesson-talk', params }
  return { name: classId ? 'class-report' : 'report', params: { ...params, report } }
}
</script>

<template>
  <nav class="tabs" :aria-label="t('reports.views')">
    <RouterLink
      v-for="one in REPORTS"
      :key="one"
      :to="placeOf(one)"
      :aria-current="report === one ? 'page' : undefined"
      >{{ t(`reports.tab.${one}`) }}</RouterLink
    >
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin-bottom: 18px;
  border-bottom: 1px solid var(--line);
}
a {
  padding: 6px 0;
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
}
a[aria-current] {
  color: var(--ink);
  box-shadow: 0 3px 0 var(--fern);
}
</style>
