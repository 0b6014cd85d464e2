<script setup lang="ts">
// The frame of what is put into a text: its name, its fields, and whether it is put in after all.
import Button from 'primevue/button'
import { useI18n } from 'vue-i18n'

withDefaults(
  defineProps<{
    title: string
    /** What the button that puts it in says; without it choosing is enough. */
    done?: string | null
    disabled?: boolean
  }>(),
  { done: null },
)
const emit = defineEmits<{ done: []; close: [] }>()
const { t } = useI18n()

/**
 * What is still being typed is taken first. The field keeps the focus until then: what it shows once it is left would move this
 * button away under the press.
 */
function putIn(): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  emit('done')
}
</script>

<template>
  <fieldset class="pad" @keydown.escape.stop.prevent="emit('close')">
    <legend>{{ title }}</legend>
    <slot />
    <div class="buttons">
      <Button
        v-if="done"
        :label="done"
        size="small"
        :disabled="disabled"
        @mousedown.prevent
        @click="putIn"
      />
      <Button
        :label="t('rich.cancel')"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('close')"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.pad {
  display: grid;
  gap: 6px;
  margin: 0 0 10px;
  padding: 10px 14px 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.buttons {
  display: flex;
  gap: 4px;
}
</style>
