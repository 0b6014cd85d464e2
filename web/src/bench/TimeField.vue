<script setup lang="ts">
// A time that can be typed: 2:07, 127.4, 00:02:07:11, +5. Shown as timecode; takes effect on Enter or on leaving.
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'
import { readTypedTime, timecodeOf } from '@fernbrake/core/media'
import { usePlayhead, useRights } from './useBench.ts'

const props = defineProps<{ label: string; ms: number; hideLabel?: boolean; mostMs?: number }>()
const emit = defineEmits<{ change: [ms: number] }>()
const playhead = usePlayhead()
const rights = useRights()
const id = useId()
const shown = () => timecodeOf(props.ms, playhead.frameRate.value)
const typed = ref(shown())
const wrong = ref(false)
watch(
  () => props.ms,
  () => (typed.value = shown()),
)

function accept(): void {
  if (typed.value === shown()) return
  const ms = readTypedTime(typed.value, playhead.frameRate.value, props.ms)
  wrong.value = ms === null
  if (ms === null) return
  emit('change', Math.min(ms, props.mostMs ?? playhead.durationMs.value))
  typed.value = shown()
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
      :invalid="wrong"
      :disabled="!rights.canEdit.value"
      @keydown.enter.prevent="accept"
      @blur="accept"
    />
  </div>
</template>
