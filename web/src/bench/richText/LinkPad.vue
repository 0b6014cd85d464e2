<script setup lang="ts">
// Words that lead to a page of the web: where to, or no longer.
import Button from 'primevue/button'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import AddressField from '../AddressField.vue'
import PadFrame from './PadFrame.vue'

const props = defineProps<{ address: string | null }>()
const emit = defineEmits<{ done: [address: string | null]; close: [] }>()
const { t } = useI18n()
const named = ref(props.address ?? '')
const lacks = ref(false)

/** Whoever presses leaves the field by it, and what it says is taken first. */
function putIn(): void {
  lacks.value = named.value === ''
  if (!lacks.value) emit('done', named.value)
}
</script>

<template>
  <PadFrame :title="t('rich.link')" :done="t('rich.putIn')" @done="putIn" @close="emit('close')">
    <AddressField :label="t('rich.linkAddress')" :address="named" @change="named = $event" />
    <p v-if="lacks && named === ''" role="alert">{{ t('rich.noAddress') }}</p>
    <Button
      v-if="address !== null"
      class="away"
      :label="t('rich.linkAway')"
      size="small"
      severity="secondary"
      variant="text"
      @click="emit('done', null)"
    />
  </PadFrame>
</template>

<style scoped>
.away {
  justify-self: start;
}
</style>
