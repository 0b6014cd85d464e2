<script setup lang="ts">
// A collection that somebody shared, as whoever has its link sees it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import OpenLessonList from '../finding/OpenLessonList.vue'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ code: string }>()
const { t } = useI18n()
const { value, error, reload } = useLoaded(async () => {
  const collection = await call('openCollection', { params: { code: props.code } })
  document.title = collection.title
  return collection
})
const by = computed(() => (value.value ? t('openLessons.by', { name: value.value.by }) : ''))
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" @retry="reload">
    <template #back>
      <RouterLink to="/open-lessons">{{ t('openLessons.title') }}</RouterLink>
    </template>
    <template v-if="value">
      <h1 dir="auto">{{ value.title }}</h1>
      <p class="muted by">
        <bdi>{{ by }}</bdi>
      </p>
      <p v-if="value.summary" class="summary" dir="auto">{{ value.summary }}</p>
      <p v-if="value.lessons.length === 0" class="muted">{{ t('openLessons.noneInCollection') }}</p>
      <OpenLessonList :lessons="value.lessons" />
    </template>
  </ManagedPage>
</template>

<style scoped>
.by {
  margin-bottom: 12px;
}
.summary {
  max-width: 68ch;
  margin-bottom: 24px;
  font-family: var(--reading);
  font-size: 17px;
  white-space: pre-line;
}
</style>
