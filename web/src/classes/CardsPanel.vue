<script setup lang="ts">
// Sign-in cards as a PDF: for whoever has not used theirs, or new ones.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Class } from '@fernbrake/core/contract'
import { fetchCards } from './fetchCards.ts'
import type { ClassDesk } from './useClass.ts'

const props = defineProps<{ school: Class; desk: ClassDesk }>()
const { t } = useI18n()
const busy = ref(false)
/** Cards that are out there are made void, which cannot be undone. */
const asks = ref(false)
const fault = ref<string | null>(null)
const here = computed(() => props.school.members.filter(({ leftAt }) => leftAt === null))
const open = computed(() => here.value.filter(({ card }) => card === 'open').length)
const used = computed(() => here.value.filter(({ card }) => card === 'used').length)
const others = computed(() => here.value.filter(({ card }) => card === 'other').length)

async function print(anew: boolean): Promise<void> {
  busy.value = true
  fault.value = await fetchCards(props.school, { people: null, anew }, t)
  busy.value = false
  asks.value = false
  if (anew) void props.desk.reload()
}
</script>

<template>
  <p>{{ t('classes.cardsHelp') }}</p>
  <ul class="facts">
    <li>{{ t('classes.cardsOpen', open) }}</li>
    <li v-if="used > 0">{{ t('classes.cardsUsed', used) }}</li>
    <li v-if="others > 0">{{ t('classes.cardsOther', others) }}</li>
  </ul>
  <Button
    :label="t('classes.printOpen', open)"
    :disabled="open === 0"
    :loading="busy"
    data-test="print-cards"
    @click="print(false)"
  />
  <template v-if="open + used > 0">
    <p class="help">{{ t('classes.anewHelp') }}</p>
    <div v-if="asks" class="asks">
      <p>{{ t('classes.anewSure') }}</p>
      <Button
        :label="t('classes.printAnew', open + used)"
        severity="danger"
        :disabled="busy"
        @click="print(true)"
      />
      <Button
        :label="t('classes.notNow')"
        severity="secondary"
        variant="text"
        @click="asks = false"
      />
    </div>
    <Button
      v-else
      :label="t('classes.printAnew', open + used)"
      severity="secondary"
      variant="outlined"
      :disabled="busy"
      @click="asks = true"
    />
  </template>
  <p v-if="fault" class="notice" role="alert">{{ fault }}</p>
</template>

<style scoped>
.asks {
  display: grid;
  gap: 8px;
}
.facts {
  margin: 0;
  padding-inline-start: 18px;
}
</style>
