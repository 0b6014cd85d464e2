<script setup lang="ts">
// Says of several lessons at once who may learn them.
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { SEEN_BY, type SeenBy } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'

const chosen = defineModel<string[] | null>('chosen', { required: true })
const emit = defineEmits<{ shared: [] }>()
const { t } = useI18n()
const seenBy = ref<SeenBy>('link')
const choices = computed(() => SEEN_BY.map((value) => ({ value, label: t(`sharing.by.${value}`) })))
const changed = ref<number | null>(null)
const fault = shallowRef<unknown>(null)
const busy = ref(false)

function toggle(): void {
  changed.value = null
  chosen.value = chosen.value === null ? [] : null
}
async function share(): Promise<void> {
  busy.value = true
  fault.value = null
  changed.value = null
  try {
    const lessonIds = chosen.value ?? []
    const reply = await call('shareSeveral', { body: { lessonIds, seenBy: seenBy.value } })
    changed.value = reply.changed
    emit('shared')
  } catch (caught) {
    fault.value = caught
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="several">
    <Button
      :label="t(chosen === null ? 'sharing.choose' : 'sharing.chooseDone')"
      size="small"
      severity="secondary"
      variant="text"
      @click="toggle"
    />
    <template v-if="chosen !== null">
      <span>{{ t('sharing.chosen', chosen.length) }}</span>
      <Select
        v-model="seenBy"
        :options="choices"
        option-label="label"
        option-value="value"
        size="small"
        :aria-label="t('sharing.setSeveral')"
      />
      <Button
        :label="t('sharing.shareThem')"
        size="small"
        :disabled="chosen.length === 0 || busy"
        @click="share"
      />
      <span v-if="changed !== null" role="status">{{ t('sharing.severalKept', changed) }}</span>
    </template>
  </div>
  <FaultNotice v-if="fault" :error="fault" @retry="share" />
</template>

<style scoped>
.several {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  min-height: 36px;
  margin-block: -12px 12px;
  margin-inline: -10px 0;
}
</style>
