<script lang="ts">
/** A medium that was found, wherever it lies. */
export interface FoundThing {
  key: string
  title: string
  picture: string | null
  /** What tells it from others, each on a line. */
  told: string[]
  /** Its page elsewhere. */
  page: string | null
  act: () => void
}
</script>

<script setup lang="ts">
// Media that were found, to take one of.
import { useI18n } from 'vue-i18n'

defineProps<{ things: readonly FoundThing[]; busy?: boolean }>()
const { t } = useI18n()
</script>

<template>
  <ul>
    <li v-for="thing in things" :key="thing.key">
      <button type="button" :disabled="busy" @click="thing.act">
        <img v-if="thing.picture" :src="thing.picture" alt="" loading="lazy" />
        <span v-else class="blank" aria-hidden="true" />
        <b dir="auto">{{ thing.title }}</b>
        <span v-for="(words, index) in thing.told" :key="index" class="told" dir="auto">{{
          words
        }}</span>
      </button>
      <a
        v-if="thing.page"
        :href="thing.page"
        target="_blank"
        rel="noopener"
        :aria-label="t('take.pageOf', { title: thing.title })"
        >{{ t('take.itsPage') }}</a
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 8px;
  max-height: 330px;
  margin: 0;
  padding: 2px;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  flex-direction: column;
}
button {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 2px;
  width: 100%;
  padding: 4px 4px 6px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  font-size: 12.5px;
  text-align: start;
  overflow-wrap: anywhere;
  cursor: pointer;
}
button:hover:enabled {
  border-color: var(--line-strong);
  background: var(--ground);
}
img,
.blank {
  width: 100%;
  height: 70px;
  object-fit: contain;
  background: var(--sunk);
}
.blank {
  height: 8px;
}
.told {
  color: var(--ink-2);
}
a {
  align-self: flex-start;
  padding: 3px 4px;
  font-size: 12.5px;
}
</style>
