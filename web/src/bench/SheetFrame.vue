<script setup lang="ts">
// The frame of every sheet at the side of the bench: its title, what can be done, a way to close it, and its body.
import Button from 'primevue/button'
import { useI18n } from 'vue-i18n'

/** `closes` is false where nothing else would be shown in its place. */
withDefaults(defineProps<{ title: string; closes?: boolean }>(), { closes: true })
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
</script>

<template>
  <section class="sheet" :aria-label="title">
    <header>
      <h2>
        <slot name="sign" />
        {{ title }}<template v-if="$slots.aside">&nbsp;<slot name="aside" /></template>
      </h2>
      <span class="buttons">
        <slot name="actions" />
        <Button
          v-if="closes"
          :label="t('sheet.close')"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="emit('close')"
        />
      </span>
    </header>
    <div class="body">
      <slot />
    </div>
    <slot name="foot" />
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
  background: var(--surface);
}
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 44px;
  padding-block: 6px;
  padding-inline: 18px 12px;
  border-bottom: 1px solid var(--line);
}
h2 {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 15px;
  white-space: nowrap;
}
h2 :slotted(.mono) {
  font-weight: 400;
  color: var(--ink-2);
}
.buttons {
  display: flex;
  gap: 2px;
}
.body {
  display: flex;
  flex-direction: column;
  gap: 14px;
  flex: 1;
  min-height: 0;
  padding: 14px 18px 24px;
  overflow-y: auto;
}
</style>
