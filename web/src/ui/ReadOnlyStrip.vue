<script setup lang="ts">
// Said on every page while the server stores nothing new.
import { useI18n } from 'vue-i18n'
import { isReadOnly } from '../api/readOnly.ts'

const { t } = useI18n()
</script>

<template>
  <div role="status">
    <p v-if="isReadOnly" class="strip">{{ t('app.readOnly') }}</p>
  </div>
</template>

<style scoped>
.strip {
  padding: 8px 22px;
  background: var(--straw-soft);
  color: var(--ink);
  font-size: 13.5px;
}
</style>
