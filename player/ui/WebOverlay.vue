<script setup lang="ts">
// A page of the web on the stage, with its name and a way out; where it does not let itself be shown, the way alone.
import { useI18n } from 'vue-i18n'
import { opensOf, type OverlayForm } from '@fernbrake/core/lesson'
import WebFrame from '../pages/WebFrame.vue'
import { hostOf } from '../pages/webAddress.ts'

defineProps<{ content: Extract<OverlayForm, { form: 'web' }>; words: string; live: boolean }>()
const emit = defineEmits<{ leave: [] }>()
const { t } = useI18n()
</script>

<template>
  <div class="web" :class="{ live }">
    <WebFrame
      v-if="content.address && opensOf(content) === 'inside'"
      class="frame"
      :address="content.address"
      :title="words"
    />
    <p v-else class="instead" dir="auto">{{ words || t('player.pageElsewhere') }}</p>
    <component
      :is="live ? 'a' : 'span'"
      v-if="content.address"
      class="way"
      :href="live ? content.address : undefined"
      target="_blank"
      rel="noopener noreferrer"
      @click="emit('leave')"
    >
      <span dir="auto">{{ hostOf(content.address) || words }}</span>
      <span class="out">{{ t('player.openInTab') }}</span>
    </component>
  </div>
</template>

<style scoped>
.web {
  display: flex;
  flex-direction: column;
  width: 100%;
  height: 100%;
}
.live {
  pointer-events: auto;
}
.frame,
.instead {
  flex: 1;
  min-height: 0;
}
.instead {
  display: grid;
  place-items: center;
  margin: 0;
  padding: 0.6em;
  text-align: center;
  overflow: auto;
}
.way {
  display: flex;
  justify-content: space-between;
  gap: 0.8em;
  padding: 0.25em 0.6em;
  background: #f5f3ea;
  color: #17231c;
  font-family: var(--interface);
  font-size: max(12px, min(3.2cqh, 14px));
  font-weight: 450;
  white-space: nowrap;
  overflow: hidden;
}
.way span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}
.out {
  text-decoration: underline;
  text-underline-offset: 0.18em;
}
.way:focus-visible {
  outline: 3px solid #17231c;
  outline-offset: -3px;
}
</style>
