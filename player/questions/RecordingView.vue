<script setup lang="ts">
// One's own voice or camera as an answer: recorded, heard again, made anew. Kept second by second while it is made.
import {
  computed,
  inject,
  nextTick,
  onScopeDispose,
  ref,
  useTemplateRef,
  watch,
  watchEffect,
} from 'vue'
import { useI18n } from 'vue-i18n'
import { clockTime } from '@fernbrake/core/media'
import type { RecordingAnswer, RecordingQuestion } from '@fernbrake/core/questions'
import type { HandedFileState } from '../hosts/Host.ts'
import { useDevices } from '../recording/useDevices.ts'
import { useRecorder } from '../recording/useRecorder.ts'
import AnswerFields from './AnswerFields.vue'
import { FILES, type AnswerViewProps } from './answerView.ts'

const props = defineProps<AnswerViewProps<RecordingQuestion>>()
const answer = defineModel<RecordingAnswer | null>({ required: true })
const { t, n } = useI18n()
const handed = inject(FILES)!
const isVoice = computed(() => props.question.of === 'voice')
const devices = useDevices()
const recorder = useRecorder(isVoice.value ? 'sound' : 'film', `${props.seed} ${props.question.id}`)
const { state, lengthMs, loudness, recorded, left } = recorder
const picture = useTemplateRef<HTMLVideoElement>('picture')
const stopButton = useTemplateRef<HTMLButtonElement>('stopButton')
const sending = ref<HandedFileState | null>(
  answer.value ? handed.state(answer.value.file.id) : null,
)
const failed = ref<string | null>(null)
const mostMs = computed(() => props.question.mostSeconds * 1000)
const address = computed(() =>
  answer.value ? handed.address(answer.value.file.id) : (recorded.value?.url ?? null),
)
const isRunning = computed(() => state.value === 'recording')
const canRecord = computed(() => recorder.type.value !== null)

onScopeDispose(
  handed.onState((file) => {
    if (file.id !== answer.value?.file.id) return
    sending.value = file
    if (file.state !== 'refused') return
    failed.value = file.message ?? ''
    answer.value = null
  }),
)
watchEffect(
  () => {
    if (picture.value) picture.value.srcObject = devices.stream.value
  },
  { flush: 'post' },
)
watch(lengthMs, (ms) => {
  if (isRunning.value && ms >= mostMs.value) recorder.stop()
})
watch(state, async (now) => {
  if (now !== 'done') return
  devices.close()
  await handOver()
})

async function record(): Promise<void> {
  failed.value = null
  // What was recorded before stays until there is something to record with.
  if (!(await devices.open(isVoice.value ? 'microphone' : 'camera'))) return
  await forget()
  recorder.listen(devices.stream.value!)
  await recorder.begin(devices.stream.value!)
  await nextTick()
  stopButton.value?.focus()
}

/** What was recorded goes to the host, which keeps it; the recorder's own copy is let go then. */
async function handOver(): Promise<void> {
  if (!recorded.value) return
  const { id, blob, lengthMs: durationMs } = recorded.value
  const name = `${t(`player.recordingOf.${props.question.of}`)} ${clockTime(durationMs)}`
  sending.value = await handed.put(props.question.id, name, blob)
  const file = { id: sending.value.id, bytes: blob.size }
  answer.value = { kind: 'recording', file, durationMs: Math.max(1, Math.round(durationMs)) }
  await recorder.forget(id)
}

async function forget(): Promise<void> {
  const earlier = answer.value?.file.id
  answer.value = null
  sending.value = null
  if (earlier) await handed.drop(earlier)
  for (const one of left.value) await recorder.forget(one.id)
}

const progress = computed(() => {
  if (!answer.value) return ''
  const { bytes, sentBytes } = sending.value ?? { bytes: 1, sentBytes: 1 }
  const share = n(sentBytes / bytes, { style: 'percent', maximumFractionDigits: 0 })
  return t(`player.fileState.${sending.value?.state ?? 'there'}`, { share })
})
</script>

<template>
  <AnswerFields
    :help="t(`player.record.${question.of}`, { length: clockTime(mostMs) })"
    :answered="answered"
  >
    <p v-if="!canRecord" class="fault" role="alert">{{ t('player.cannotRecord') }}</p>
    <p v-if="devices.fault.value" class="fault" role="alert">
      {{ t(`player.deviceFault.${devices.fault.value}`) }}
    </p>
    <p v-if="failed !== null" class="fault" role="alert">
      {{ t('player.recordingRefused', { reason: failed }) }}
    </p>
    <div v-if="isRunning" class="running">
      <video v-if="!isVoice" ref="picture" autoplay muted playsinline />
      <svg
        v-else
        class="loudness"
        viewBox="0 0 100 8"
        preserveAspectRatio="none"
        aria-hidden="true"
      >
        <rect width="100" height="8" class="ground" />
        <rect :width="loudness * 100" height="8" class="loud" />
      </svg>
      <p class="time mono">{{ clockTime(lengthMs) }} / {{ clockTime(mostMs) }}</p>
      <button ref="stopButton" class="fb-button act" type="button" @click="recorder.stop()">
        {{ t('player.stopRecording') }}
      </button>
    </div>
    <template v-else>
      <template v-if="address">
        <audio v-if="isVoice" :src="address" controls :aria-label="t('player.yourRecording')" />
        <video v-else :src="address" controls playsinline :aria-label="t('player.yourRecording')" />
        <p class="state" role="status">
          <template v-if="answer">{{ clockTime(answer.durationMs) }} · {{ progress }}</template>
        </p>
      </template>
      <button
        v-if="!answered && !answer && left[0]"
        class="fb-button act"
        type="button"
        @click="recorder.takeUp(left[0])"
      >
        {{ t('player.takeUpRecording', { length: clockTime(left[0].lengthMs) }) }}
      </button>
      <button
        v-if="!answered && canRecord"
        class="fb-button"
        type="button"
        :disabled="devices.asking.value"
        @click="record"
      >
        {{ t(answer || left[0] ? 'player.recordAnew' : 'player.startRecording') }}
      </button>
    </template>
  </AnswerFields>
</template>

<style scoped>
video {
  display: block;
  width: 100%;
  max-height: 320px;
  background: var(--sunk);
}
audio {
  display: block;
  width: 100%;
}
.running {
  display: grid;
  gap: 10px;
}
.loudness {
  width: 100%;
  height: 12px;
}
.ground {
  fill: var(--sunk);
}
.loud {
  fill: var(--rust);
}
.time {
  font-family: var(--mono);
}
.state {
  min-height: 1.5em;
  margin: 6px 0;
  color: var(--ink-2);
  font-size: 13.5px;
}
.fault {
  margin-bottom: 10px;
  padding: 10px 14px;
  border-inline-start: 3px solid var(--straw);
  background: var(--straw-soft);
}
.fb-button + .fb-button {
  margin-inline-start: 10px;
}
</style>
