<script setup lang="ts">
// From whom the films, pictures and sounds of a lesson are, and on which terms.
import { useI18n } from 'vue-i18n'
import type { Credit } from '@fernbrake/core/contract'

defineProps<{ credits: readonly Credit[] }>()
const { t } = useI18n()
</script>

<template>
  <h2>{{ t('player.about.credits') }}</h2>
  <ul>
    <li v-for="({ title, credit, licence, source }, index) in credits" :key="index">
      <a v-if="source" :href="source" target="_blank" rel="noopener" dir="auto">{{ title }}</a>
      <span v-else dir="auto">{{ title }}</span>
      <small v-if="credit" dir="auto">{{ credit }}</small>
      <small v-if="licence" dir="auto">{{ licence }}</small>
    </li>
  </ul>
</template>

<style scoped>
h2 {
  margin: 14px 0 6px;
  font-family: var(--interface);
  font-size: 15px;
  font-weight: 650;
}
ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  overflow-wrap: anywhere;
}
a {
  justify-self: start;
  padding: 2px 0;
}
small {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
