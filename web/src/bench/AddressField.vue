<script setup lang="ts">
// A web address, or the code that a site gives for embedding it; taken once it is one, on Enter or on leaving.
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { addressMeant, addressSchema } from '@fernbrake/core/fields'
import { useRights } from './useBench.ts'

const props = defineProps<{ label: string; address: string }>()
const emit = defineEmits<{ change: [address: string] }>()
const { canEdit } = useRights()
const { t } = useI18n()
const id = useId()
const typed = ref(props.address)
const wrong = ref(false)
watch(
  () => props.address,
  (now) => (typed.value = now),
)

function accept(): void {
  const address = addressMeant(typed.value)
  wrong.value = address !== '' && !addressSchema.safeParse(address).success
  if (wrong.value) return
  typed.value = address
  if (address !== props.address) emit('change', address)
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="typed"
      type="url"
      size="small"
      placeholder="https://"
      :invalid="wrong"
      :aria-describedby="`${id}-fault`"
      :disabled="!canEdit"
      @keydown.enter.prevent="accept"
      @blur="accept"
    />
    <small v-if="wrong" :id="`${id}-fault`" role="alert">{{ t('overlay.addressWrong') }}</small>
  </div>
</template>

<style scoped>
small {
  color: var(--rust);
}
</style>
