<script setup lang="ts">
// All keys of the bench, and a switch for them.
import Dialog from 'primevue/dialog'
import ToggleSwitch from 'primevue/toggleswitch'
import { useI18n } from 'vue-i18n'
import { keysOn, switchKeys } from '@fernbrake/player'

const visible = defineModel<boolean>('visible', { required: true })
const { t } = useI18n()
const KEYS = [
  ['Space', 'K', 'play'],
  ['J', 'L', 'shuttle'],
  ['←', '→', 'frame'],
  ['Shift ←', 'Shift →', 'second'],
  ['↑', '↓', 'cue'],
  ['Q', '', 'question'],
  ['O', 'Shift O', 'overlay'],
  ['B', '', 'bookmark'],
  ['F', '', 'fork'],
  ['N', '', 'note'],
  ['[', ']', 'edge'],
  [',', '.', 'nudge'],
  ['S', 'Alt', 'snap'],
  ['Enter', 'Esc', 'edit'],
  ['F2', '', 'here'],
  ['Del', '', 'remove'],
  ['Ctrl Z', 'Ctrl Shift Z', 'undo'],
  ['Ctrl A', '', 'all'],
  ['Ctrl C', 'Ctrl V', 'copy'],
  ['Ctrl D', '', 'duplicate'],
  ['Shift click', 'Shift drag', 'severally'],
  ['Ctrl /', '', 'find'],
  ['+', '−', 'zoom'],
  ['0', '', 'whole'],
  ['F6', 'Shift F6', 'region'],
  ['Alt PageDown', 'Alt PageUp', 'group'],
  ['Ctrl Enter', '', 'right'],
  ['P', '', 'publish'],
  ['?', '', 'help'],
] as const
/** Keys that have names, and those differ by language; what stands on all others is what they write. */
const NAMED = new Set([
  'Space',
  'Shift',
  'Alt',
  'Enter',
  'Esc',
  'Del',
  'Ctrl',
  'PageDown',
  'PageUp',
  'click',
  'drag',
])
const inWords = (press: string) =>
  press
    .split(' ')
    .map((key) => (NAMED.has(key) ? t(`keys.named.${key}`) : key))
    .join(' ')
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :header="t('keys.title')"
    :style="{ width: 'min(94vw, 620px)' }"
  >
    <label class="switch">
      <ToggleSwitch :model-value="keysOn" @update:model-value="switchKeys" />
      {{ t('keys.on') }}
    </label>
    <dl>
      <template v-for="[first, second, name] in KEYS" :key="name">
        <dt>
          <kbd>{{ inWords(first) }}</kbd> <kbd v-if="second">{{ inWords(second) }}</kbd>
        </dt>
        <dd>{{ t(`keys.${name}`) }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
.switch {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-bottom: 16px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 20px;
  margin: 0;
}
dd {
  margin: 0;
}
kbd {
  padding: 1px 7px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font-family: var(--mono);
  font-size: 13.5px;
}
</style>
