<script setup lang="ts">
// What a lesson says about itself: what will be learned, for whom it is, and how it may be used.
import { useI18n } from 'vue-i18n'

defineProps<{ objectives: readonly string[]; level: string; licence: string }>()
const { t } = useI18n()
</script>

<template>
  <div v-if="objectives.length > 0 || level || licence" class="about">
    <template v-if="objectives.length > 0">
      <h2>{{ t('player.about.objectives') }}</h2>
      <ul>
        <li v-for="(words, index) in objectives" :key="index" dir="auto">{{ words }}</li>
      </ul>
    </template>
    <dl v-if="level || licence">
      <div v-if="level">
        <dt>{{ t('player.about.level') }}</dt>
        <dd dir="auto">{{ level }}</dd>
      </div>
      <div v-if="licence">
        <dt>{{ t('player.about.licence') }}</dt>
        <dd dir="auto">{{ licence }}</dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
h2 {
  margin: 0 0 6px;
  font-family: var(--interface);
  font-size: 15px;
  font-weight: 650;
}
ul {
  margin: 0 0 14px;
  padding-inline-start: 20px;
  font-family: var(--reading);
  font-size: 16px;
}
li {
  padding: 2px 0;
  overflow-wrap: anywhere;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  margin: 0;
  font-size: 13.5px;
}
dl div {
  display: flex;
  gap: 6px;
}
dt {
  color: var(--ink-2);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
