<script setup lang="ts">
// What is said at an end, of the lesson or of a quiz, and to those who pass.
import { useI18n } from 'vue-i18n'
import type { Ending } from '@fernbrake/core/lesson'
import CheckField from './CheckField.vue'
import NumberField from './NumberField.vue'
import WordsField from './WordsField.vue'

defineProps<{ label: string; ending: Ending }>()
const emit = defineEmits<{ change: [change: Partial<Ending>] }>()
const { t } = useI18n()
const USUAL_PASS_SHARE = 0.6
function switchPass(on: boolean): void {
  emit('change', { pass: on ? { share: USUAL_PASS_SHARE, message: '' } : null })
}
</script>

<template>
  <WordsField
    :label="label"
    :text="ending.message"
    :max="2000"
    :rows="2"
    @change="emit('change', { message: $event })"
  />
  <CheckField :label="t('sheet.passes')" :checked="ending.pass !== null" @change="switchPass" />
  <div v-if="ending.pass" class="sheet-form">
    <NumberField
      :label="t('sheet.passShare')"
      :value="Math.round(ending.pass.share * 100)"
      :min="0"
      :max="100"
      suffix=" %"
      @change="emit('change', { pass: { ...ending.pass, share: $event / 100 } })"
    />
    <WordsField
      :label="t('sheet.passMessage')"
      :text="ending.pass.message"
      :max="2000"
      :rows="2"
      @change="emit('change', { pass: { ...ending.pass, message: $event } })"
    />
  </div>
</template>
