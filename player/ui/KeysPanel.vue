<script setup lang="ts">
// The keys beside a film, and the wish that single letters do nothing.
import { useI18n } from 'vue-i18n'
import { keysOn, switchKeys } from '../session/singleKeys.ts'
import FoldedPanel from './FoldedPanel.vue'

const { t } = useI18n()
const ALWAYS = ['play', 'step', 'bookmark'] as const
const LETTERS = ['further', 'captions', 'mute', 'fullScreen', 'note'] as const
</script>

<template>
  <FoldedPanel class="keys" :label="t('player.keys.title')">
    <dl>
      <template v-for="name in [...ALWAYS, ...(keysOn ? LETTERS : [])]" :key="name">
        <dt>{{ t(`player.keys.${name}.press`) }}</dt>
        <dd>{{ t(`player.keys.${name}.does`) }}</dd>
      </template>
    </dl>
    <label>
      <input
        type="checkbox"
        :checked="keysOn"
        @change="switchKeys(($event.target as HTMLInputElement).checked)"
      />
      {{ t('player.keys.letters') }}
    </label>
  </FoldedPanel>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content auto;
  gap: 4px 16px;
  margin: 0;
}
dt {
  font-family: var(--mono);
  font-size: 13.5px;
}
dd {
  margin: 0;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
input {
  width: 17px;
  height: 17px;
  margin: 0;
  accent-color: var(--fern);
}
/* Nobody has keys to press where fingers point. */
@media (hover: none) and (pointer: coarse) {
  .keys {
    display: none;
  }
}
</style>
