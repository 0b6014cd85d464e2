<script setup lang="ts">
// Words to be taken elsewhere, with a button that copies them.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Textarea from 'primevue/textarea'
import { ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'

const props = withDefaults(defineProps<{ label: string; words: string; rows?: number }>(), {
  rows: 1,
})
defineOptions({ inheritAttrs: false })
const { t } = useI18n()
const id = useId()
const copied = ref(false)
watch(
  () => props.words,
  () => (copied.value = false),
)

async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(props.words)
    copied.value = true
  } catch {
    // Without leave to copy, they are selected for the person to do so.
    const field = document.getElementById(id) as HTMLInputElement
    field.focus()
    field.select()
  }
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <span class="row">
      <InputText v-if="rows === 1" :id="id" v-bind="$attrs" :model-value="words" readonly fluid />
      <Textarea v-else :id="id" v-bind="$attrs" :model-value="words" :rows="rows" readonly fluid />
      <Button
        class="copy"
        :label="copied ? t('publish.copied') : t('sharing.copy')"
        :aria-label="copied ? undefined : t('sharing.copyWhat', { what: label })"
        @click="copy"
      />
    </span>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: start;
  gap: 10px;
}
.copy {
  flex: none;
}
textarea {
  font-family: var(--mono);
  font-size: 13.5px;
}
</style>
