<script setup lang="ts">
// A page of the web over the lesson; the lesson waits beneath and is one press away.
import { onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import WebFrame from './WebFrame.vue'
import { hostOf } from './webAddress.ts'

defineProps<{ address: string; words: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const dialog = useTemplateRef('dialog')
onMounted(() => dialog.value?.showModal())
</script>

<template>
  <dialog
    ref="dialog"
    class="paper"
    :aria-label="words || hostOf(address) || t('player.openedPage')"
    @close="emit('close')"
  >
    <header>
      <div>
        <b v-if="words" dir="auto">{{ words }}</b>
        <span>{{ hostOf(address) }}</span>
      </div>
      <a class="fb-button plain" :href="address" target="_blank" rel="noopener noreferrer">
        {{ t('player.openInTab') }}
      </a>
      <button class="fb-button act" type="button" autofocus @click="dialog?.close()">
        {{ t('player.backToLesson') }}
      </button>
    </header>
    <WebFrame class="frame" :address="address" :title="words" />
    <p>{{ t('player.pageEmpty') }}</p>
  </dialog>
</template>

<style scoped>
dialog {
  display: flex;
  flex-direction: column;
  width: min(1100px, calc(100vw - 48px));
  height: calc(100dvh - 48px);
  max-width: none;
  max-height: none;
  padding: 0;
  border: 0;
  border-radius: var(--radius);
}
dialog::backdrop {
  background: #0f1713d9;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  padding: 10px 16px;
  border-bottom: 1px solid var(--line);
}
header div {
  display: grid;
  flex: 1 1 200px;
  min-width: 0;
}
header div span {
  color: var(--ink-2);
  font-size: 13.5px;
  overflow-wrap: anywhere;
}
.frame {
  flex: 1;
  min-height: 0;
}
p {
  padding: 8px 16px;
  border-top: 1px solid var(--line);
  color: var(--ink-2);
  font-size: 13.5px;
}
@media (max-width: 760px) {
  dialog {
    width: 100vw;
    height: 100dvh;
  }
}
</style>
