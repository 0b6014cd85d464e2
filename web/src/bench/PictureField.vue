<script setup lang="ts">
// Which picture an overlay shows, and how it sits in its frame.
import Button from 'primevue/button'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import type { OverlayForm } from '@fernbrake/core/lesson'
import { timecodeOf } from '@fernbrake/core/media'
import PictureCutter from '../shelf/PictureCutter.vue'
import IntakeHere from './placing/IntakeHere.vue'
import FitField from './FitField.vue'
import { usePlayhead, useRights, useBench } from './useBench.ts'

const props = defineProps<{ cueId: string; content: Extract<OverlayForm, { form: 'picture' }> }>()
const emit = defineEmits<{ change: [content: OverlayForm] }>()
const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const { t } = useI18n()
const source = useTemplateRef('source')
const cutting = ref(false)

const place = computed(() => ({ at: 'overlay', cueId: props.cueId }) as const)

/** A cut is being made; it comes here whatever is open by then. */
function awaitCut(mediaId: string): void {
  cutting.value = false
  void bench.placings.await(place.value, { mediaId, kind: 'picture', name: t('picture.cutName') })
}
function onPaste(event: ClipboardEvent): void {
  if (source.value?.takeFrom(event.clipboardData)) event.preventDefault()
}

/** The frame that the stage shows, in the film's own size. */
function captureFrame(): void {
  const video = playhead.video.value
  if (!video || video.videoWidth === 0) return
  const canvas = document.createElement('canvas')
  canvas.width = video.videoWidth
  canvas.height = video.videoHeight
  canvas.getContext('2d')!.drawImage(video, 0, 0)
  const at = timecodeOf(playhead.mediaMs.value, playhead.frameRate.value)
  const name = t('picture.frameName', { at })
  canvas.toBlob((blob) => blob && void source.value?.take(blob, name), 'image/png')
}
</script>

<template>
  <fieldset
    @paste="onPaste"
    @dragover.prevent
    @drop.prevent="source?.takeFrom($event.dataTransfer)"
  >
    <legend>{{ t('picture.picture') }}</legend>
    <img
      v-if="content.mediaId && !cutting"
      class="shown"
      :src="mediaFileAddress(content.mediaId, 'poster')"
      alt=""
    />
    <PictureCutter
      v-if="content.mediaId && cutting"
      :media-id="content.mediaId"
      @asked="awaitCut"
      @close="cutting = false"
    />
    <template v-if="rights.canEdit.value && !cutting">
      <IntakeHere ref="source" kind="picture" :place="place">
        <Button
          v-if="playhead.video.value"
          :label="t('picture.fromFilm')"
          size="small"
          severity="secondary"
          variant="text"
          @click="captureFrame"
        />
        <Button
          v-if="content.mediaId"
          :label="t('cut.open')"
          size="small"
          severity="secondary"
          variant="text"
          @click="cutting = true"
        />
      </IntakeHere>
      <p class="help">{{ t('picture.help') }}</p>
    </template>
    <FitField :fit="content.fit" @change="emit('change', { ...content, fit: $event })" />
  </fieldset>
</template>

<style scoped>
.help {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
