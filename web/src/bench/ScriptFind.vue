<script setup lang="ts">
// Finding in the script: Enter goes to the next place, with Shift to the one before.
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { findInLines } from '@fernbrake/core/text'
import { useReading } from './useBench.ts'

const emit = defineEmits<{ found: [index: number]; matches: [ids: ReadonlySet<string>] }>()
const reading = useReading()
const { t } = useI18n()
const query = ref('')
const at = ref(-1)
const found = computed(() => findInLines(reading.lines.value, query.value))
watch(found, (indices) => {
  at.value = -1
  emit('matches', new Set(indices.map((index) => reading.lines.value[index]!.id)))
})

function go(direction: 1 | -1): void {
  const count = found.value.length
  if (count === 0) return
  at.value = at.value < 0 && direction < 0 ? count - 1 : (at.value + direction + count) % count
  emit('found', found.value[at.value]!)
}
const place = computed(() =>
  at.value < 0
    ? t('script.foundCount', found.value.length)
    : t('script.foundPlace', { number: at.value + 1, all: found.value.length }),
)
</script>

<template>
  <form class="find" role="search" @submit.prevent="go(1)">
    <span v-if="query.trim() !== ''" class="count" role="status">{{ place }}</span>
    <InputText
      v-model="query"
      type="search"
      size="small"
      data-find
      :placeholder="t('script.findShort')"
      :aria-label="t('script.find')"
      @keydown.shift.enter.prevent="go(-1)"
    />
  </form>
</template>

<style scoped>
.find {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}
.find :deep(input) {
  width: 9.5em;
}
.count {
  font-size: 12.5px;
  color: var(--ink-2);
  white-space: nowrap;
}
</style>
