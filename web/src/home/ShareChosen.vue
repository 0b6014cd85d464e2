<script setup lang="ts">
// Says of the lessons that are chosen who may learn them.
import { ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { SEEN_BY, type SeenBy } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'

const props = defineProps<{ chosen: string[] }>()
const emit = defineEmits<{ shared: [] }>()
const { t } = useI18n()
const seenBy = ref<SeenBy>('link')
const changed = ref<number | null>(null)
const fault = shallowRef<unknown>(null)
const busy = ref(false)

async function share(): Promise<void> {
  busy.value = true
  fault.value = null
  changed.value = null
  try {
    const body = { lessonIds: props.chosen, seenBy: seenBy.value }
    changed.value = (await call('shareSeveral', { body })).changed
    emit('shared')
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <span>{{ t('sharing.chosen', chosen.length) }}</span>
  <select v-model="seenBy" class="fb-input" :aria-label="t('sharing.setSeveral')">
    <option v-for="choice in SEEN_BY" :key="choice" :value="choice">
      {{ t(`sharing.by.${choice}`) }}
    </option>
  </select>
  <button
    type="button"
    class="fb-button act small"
    :disabled="chosen.length === 0 || busy"
    @click="share"
  >
    {{ t('sharing.shareThem') }}
  </button>
  <span v-if="changed !== null" role="status">{{ t('sharing.severalKept', changed) }}</span>
  <FaultNotice v-if="fault" class="fault" :error="fault" @retry="share" />
</template>

<style scoped>
select {
  width: auto;
}
.fault {
  flex-basis: 100%;
}
</style>
