<script setup lang="ts">
// Putting a page of the web into a text: its address, what it is called, and whether it lets itself be shown.
import InputText from 'primevue/inputtext'
import { ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Block, Opens } from '@fernbrake/core/fields'
import PageFields from '../PageFields.vue'
import PadFrame from './PadFrame.vue'

const emit = defineEmits<{ done: [block: Extract<Block, { block: 'page' }>]; close: [] }>()
const { t } = useI18n()
const id = useId()
const address = ref<string | null>(null)
const opens = ref<Opens>('inside')
const title = ref('')
const lacks = ref(false)

/** What the page calls itself serves until something else is written. */
function found(name: string): void {
  if (title.value.trim() === '') title.value = name.slice(0, 200)
}
/** Whoever presses leaves the field by it, and what it says is taken first. */
function putIn(): void {
  lacks.value = address.value === null
  if (address.value === null) return
  const page = { address: address.value, title: title.value.trim(), opens: opens.value }
  emit('done', { block: 'page', ...page })
}
</script>

<template>
  <PadFrame :title="t('rich.page')" :done="t('rich.putIn')" @done="putIn" @close="emit('close')">
    <PageFields
      :label="t('rich.pageAddress')"
      :address="address"
      :opens="opens"
      @change="((address = $event.address), (opens = $event.opens))"
      @found="found"
    />
    <p v-if="lacks && address === null" role="alert">{{ t('rich.noAddress') }}</p>
    <div class="field">
      <label :for="id">{{ t('rich.pageTitle') }}</label>
      <InputText :id="id" v-model="title" size="small" maxlength="200" />
    </div>
  </PadFrame>
</template>
