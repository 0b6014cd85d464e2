<script setup lang="ts">
// Putting a picture, a sound or a stretch of the film into a text.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import type { Block } from '@fernbrake/core/fields'
import TakeMedia from '../../shelf/TakeMedia.vue'
import TimeField from '../TimeField.vue'
import { useBench } from '../useBench.ts'

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
  <fieldset class="pad" @keydown.escape.stop.prevent="emit('close')">
    <legend>{{ t(`rich.${kind}`) }}</legend>
    <template v-if="kind === 'stretch'">
      <div class="pair">
        <TimeField :label="t('sheet.from')" :ms="fromMs" @change="fromMs = $event" />
        <TimeField :label="t('sheet.to')" :ms="toMs" @change="toMs = $event" />
      </div>
      <div class="buttons">
        <Button :label="t('rich.putIn')" size="small" :disabled="!canStretch" @click="putStretch" />
        <Button
          :label="t('rich.cancel')"
          size="small"
          severity="secondary"
          variant="text"
          @click="emit('close')"
        />
      </div>
    </template>
    <template v-else>
      <TakeMedia :kind="kind" from-shelf @taken="take" />
      <Button
        :label="t('rich.cancel')"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('close')"
      />
    </template>
  </fieldset>
</template>

<style scoped>
.pad {
  display: grid;
  gap: 6px;
  margin: 0 0 10px;
  padding: 10px 14px 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
.buttons {
  display: flex;
  gap: 4px;
}
</style>
