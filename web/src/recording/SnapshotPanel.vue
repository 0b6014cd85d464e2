<script setup lang="ts">
// Taking a picture with the camera.
import Button from 'primevue/button'
import { onMounted, ref, useTemplateRef, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { writeDayAndTime } from '../ui/dates.ts'
import { useDevices } from '@fernbrake/player'

const emit = defineEmits<{ taken: [picture: File]; close: [] }>()
const { t } = useI18n()
const { stream, asking, fault, open } = useDevices()
const picture = useTemplateRef<HTMLVideoElement>('picture')
const isSeen = ref(false)
const look = () => open('camera', { sound: false })
onMounted(look)
watchEffect(
  () => {
    if (picture.value) picture.value.srcObject = stream.value
  },
  { flush: 'post' },
)

function capture(): void {
  const video = picture.value
  if (!video || video.videoWidth === 0) return
  const canvas = document.createElement('canvas')
  canvas.width = video.videoWidth
  canvas.height = video.videoHeight
  canvas.getContext('2d')!.drawImage(video, 0, 0)
  const name = t('recording.name.picture', { when: writeDayAndTime(new Date()) })
  canvas.toBlob((blob) => blob && emit('taken', new File([blob], name, { type: blob.type })))
}
</script>

<template>
  <section class="snapshot" :aria-label="t('recording.title.picture')">
    <p v-if="asking" role="status">{{ t('recording.asking') }}</p>
    <p v-if="fault" class="notice" role="alert">{{ t(`recording.fault.${fault}`) }}</p>
    <video
      v-if="stream"
      ref="picture"
      :aria-label="t('recording.seen')"
      autoplay
      muted
      playsinline
      @playing="isSeen = true"
    />
    <div>
      <Button
        v-if="stream"
        :label="t('recording.takePicture')"
        size="small"
        :disabled="!isSeen"
        @click="capture"
      />
      <Button v-if="fault" :label="t('app.retry')" size="small" @click="look" />
      <Button
        :label="t('sheet.close')"
        size="small"
        severity="secondary"
        variant="text"
        @click="emit('close')"
      />
    </div>
  </section>
</template>

<style scoped>
.snapshot {
  display: grid;
  gap: 8px;
}
.snapshot div {
  display: flex;
  gap: 8px;
}
video {
  width: 100%;
  max-height: 300px;
  background: #0f1713;
}
</style>
