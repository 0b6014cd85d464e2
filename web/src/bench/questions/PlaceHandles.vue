<script setup lang="ts">
// What a place on a picture is moved and reshaped by: itself, the corners of its box, or the corners of its outline.
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { shapeBox, withBox, type AreaShape } from '@fernbrake/core/questions'
import { followPointer } from '@fernbrake/player'
import CornerHandles from '../../ui/CornerHandles.vue'
import { nudgeOf } from '../../ui/nudge.ts'

const props = defineProps<{ shape: AreaShape; name: string; selected: boolean; movable: boolean }>()
const emit = defineEmits<{ select: []; change: [shape: AreaShape] }>()
const { t } = useI18n()
const handle = useTemplateRef('handle')
const box = computed(() => shapeBox(props.shape))
type Grip = 'whole' | 'nw' | 'ne' | 'sw' | 'se' | number

function down(event: PointerEvent, grip: Grip): void {
  emit('select')
  if (!props.movable || event.button !== 0) return
  const { shape } = props
  const move = (to: PointerEvent) => {
    const room = handle.value?.parentElement?.getBoundingClientRect()
    if (!room) return
    const dx = (to.clientX - event.clientX) / room.width
    const dy = (to.clientY - event.clientY) / room.height
    emit('change', changed(shape, grip, dx, dy))
  }
  followPointer(event, { move, end: () => undefined })
}

/** The shape after its grip was drawn so far. */
function changed(shape: AreaShape, grip: Grip, dx: number, dy: number): AreaShape {
  if (typeof grip === 'number' && shape.shape === 'polygon') {
    const within = (value: number) => Math.min(1, Math.max(0, value))
    const points = shape.points.map((point, index) =>
      index === grip ? { x: within(point.x + dx), y: within(point.y + dy) } : point,
    )
    return { shape: 'polygon', points }
  }
  const { x, y, width, height } = shapeBox(shape)
  if (grip === 'whole') return withBox(shape, { x: x + dx, y: y + dy, width, height })
  const [west, north] = [grip === 'nw' || grip === 'sw', grip === 'nw' || grip === 'ne']
  return withBox(shape, {
    x: west ? x + dx : x,
    y: north ? y + dy : y,
    width: width + (west ? -dx : dx),
    height: height + (north ? -dy : dy),
  })
}

function onKey(event: KeyboardEvent): void {
  const nudge = nudgeOf(event.key)
  if (!nudge || !props.movable) return
  event.preventDefault()
  event.stopPropagation()
  emit('change', changed(props.shape, event.shiftKey ? 'se' : 'whole', ...nudge))
}
const style = computed(() => ({
  left: `${box.value.x * 100}%`,
  top: `${box.value.y * 100}%`,
  width: `${box.value.width * 100}%`,
  height: `${box.value.height * 100}%`,
}))
</script>

<template>
  <div
    ref="handle"
    class="place"
    :class="{ selected }"
    :style="style"
    role="button"
    tabindex="0"
    :aria-pressed="selected"
    :aria-label="t('ask.placeHandle', { name })"
    @focus="emit('select')"
    @keydown="onKey"
    @pointerdown="down($event, 'whole')"
  >
    <CornerHandles v-if="selected && movable && shape.shape !== 'polygon'" @down="down" />
  </div>
  <template v-if="selected && movable && shape.shape === 'polygon'">
    <span
      v-for="(point, index) in shape.points"
      :key="index"
      class="vertex"
      :style="{ left: `${point.x * 100}%`, top: `${point.y * 100}%` }"
      @pointerdown.stop="down($event, index)"
    />
  </template>
</template>

<style scoped>
.place {
  position: absolute;
  cursor: move;
  touch-action: none;
}
.place.selected {
  outline: 1px dashed #0f1713;
}
.place:focus-visible {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}
.vertex {
  position: absolute;
  width: 14px;
  height: 14px;
  margin: -7px 0 0 -7px;
  border: 2px solid #0f1713;
  background: #f3ecd8;
  cursor: crosshair;
  touch-action: none;
}
.vertex::after {
  content: '';
  position: absolute;
  inset: -7px;
}
</style>
