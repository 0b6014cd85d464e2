<script setup lang="ts">
// A sheet beside the people of a class: its title, a way to close it, what it is for.
import Button from 'primevue/button'
import { onMounted, onUnmounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'

defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const heading = useTemplateRef('heading')
/** Whoever closes it goes on where they opened it. */
const opener = document.activeElement
onMounted(() => heading.value?.focus())
onUnmounted(() => {
  if (opener instanceof HTMLElement && opener.isConnected) opener.focus()
})
</script>

<template>
  <aside class="sheet" :aria-label="title" @keydown.esc="emit('close')">
    <header>
      <h2 ref="heading" tabindex="-1">{{ title }}</h2>
      <Button
        :label="t('classes.close')"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('close')"
      />
    </header>
    <div class="sheet-form"><slot /></div>
  </aside>
</template>

<style scoped>
.sheet {
  padding: 16px 20px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
header {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 12px;
  margin-bottom: 12px;
}
</style>
