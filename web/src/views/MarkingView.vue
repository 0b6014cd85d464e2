<script setup lang="ts">
// The piles: where answers wait for the person who is signed in.
import { watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { call } from '../api/client.ts'
import { writeDayAndTime } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t, n } = useI18n()
const { value, error, reload } = useLoaded(() => call('piles'))
watchEffect(() => (document.title = t('marking.title')))
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" :height="220" @retry="reload">
    <template #head>
      <h1>{{ t('marking.title') }}</h1>
    </template>
    <p v-if="value?.piles.length === 0" class="empty">{{ t('marking.nothing') }}</p>
    <ul v-else-if="value" class="piles">
      <li v-for="pile in value.piles" :key="`${pile.source} ${pile.sourceId}`">
        <RouterLink
          class="title"
          :to="{ name: 'desk', params: { source: pile.source, sourceId: pile.sourceId } }"
          dir="auto"
          >{{ pile.title }}</RouterLink
        >
        <span class="muted" dir="auto">{{ pile.classTitle ?? t('marking.byLink') }}</span>
        <span class="stack" aria-hidden="true">
          <span
            class="done"
            :style="{ flexGrow: pile.marked, display: pile.marked ? '' : 'none' }"
          />
          <span class="open" :style="{ flexGrow: pile.waiting }" />
        </span>
        <span class="count">
          <b v-if="pile.waiting > 0">{{ t('marking.waiting', pile.waiting) }}</b>
          <span v-else>{{ t('marking.allMarked', { n: n(pile.marked) }, pile.marked) }}</span>
          <small v-if="pile.oldestAt" class="muted">{{
            t('marking.since', { when: writeDayAndTime(new Date(pile.oldestAt)) })
          }}</small>
          <small v-if="pile.untold > 0" class="untold">{{
            t('marking.untold', pile.untold)
          }}</small>
        </span>
      </li>
    </ul>
  </ManagedPage>
</template>

<style scoped>
h1 {
  margin-bottom: 20px;
}
.piles {
  margin: 0;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1.2fr) minmax(80px, 1fr) minmax(170px, 1.2fr);
  gap: 6px 20px;
  align-items: baseline;
  padding: 14px 20px;
}
li + li {
  border-top: 1px solid var(--line);
}
.title {
  font-family: var(--reading);
  font-size: 17px;
  font-weight: 600;
}
.stack {
  display: flex;
  align-self: center;
  height: 8px;
  border: 1px solid var(--line);
}
.stack .done {
  background: var(--fern);
}
.count {
  display: flex;
  flex-direction: column;
}
.untold {
  color: var(--rust);
}
@media (max-width: 800px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .stack {
    display: none;
  }
}
</style>
