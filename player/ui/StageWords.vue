<script setup lang="ts">
// The words that a press on the picture brought up.
import { onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'

defineProps<{ words: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const button = useTemplateRef('button')
onMounted(() => button.value?.focus())
</script>

<template>
  <div class="words paper" role="dialog" :aria-label="t('player.wordsOnPicture')">
    <p dir="auto">{{ words }}</p>
    <button
      ref="button"
      class="fb-button"
      type="button"
      @click="emit('close')"
      @keydown.esc.stop="emit('close')"
    >
      {{ t('player.closeText') }}
    </button>
  </div>
</template>

<style scoped>
.words {
  position: absolute;
  inset: auto 5% 5%;
  display: flex;
  gap: 4px 16px;
  align-items: center;
  justify-content: space-between;
  max-height: 90%;
  padding: 0.7em 1em;
  overflow: auto;
  border-radius: var(--radius);
  font-family: var(--reading);
  font-size: clamp(13px, 4.4cqh, 18px);
  line-height: 1.35;
  white-space: pre-line;
}
</style>
