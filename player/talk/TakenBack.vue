<script setup lang="ts">
// What was taken back last can be put back.
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Talk } from './useTalk.ts'

const props = defineProps<{ talk: Talk }>()
const { t } = useI18n()
const failed = ref(false)
async function putBack(): Promise<void> {
  failed.value = false
  await props.talk.putBack().catch(() => (failed.value = true))
}
</script>

<template>
  <p v-if="talk.takenBack.value" class="back" role="status">
    {{ t(failed ? 'player.talk.notDone' : 'player.talk.takenBack') }}
    <button class="fb-button plain" type="button" @click="putBack">
      {{ t('player.talk.putBack') }}
    </button>
  </p>
</template>

<style scoped>
.back {
  color: var(--ink-2);
  font-size: 14px;
}
</style>
