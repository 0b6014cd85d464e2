<script setup lang="ts">
// What is still being prepared of the film while work has begun already, and what failed.
import Button from 'primevue/button'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import { usePlayhead, useRights } from './useBench.ts'

const playhead = usePlayhead()
const rights = useRights()
const { t, n } = useI18n()
const jobs = computed(() => playhead.media.value?.jobs ?? [])
const underWay = computed(() =>
  jobs.value
    .filter(({ state }) => state === 'running' || state === 'waiting')
    .map(({ kind, progress }) => ({
      kind,
      share: n(progress, { style: 'percent', maximumFractionDigits: 0 }),
    })),
)
const failed = computed(() => jobs.value.filter(({ state }) => state === 'failed'))

async function again(): Promise<void> {
  const mediaId = playhead.media.value?.id
  if (mediaId) playhead.media.value = await call('prepareAgain', { params: { mediaId } })
}
</script>

<template>
  <p v-if="underWay.length > 0" class="note" role="status">
    {{ t('bench.beingPrepared') }}
    <span v-for="{ kind, share } in underWay" :key="kind" class="step"
      >{{ t(`bench.step.${kind}`) }} <span class="mono">{{ share }}</span></span
    >
  </p>
  <p v-else-if="playhead.media.value?.hosted" class="note">{{ t('bench.hostedNote') }}</p>
  <p v-else-if="failed.length > 0" class="note">
    {{ t('bench.stepFailed', { step: t(`bench.step.${failed[0]!.kind}`) }) }}
    <Button
      v-if="rights.canEdit.value"
      :label="t('intake.again')"
      severity="secondary"
      variant="text"
      size="small"
      @click="again"
    />
  </p>
</template>

<style scoped>
.note {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  padding-inline-end: 16px;
  font-size: 12.5px;
  color: var(--ink-2);
}
.step {
  white-space: nowrap;
}
</style>
