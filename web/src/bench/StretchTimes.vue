<script setup lang="ts">
// From where to where a stretch of a film reaches.
import { useI18n } from 'vue-i18n'
import TimeField from './TimeField.vue'

defineProps<{ fromMs: number; toMs: number; mostMs: number }>()
const emit = defineEmits<{ change: [fromMs: number, toMs: number] }>()
const { t } = useI18n()
</script>

<template>
  <div class="times">
    <TimeField
      :label="t('sheet.from')"
      :ms="fromMs"
      :most-ms="mostMs"
      @change="emit('change', $event, toMs)"
    />
    <TimeField
      :label="t('sheet.to')"
      :ms="toMs"
      :after-ms="fromMs"
      :most-ms="mostMs"
      @change="emit('change', fromMs, $event)"
    />
  </div>
</template>

<style scoped>
.times {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
