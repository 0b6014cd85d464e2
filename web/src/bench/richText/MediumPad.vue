<script setup lang="ts">
// Putting a picture, a sound or a stretch of the film into a text.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import type { Block } from '@fernbrake/core/fields'
import TakeMedia from '../../shelf/TakeMedia.vue'
import TimeField from '../TimeField.vue'
import { useBench } from '../useBench.ts'
import PadFrame from './PadFrame.vue'

type Medium = Extract<Block, { block: 'picture' | 'sound' | 'stretch' }>
const props = defineProps<{ kind: Medium['block'] }>()
const emit = defineEmits<{ done: [block: Medium]; close: [] }>()
const bench = useBench()
const { t } = useI18n()

/** As long as one sentence or two. */
const USUAL_STRETCH_MS = 8000
const fromMs = ref(Math.max(0, bench.mediaMs.value - USUAL_STRETCH_MS))
const toMs = ref(Math.max(bench.mediaMs.value, Math.min(USUAL_STRETCH_MS, bench.durationMs.value)))
const canStretch = computed(() => fromMs.value < toMs.value && bench.part.value !== undefined)

function take({ id: mediaId, title, alternative }: Media): void {
  if (props.kind === 'picture') emit('done', { block: 'picture', mediaId, alternative })
  else emit('done', { block: 'sound', mediaId, title })
}
function putStretch(): void {
  const partId = bench.part.value?.id
  if (partId) emit('done', { block: 'stretch', partId, fromMs: fromMs.value, toMs: toMs.value })
}
</script>

<template>
  <PadFrame
    :title="t(`rich.${kind}`)"
    :done="kind === 'stretch' ? t('rich.putIn') : null"
    :disabled="!canStretch"
    @done="putStretch"
    @close="emit('close')"
  >
    <div v-if="kind === 'stretch'" class="pair">
      <TimeField :label="t('sheet.from')" :ms="fromMs" @change="fromMs = $event" />
      <TimeField :label="t('sheet.to')" :ms="toMs" @change="toMs = $event" />
    </div>
    <TakeMedia v-else :kind="kind" from-shelf @taken="take" />
  </PadFrame>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
</style>
