<script setup lang="ts">
// The editions of a lesson, the newest first, and what each brought.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { EditionSummary } from '@fernbrake/core/contract'
import { writeDay, writeMoment } from '../ui/dates.ts'
import ChangeList from './ChangeList.vue'

const props = defineProps<{ editions: readonly EditionSummary[] }>()
const { t } = useI18n()
const newestFirst = computed(() => [...props.editions].reverse())
</script>

<template>
  <ol>
    <li v-for="edition in newestFirst" :key="edition.number">
      <p>
        <b>{{ t('results.edition', { number: edition.number }) }}</b>
        <time :datetime="edition.publishedAt" :title="writeDay(new Date(edition.publishedAt))">{{
          writeMoment(new Date(edition.publishedAt))
        }}</time>
      </p>
      <p v-if="edition.note" class="note" dir="auto">{{ edition.note }}</p>
      <ChangeList v-if="edition.changes.length > 0" :changes="edition.changes" />
      <p v-else class="muted">
        {{ t(edition.number === 1 ? 'sharing.firstEdition' : 'sharing.nothingNew') }}
      </p>
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}
time {
  margin-inline-start: 8px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.note {
  margin: 4px 0;
  font-family: var(--reading);
  white-space: pre-line;
  overflow-wrap: anywhere;
}
</style>
