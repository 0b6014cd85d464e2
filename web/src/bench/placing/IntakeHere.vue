<script setup lang="ts">
// Getting a medium for a place in the lesson. It comes there whatever is open by then.
import { computed, onScopeDispose, useTemplateRef, watch } from 'vue'
import type { Media } from '@fernbrake/core/contract'
import type { Intake } from '../../shelf/intake.ts'
import MediaIntake from '../../shelf/MediaIntake.vue'
import { useBench } from '../useBench.ts'
import { keyOf, type Place } from './places.ts'
import { isUnderWay } from './placings.ts'

const props = defineProps<{
  place: Place
  kind: Media['kind']
  /** Several files may be taken at once. */
  several?: boolean
}>()
const { placings } = useBench()
const source = useTemplateRef('source')
const here = computed(() => placings.at(props.place).filter(({ kind }) => kind === props.kind))
const running = computed(() => here.value.filter(isUnderWay))
// What stands here need not be told above as well.
let stopShowing = placings.show(props.place)
watch(
  () => keyOf(props.place),
  () => {
    stopShowing()
    stopShowing = placings.show(props.place)
  },
)
onScopeDispose(() => stopShowing())

/** A new choice takes the place of what went wrong with the last. */
function clear(): void {
  for (const one of here.value) if (one.step === 'failed') placings.dismiss(one.id)
}
const intake: Intake = {
  put(file, name) {
    clear()
    return placings.put(props.place, props.kind, file, name)
  },
  putAll(files) {
    clear()
    return placings.putAll(props.place, props.kind, files)
  },
  fetchFrom(wanted) {
    clear()
    return placings.fetchFrom(props.place, wanted)
  },
  choose: (media) => void placings.choose(props.place, media),
  get going(): Intake['going'] {
    const one = running.value[0]
    if (!one) return null
    const { step, share } = one
    if (step === 'sending' || step === 'fetching') return { step, share }
    return { step: 'preparing', share }
  },
  get left() {
    return Math.max(0, running.value.length - 1)
  },
  get fault() {
    return here.value.find(({ step }) => step === 'failed')?.fault ?? null
  },
}
defineExpose({
  take: (file: Blob, name: string) => source.value?.take(file, name) ?? Promise.resolve(false),
  takeFrom: (data: DataTransfer | null) => source.value?.takeFrom(data) ?? false,
})
</script>

<template>
  <MediaIntake ref="source" :kind="kind" :several="several" :intake="intake">
    <slot />
  </MediaIntake>
</template>
