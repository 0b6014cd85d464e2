<script setup lang="ts">
// What is said at an end, of the lesson or of a quiz, and to those who pass.
import { useI18n } from 'vue-i18n'
import type { Ending } from '@fernbrake/core/lesson'
import NumberField from './NumberField.vue'
import WordsField from './WordsField.vue'
import { useBench } from './useBench.ts'

defineProps<{ label: string; ending: Ending }>()
const emit = defineEmits<{ change: [change: Partial<Ending>] }>()
const bench = useBench()
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
  <label class="check">
    <input
      type="checkbox"
      :checked="ending.pass !== null"
      :disabled="!bench.canEdit.value"
      @change="switchPass(($event.target as HTMLInputElement).checked)"
    />
    {{ t('sheet.passes') }}
  </label>
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
