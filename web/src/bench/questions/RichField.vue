<script setup lang="ts">
// A text of a question. Plain words are written in place; a text with formulas, tables or media is shown as it reads.
import Button from 'primevue/button'
import { useI18n } from 'vue-i18n'
import { plainOf, type RichText } from '@fernbrake/core/fields'
import { TextView } from '@fernbrake/player'
import WordsField from '../WordsField.vue'
import { useBench } from '../useBench.ts'

withDefaults(
  defineProps<{ label: string; text: RichText; max: number; rows?: number; hideLabel?: boolean }>(),
  { rows: 1 },
)
const emit = defineEmits<{ change: [text: RichText] }>()
const bench = useBench()
const { t } = useI18n()
</script>

<template>
  <WordsField
    v-if="typeof text === 'string'"
    :label="label"
    :text="text"
    :max="max"
    :rows="rows"
    :hide-label="hideLabel"
    @change="emit('change', $event)"
  />
  <div v-else class="field">
    <span class="label" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <TextView class="shown" :text="text" />
    <Button
      v-if="bench.canEdit.value"
      :label="t('ask.makePlain')"
      severity="secondary"
      variant="text"
      size="small"
      @click="emit('change', plainOf(text).slice(0, max))"
    />
  </div>
</template>

<style scoped>
.shown {
  padding: 8px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
}
</style>
