<script setup lang="ts">
// The card in the middle of a page on which somebody comes in.
import { useI18n } from 'vue-i18n'
import FernMark from './FernMark.vue'

defineProps<{ title: string }>()
const { t } = useI18n()
</script>

<template>
  <main class="entry">
    <section class="card">
      <p class="brand"><FernMark /> {{ t('app.name') }}</p>
      <h1 dir="auto">{{ title }}</h1>
      <slot />
    </section>
  </main>
</template>

<style scoped>
.entry {
  min-height: 100%;
  display: grid;
  place-items: center;
  padding: 24px 16px;
}
.card {
  display: grid;
  gap: 14px;
  width: min(100%, 460px);
  padding: 32px 40px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.brand {
  display: flex;
  align-items: center;
  gap: 10px;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
}
h1 {
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
}
:slotted(form) {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
@media (max-width: 480px) {
  .card {
    padding: 24px 18px;
  }
}
</style>
