<script setup lang="ts">
// Recording a film or a voice in place: choose, see and hear oneself, record, listen, use.
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed, ref, useTemplateRef, watch, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import { useSession } from '../stores/session.ts'
import { writeDayAndTime } from '../ui/dates.ts'
import SoundPlayer from '../ui/SoundPlayer.vue'
import { useDevices, type Source } from '@fernbrake/player'
import { useRecorder } from '@fernbrake/player'

const props = defineProps<{
  takes: 'film' | 'sound'
  /** Takes the recording over; true once it is safe, so that this device need not keep it any longer. */
  use: (file: File) => Promise<boolean>
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const session = useSession()
const devices = useDevices()
const recorder = useRecorder(props.takes, session.person?.id ?? '')
const { state, lengthMs, loudness, recorded, left, type } = recorder
const picture = useTemplateRef<HTMLVideoElement>('picture')
const sources = computed<Source[]>(() =>
  props.takes === 'sound' ? ['microphone'] : ['camera', 'screen'],
)
const source = ref<Source | null>(null)
const withVoice = ref(true)
const using = ref(false)
const failed = ref(false)
const canRecord = computed(() => type.value !== null)
const isRunning = computed(() => state.value === 'recording' || state.value === 'paused')
const isSilent = ref(false)

async function choose(wanted: Source): Promise<void> {
  source.value = wanted
  if (await devices.open(wanted, { voice: withVoice.value })) recorder.listen(devices.stream.value!)
}
async function again(): Promise<void> {
  await recorder.forget()
  if (source.value) await choose(source.value)
}
watchEffect(
  () => {
    if (picture.value) picture.value.srcObject = devices.stream.value
  },
  { flush: 'post' },
)
watch(state, (now) => {
  if (now === 'done') devices.close()
})
// Two seconds without a sound, and it is said.
let heardAtMs = 0
watch([loudness, lengthMs], ([loud, ms]) => {
  if (loud > 0.02 || ms < heardAtMs) heardAtMs = ms
  const hasSound = (devices.stream.value?.getAudioTracks().length ?? 0) > 0
  isSilent.value = state.value === 'recording' && hasSound && ms - heardAtMs > 2000
})

async function handOver(): Promise<void> {
  if (!recorded.value) return
  const { id, blob } = recorded.value
  const name = t(`recording.name.${props.takes}`, { when: writeDayAndTime(new Date()) })
  using.value = true
  failed.value = false
  const isSafe = await props.use(new File([blob], name, { type: blob.type })).catch(() => false)
  using.value = false
  failed.value = !isSafe
  if (!isSafe) return
  await recorder.forget(id)
  emit('close')
}
</script>

<template>
  <section class="recorder paper" :aria-label="t(`recording.title.${takes}`)">
    <h3>{{ t(`recording.title.${takes}`) }}</h3>
    <p v-if="!canRecord" class="notice">{{ t('recording.fault.unsupported') }}</p>
    <template v-else>
      <div v-for="one in state === 'idle' ? left : []" :key="one.id" class="notice straw left">
        <p>
          {{
            t('recording.left', {
              when: writeDayAndTime(new Date(one.beganAt)),
              length: clockTime(one.lengthMs),
            })
          }}
        </p>
        <Button
          :label="t('recording.takeUp')"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="recorder.takeUp(one)"
        />
        <Button
          :label="t('recording.drop')"
          size="small"
          severity="secondary"
          variant="text"
          @click="recorder.forget(one.id)"
        />
      </div>
      <template v-if="state === 'idle'">
        <label v-if="takes === 'film'" class="check">
          <Checkbox v-model="withVoice" binary />
          {{ t('recording.withVoice') }}
        </label>
        <div class="buttons">
          <Button
            v-for="one in sources"
            :key="one"
            :label="t(`recording.from.${one}`)"
            :aria-pressed="devices.stream.value !== null && source === one"
            size="small"
            :severity="source === one ? undefined : 'secondary'"
            :variant="source === one ? undefined : 'outlined'"
            :loading="devices.asking.value && source === one"
            @click="choose(one)"
          />
        </div>
        <p v-if="devices.asking.value" role="status">{{ t('recording.asking') }}</p>
      </template>
      <p v-if="devices.fault.value" class="notice" role="alert">
        {{ t(`recording.fault.${devices.fault.value}`) }}
      </p>
      <template v-if="devices.stream.value && state !== 'done'">
        <video
          v-if="takes === 'film'"
          ref="picture"
          :class="{ mirrored: source === 'camera' }"
          :aria-label="t('recording.seen')"
          autoplay
          muted
          playsinline
        />
        <div
          class="loud"
          role="meter"
          :aria-label="t('recording.loudness')"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-valuenow="Math.round(loudness * 100)"
        >
          <i :style="{ transform: `scaleX(${Math.min(1, loudness * 1.4)})` }" />
        </div>
        <p class="time" :class="state">
          <b class="mono">{{ clockTime(lengthMs) }}</b>
          {{ t(`recording.state.${state}`) }}
        </p>
        <p v-if="isSilent" class="notice straw" role="status">{{ t('recording.silent') }}</p>
        <div class="buttons">
          <Button
            v-if="state === 'idle'"
            :label="t('recording.begin')"
            size="small"
            data-test="record"
            @click="recorder.begin(devices.stream.value!)"
          />
          <template v-if="isRunning">
            <Button :label="t('recording.stop')" size="small" @click="recorder.stop" />
            <Button
              :label="state === 'paused' ? t('recording.goOn') : t('recording.pause')"
              size="small"
              severity="secondary"
              variant="outlined"
              @click="state === 'paused' ? recorder.goOn() : recorder.pause()"
            />
          </template>
        </div>
      </template>
      <template v-if="recorded">
        <video
          v-if="takes === 'film'"
          :src="recorded.url"
          :aria-label="t('recording.made')"
          controls
          playsinline
        />
        <SoundPlayer v-else :src="recorded.url" :name="t('recording.made')" :length-ms="lengthMs" />
        <p v-if="failed" class="notice" role="alert">{{ t('recording.notTaken') }}</p>
        <div class="buttons">
          <Button :label="t('recording.use')" size="small" :loading="using" @click="handOver" />
          <Button
            :label="t('recording.again')"
            size="small"
            severity="secondary"
            variant="outlined"
            :disabled="using"
            @click="again"
          />
        </div>
      </template>
    </template>
    <Button
      class="close"
      :label="t('sheet.close')"
      size="small"
      severity="secondary"
      variant="text"
      :disabled="using || isRunning"
      @click="emit('close')"
    />
  </section>
</template>

<style scoped>
.recorder {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 14px 16px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
}
h3 {
  font-family: var(--reading);
  font-size: 17px;
}
.buttons,
.left,
.check {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.left {
  width: 100%;
}
video {
  width: 100%;
  max-height: 300px;
  background: #0f1713;
}
.mirrored {
  transform: scaleX(-1);
}
.loud {
  width: 100%;
  height: 8px;
  background: var(--sunk);
  overflow: hidden;
}
.loud i {
  display: block;
  height: 100%;
  background: var(--fern);
  transform-origin: left;
}
.time b {
  font-size: 17px;
}
.time.recording b::before {
  content: '';
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-inline-end: 8px;
  border-radius: 50%;
  background: var(--rust);
}
.close {
  justify-self: end;
}
</style>
