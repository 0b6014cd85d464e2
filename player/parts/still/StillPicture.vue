<script setup lang="ts">
// The picture of a still with its pins. It is made larger in steps and moved by scrolling, as any large thing is.
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import type { StillPart } from '@fernbrake/core/lesson'
import LoadedPicture from '../../ui/LoadedPicture.vue'
import PinMark from './PinMark.vue'

const props = defineProps<{
  still: StillPart
  address: string
  openId: string | null
  seen?: ReadonlySet<string>
}>()
const emit = defineEmits<{
  pick: [pinId: string]
  /** For whoever places pins: a press on the picture or on one of its pins, and where. */
  press: [event: PointerEvent, pinId: string | null]
}>()
const { t, n } = useI18n()
const STEPS = [1, 1.5, 2, 3, 4]
const step = ref(0)
const zoom = computed(() => STEPS[step.value]!)
const pins = computed(() => inOrder(Object.values(props.still.pins)))
const room = useTemplateRef('room')
const plane = useTemplateRef('plane')

/** The middle of what is seen stays in the middle. */
function zoomTo(next: number): void {
  const box = room.value
  if (!box || next < 0 || next >= STEPS.length) return
  const x = (box.scrollLeft + box.clientWidth / 2) / box.scrollWidth
  const y = (box.scrollTop + box.clientHeight / 2) / box.scrollHeight
  step.value = next
  requestAnimationFrame(() => {
    box.scrollLeft = x * box.scrollWidth - box.clientWidth / 2
    box.scrollTop = y * box.scrollHeight - box.clientHeight / 2
  })
}
/** Where on the picture a pointer is, 0 to 1 in both directions. */
function pointAt(event: PointerEvent): { x: number; y: number } {
  const box = plane.value!.getBoundingClientRect()
  const share = (at: number, from: number, length: number) =>
    Math.min(1, Math.max(0, (at - from) / length))
  return {
    x: share(event.clientX, box.left, box.width),
    y: share(event.clientY, box.top, box.height),
  }
}
defineExpose({ pointAt })
</script>

<template>
  <div class="still-picture">
    <div ref="room" class="room" :class="{ zoomed: step > 0 }">
      <div ref="plane" class="plane" :style="{ width: `${zoom * 100}%` }">
        <LoadedPicture
          :src="address"
          :alt="still.alternative"
          @press="emit('press', $event, null)"
        />
        <button
          v-for="(pin, index) in pins"
          :key="pin.id"
          type="button"
          class="pin"
          :style="{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }"
          :data-pin="pin.id"
          :aria-label="pin.name || t('player.part.pin', { number: index + 1 })"
          :aria-expanded="pin.id === openId"
          @pointerdown="emit('press', $event, pin.id)"
          @click="emit('pick', pin.id)"
        >
          <PinMark :pin="pin" :number="index + 1" :seen="seen?.has(pin.id) ?? false" />
        </button>
      </div>
    </div>
    <div class="zoom" role="group" :aria-label="t('player.part.size')">
      <button
        class="fb-button plain"
        type="button"
        :disabled="step === 0"
        :aria-label="t('player.part.smaller')"
        @click="zoomTo(step - 1)"
      >
        −
      </button>
      <span class="mono">{{ n(zoom, { style: 'percent' }) }}</span>
      <button
        class="fb-button plain"
        type="button"
        :disabled="step === STEPS.length - 1"
        :aria-label="t('player.part.larger')"
        @click="zoomTo(step + 1)"
      >
        +
      </button>
    </div>
  </div>
</template>

<style scoped>
.still-picture {
  display: grid;
  gap: 6px;
}
.room {
  overflow: auto;
  max-height: 74vh;
  border: 1px solid var(--line);
  background: var(--sunk);
}
.room.zoomed {
  overscroll-behavior: contain;
}
.plane {
  position: relative;
}
.plane :deep(img) {
  display: block;
  width: 100%;
  height: auto;
}
.pin {
  position: absolute;
  width: 44px;
  height: 44px;
  margin: -22px 0 0 -22px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
  touch-action: manipulation;
}
.pin:focus-visible {
  outline: 3px solid var(--focus);
  outline-offset: -2px;
  background: #fffdf8cc;
  border-radius: var(--radius);
}
.zoom {
  display: flex;
  align-items: center;
  justify-content: end;
  gap: 4px;
}
.zoom .fb-button {
  min-width: 44px;
  min-height: 36px;
  padding: 0;
  font-size: 19px;
  text-decoration: none;
}
.mono {
  min-width: 4em;
  font-family: var(--mono);
  font-size: 13.5px;
  text-align: center;
}
</style>
