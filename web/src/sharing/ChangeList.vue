<script setup lang="ts">
// What is new in an edition, a sentence each.
import { useI18n } from 'vue-i18n'
import type { Change } from '@fernbrake/core/lesson'

defineProps<{ changes: readonly Change[] }>()
const { t } = useI18n()
const words = ({ what, name, count = 1 }: Change) =>
  t(`sharing.change.${what}`, { name: name || t('bench.untitled') }, count)
</script>

<template>
  <ul>
    <li v-for="(change, index) in changes" :key="index" dir="auto">{{ words(change) }}</li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding-inline-start: 20px;
}
li {
  overflow-wrap: anywhere;
}
</style>
