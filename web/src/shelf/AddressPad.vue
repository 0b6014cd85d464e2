<script setup lang="ts">
// The address of a file that the server is to fetch onto the shelf.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { useLoaded } from '../ui/useLoaded.ts'
import { addressMeant, addressSchema } from '@fernbrake/core/fields'

const props = defineProps<{ kind: Media['kind']; busy?: boolean }>()
const emit = defineEmits<{ fetch: [address: string] }>()
const { t } = useI18n()
const id = useId()
const typed = ref('')
const address = computed(() => addressMeant(typed.value))
const isOne = computed(
  () => /^https?:/i.test(address.value) && addressSchema.safeParse(address.value).success,
)
/** Where films can be looked for; none of it is needed, so a fault is not told. */
const { value: hosts } = useLoaded(async () =>
  props.kind === 'film' ? (await call('filmHosts')).hosts.map(({ address: at }) => at) : [],
)
</script>

<template>
  <form class="pad" @submit.prevent="isOne && emit('fetch', address)">
    <label :for="id">{{ t(`take.addressOf.${kind}`) }}</label>
    <span class="row">
      <InputText
        :id="id"
        v-model="typed"
        placeholder="https://"
        fluid
        :aria-describedby="`${id}-help`"
      />
      <Button type="submit" :label="t('take.fetchIt')" :disabled="!isOne || busy" />
    </span>
    <p :id="`${id}-help`">
      {{ t(kind === 'film' ? 'take.filmAddressHelp' : 'take.addressHelp') }}
      <a v-for="host in hosts ?? []" :key="host" :href="host" target="_blank" rel="noopener">{{
        t('take.filmHost')
      }}</a>
    </p>
  </form>
</template>

<style scoped>
.pad {
  display: grid;
  gap: 5px;
}
label {
  font-size: 13.5px;
  font-weight: 600;
}
.row {
  display: flex;
  gap: 10px;
}
.row .p-button {
  flex: none;
}
p {
  font-size: 13.5px;
}
</style>
