<script setup lang="ts">
// A time that can be typed: 2:07, 127.4, 00:02:07:11, +5. Shown as timecode; takes effect on Enter or on leaving.
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { readTypedTime, timecodeOf } from '@fernbrake/core/media'
import { usePlayhead, useRights } from './useBench.ts'

const props = defineProps<{
  label: string
  ms: number
  hideLabel?: boolean
  /** The latest that it may be; the film's end where nothing is said. */
  mostMs?: number
  /** What it has to come after. */
  afterMs?: number
}>()
const emit = defineEmits<{ change: [ms: number] }>()
const { t } = useI18n()
const playhead = usePlayhead()
const rights = useRights()
const id = useId()
const shown = () => timecodeOf(props.ms, playhead.frameRate.value)
const typed = ref(shown())
const wrong = ref('')
watch(
  () => props.ms,
  () => ((typed.value = shown()), (wrong.value = '')),
)

/** Why a time cannot be; '' where it can. */
function whyNot(ms: number | null): string {
  const time = (at: number) => timecodeOf(at, playhead.frameRate.value)
  const mostMs = props.mostMs ?? playhead.durationMs.value
  if (ms === null) return t('time.unread')
  if (props.afterMs !== undefined && ms <= props.afterMs)
    return t('time.tooEarly', { time: time(props.afterMs) })
  if (ms > mostMs) return t('time.tooLate', { time: time(mostMs) })
  return ''
}

function accept(): void {
  if (typed.value === shown()) {
    wrong.value = ''
    return
  }
  const ms = readTypedTime(typed.value, playhead.frameRate.value, props.ms)
  wrong.value = whyNot(ms)
  if (ms === null || wrong.value) return
  emit('change', ms)
  typed.value = shown()
}
/** Whoever gives up gets back what stood there; another press leaves the sheet. */
function giveUp(event: Event): void {
  if (typed.value === shown()) return
  event.stopPropagation()
  typed.value = shown()
  wrong.value = ''
}
</script>

<template>
  <div class="field">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <InputText
      :id="id"
      v-model="typed"
      class="mono"
      size="small"
      :invalid="wrong !== ''"
      :aria-describedby="wrong ? `${id}-wrong` : undefined"
      :disabled="!rights.canEdit.value"
      @keydown.enter.prevent="accept"
      @keydown.esc="giveUp"
      @blur="accept"
    />
    <p v-if="wrong" :id="`${id}-wrong`" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--rust);
  font-size: 13.5px;
}
</style>
