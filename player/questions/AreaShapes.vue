<script setup lang="ts">
// Places and points drawn over a picture, in coordinates from 0 to 1.
import type { AreaPlace, AreaPoint } from '@fernbrake/core/questions'

defineProps<{
  places: readonly Pick<AreaPlace, 'id' | 'shape' | 'right'>[]
  points?: readonly AreaPoint[]
  cross?: AreaPoint | null
  selectedId?: string | null
}>()
const corners = (points: readonly AreaPoint[]) =>
  points.map(({ x, y }) => `${x * 100},${y * 100}`).join(' ')
</script>

<template>
  <div class="over">
    <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
      <g
        v-for="{ id, shape, right } in places"
        :key="id"
        class="place"
        :class="{ right, selected: id === selectedId }"
      >
        <rect
          v-if="shape.shape === 'rectangle'"
          :x="shape.x * 100"
          :y="shape.y * 100"
          :width="shape.width * 100"
          :height="shape.height * 100"
        />
        <ellipse
          v-else-if="shape.shape === 'ellipse'"
          :cx="(shape.x + shape.width / 2) * 100"
          :cy="(shape.y + shape.height / 2) * 100"
          :rx="shape.width * 50"
          :ry="shape.height * 50"
        />
        <polygon v-else :points="corners(shape.points)" />
      </g>
    </svg>
    <span
      v-for="(point, index) in points ?? []"
      :key="index"
      class="point"
      :style="{ left: `${point.x * 100}%`, top: `${point.y * 100}%` }"
    />
    <span
      v-if="cross"
      class="point cross"
      :style="{ left: `${cross.x * 100}%`, top: `${cross.y * 100}%` }"
    />
  </div>
</template>

<style scoped>
.over {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
svg {
  width: 100%;
  height: 100%;
}
.place > * {
  fill: rgb(165 70 29 / 0.2);
  stroke: #fffdf8;
  stroke-width: 3;
  stroke-dasharray: 6 4;
  vector-effect: non-scaling-stroke;
}
.place.right > * {
  fill: rgb(36 96 63 / 0.3);
  stroke-dasharray: none;
}
.place.selected > * {
  stroke: #17231c;
}
.point {
  position: absolute;
  width: 22px;
  height: 22px;
  margin: -11px 0 0 -11px;
  border: 3px solid #fffdf8;
  border-radius: 50%;
  background: radial-gradient(circle, #17231c 0 4px, transparent 5px);
  outline: 2px solid #17231c;
}
.cross {
  border-style: dashed;
}
</style>
