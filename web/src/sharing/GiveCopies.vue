<script setup lang="ts">
// Gives people a copy of the lesson that is their own from then on.
import Button from 'primevue/button'
import Textarea from 'primevue/textarea'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { readAddresses } from './readAddresses.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const id = useId()
const typed = ref('')
const addresses = computed(() => readAddresses(typed.value).addresses)
const outcome = shallowRef<{ given: string[] } | null>(null)
const fault = shallowRef<unknown>(null)
const busy = ref(false)
// One list is one giving: sending it again after a lost answer gives nobody a second copy.
let givingId = nanoid()
watch(typed, () => (givingId = nanoid()))

async function give(): Promise<void> {
  busy.value = true
  fault.value = null
  outcome.value = null
  try {
    const body = { id: givingId, emails: addresses.value }
    outcome.value = await call('giveCopies', { params: { lessonId: props.lessonId }, body })
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form @submit.prevent="give">
    <p class="muted">{{ t('sharing.copiesHelp') }}</p>
    <div class="field">
      <label :for="id">{{ t('sharing.copiesTo') }}</label>
      <Textarea :id="id" v-model="typed" rows="2" maxlength="20000" />
    </div>
    <Button
      type="submit"
      size="small"
      severity="secondary"
      variant="outlined"
      :label="t('sharing.giveCopies', addresses.length)"
      :disabled="addresses.length === 0 || busy"
    />
    <FaultNotice v-if="fault" :error="fault" @retry="give" />
    <div v-if="outcome" role="status">
      <p>{{ t('sharing.copiesGiven', outcome.given.length) }}</p>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.field {
  width: 100%;
}
</style>
