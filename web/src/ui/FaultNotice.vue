<script setup lang="ts">
// What went wrong, what was kept, and what to do next.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { ApiError } from '../api/client.ts'

const props = defineProps<{ error: unknown }>()
defineEmits<{ retry: [] }>()
const { t } = useI18n()
const sentence = computed(() => {
  if (!(props.error instanceof ApiError)) return t('fault.ours')
  if (props.error.status === 0) return t('fault.unreachable')
  return props.error.sentence ?? t('fault.ours')
})
</script>

<template>
  <div class="notice" role="alert">
    <p>{{ sentence }}</p>
    <button class="fb-button again" type="button" @click="$emit('retry')">
      {{ t('fault.again') }}
    </button>
  </div>
</template>

<style scoped>
.again {
  margin-top: 10px;
}
</style>
