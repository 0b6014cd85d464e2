<script setup lang="ts">
// A page that shows one thing from the server: the bar (another one where it has a head of its own), the way back, and what went wrong or is still coming.
import { useI18n } from 'vue-i18n'
import AppBar from './AppBar.vue'
import FaultNotice from './FaultNotice.vue'

withDefaults(
  defineProps<{
    error: unknown
    /** Whether there is something to show; else it is still coming, if nothing went wrong. */
    ready: boolean
    /** How high what is coming will be, in px. */
    height?: number
    width?: 'usual' | 'wide' | 'narrow'
  }>(),
  { height: 320, width: 'usual' },
)
defineEmits<{ retry: [] }>()
const { t } = useI18n()
</script>

<template>
  <slot name="bar"><AppBar /></slot>
  <main class="page" :class="width">
    <p v-if="$slots.back" class="back"><slot name="back" /></p>
    <slot name="head" />
    <FaultNotice v-if="error" :error="error" @retry="$emit('retry')" />
    <div v-else-if="!ready" role="status" :aria-label="t('app.loading')">
      <div class="skeleton" :style="{ height: `${height}px` }" />
    </div>
    <slot v-if="ready" />
  </main>
</template>

<style scoped>
.back {
  display: flex;
  gap: 20px;
  margin-bottom: 8px;
}
.narrow {
  max-width: 820px;
}
.wide {
  max-width: 1500px;
  padding-top: 18px;
}
</style>
