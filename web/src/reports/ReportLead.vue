<script setup lang="ts">
// What a report says first: a sentence, and beside it the report to take along.
import type { ReportName } from '@fernbrake/core/contract'
import ReportFiles from './ReportFiles.vue'
import type { ReportSource } from './useReport.ts'

defineProps<ReportSource & { report: ReportName }>()
</script>

<template>
  <ReportFiles class="files" :source="source" :source-id="sourceId" :report="report" />
  <p class="sentence"><slot /></p>
</template>

<style scoped>
.files {
  float: inline-end;
  max-width: 60%;
  justify-content: flex-end;
}
.sentence {
  max-width: 70ch;
  margin-bottom: 12px;
  font-family: var(--reading);
  font-size: 17px;
}
@media (max-width: 700px) {
  .files {
    float: none;
    max-width: none;
    justify-content: flex-start;
    margin-bottom: 12px;
  }
}
</style>
