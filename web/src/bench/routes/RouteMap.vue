<script setup lang="ts">
// The map of a lesson: its parts, its end, and the ways between them. A way is drawn by pulling a line from the foot of
// one part to another; whatever is pressed opens its sheet.
import '@vue-flow/core/dist/style.css'
import { useVueFlow, VueFlow, type Node } from '@vue-flow/core'
import { computed, nextTick, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import Button from 'primevue/button'
import { END, graphOf, type Way } from '@fernbrake/core/routes'
import type { Part } from '@fernbrake/core/lesson'
import { useRights, useBench } from '../useBench.ts'
import { isInColumns, layOut, NODE } from './layout.ts'
import RouteLines from './RouteLines.vue'
import { usePull } from './usePull.ts'

defineProps<{
  picked: { partId?: string; wayId?: string }
  /** Parts that something is wrong or doubtful about. */
  doubtful: ReadonlySet<string>
}>()
const emit = defineEmits<{
  part: [partId: string]
  way: [way: Way]
  drawn: [fromId: string, toId: string]
}>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const flow = useVueFlow('routes')
const graph = computed(() => graphOf(bench.lesson.value))

/** Long words would need too much room; all of them stand on the sheet. */
const LONGEST_LABEL = 26
const cut = (words: string) =>
  words.length > LONGEST_LABEL ? `${words.slice(0, LONGEST_LABEL - 1)}…` : words
const plan = computed(() =>
  layOut(graph.value, END, (way) =>
    cut(way.words || (way.condition ? t(`fork.if.${way.condition.if}`) : '')),
  ),
)

interface Shown {
  part: Part | null
  number: number
}
const nodes = computed((): Node<Shown>[] => {
  const one = (id: string, part: Part | null, number: number): Node<Shown> => ({
    id,
    type: 'part',
    data: { part, number },
    position: plan.value.nodes.get(id)!,
    width: NODE.width,
    height: NODE.height,
    draggable: false,
    focusable: false,
    // Nothing is dragged here, but its button is pressed.
    style: { pointerEvents: 'all' },
  })
  return [
    ...graph.value.parts.map((part, index) => one(part.id, part, index + 1)),
    one(END, null, 0),
  ]
})
/** Parts and ways; a small lesson is not blown up. */
function showAll(): void {
  const { width, height } = flow.dimensions.value
  const { bounds } = plan.value
  const room = {
    width: Math.max(bounds.width, width * 0.86),
    height: Math.max(bounds.height, height * 0.86),
  }
  void flow.fitBounds(
    {
      ...room,
      x: bounds.x - (room.width - bounds.width) / 2,
      y: bounds.y - (room.height - bounds.height) / 2,
    },
    { padding: 0.06 },
  )
}

/** The whole of it is in sight at first, and whenever it takes another room. */
watch(
  () => JSON.stringify(plan.value.bounds),
  () => void nextTick(showAll),
)
flow.onNodesInitialized(showAll)

const { pull, begin } = usePull(
  (screen) => flow.screenToFlowCoordinate(screen),
  (fromId, toId) => emit('drawn', fromId, toId),
)
const pulled = computed(() => {
  if (!pull.value) return ''
  const { from, to } = pull.value
  const bend = Math.max(30, Math.abs(to.y - from.y) / 2)
  return `M ${from.x} ${from.y} C ${from.x} ${from.y + bend}, ${to.x} ${to.y - bend}, ${to.x} ${to.y}`
})
</script>

<template>
  <div class="map">
    <VueFlow
      id="routes"
      :nodes="nodes"
      :nodes-connectable="false"
      :elements-selectable="false"
      :zoom-on-double-click="false"
      :min-zoom="0.05"
      :max-zoom="1.5"
      :disable-keyboard-a11y="true"
    >
      <template #node-part="{ id, data }">
        <button
          v-if="data.part"
          type="button"
          class="part nodrag"
          :class="{
            hidden: data.part.hidden,
            doubtful: doubtful.has(id),
            over: id === pull?.overId,
          }"
          :data-node="id"
          :aria-pressed="id === picked.partId"
          :data-part="id"
          @click="emit('part', id)"
        >
          <span v-if="data.part.gate" class="gate" :title="t('routes.hasGate')" />
          <b dir="auto">{{ data.part.title || t('bench.untitled') }}</b>
          <span class="facts">
            {{ data.number }} · {{ t(`parts.kind.${data.part.kind}`)
            }}<template v-if="data.part.gate"> · {{ t('routes.gate') }}</template
            ><template v-if="doubtful.has(id)"> · {{ t('routes.doubtful') }}</template>
          </span>
        </button>
        <span v-else class="part the-end" :class="{ over: id === pull?.overId }" :data-node="id">{{
          t('routes.end')
        }}</span>
        <span
          v-if="data.part && rights.canEdit.value"
          class="foot nodrag nopan"
          :data-foot="id"
          :title="t('routes.pull')"
          @pointerdown.stop="begin($event, id)"
          @mousedown.stop
          @touchstart.stop
        />
      </template>
      <template #zoom-pane>
        <RouteLines
          :ways="plan.ways"
          :picked="picked"
          :many="isInColumns(graph)"
          @way="emit('way', $event)"
        />
        <svg v-if="pull" class="pull"><path :d="pulled" /></svg>
      </template>
    </VueFlow>
    <div class="zoom">
      <Button
        :label="t('routes.all')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="showAll"
      />
      <Button
        :aria-label="t('routes.smaller')"
        label="−"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="flow.zoomOut()"
      />
      <Button
        :aria-label="t('routes.larger')"
        label="+"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="flow.zoomIn()"
      />
    </div>
  </div>
</template>

<style scoped>
.map {
  position: relative;
  /* The ways are drawn from left to right in every language. */
  direction: ltr;
  flex: 1;
  min-height: 0;
}
.part {
  position: relative;
  display: grid;
  align-content: center;
  width: 190px;
  height: 58px;
  padding: 4px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.part:hover {
  background: var(--sunk);
}
.part[aria-pressed='true'] {
  border: 2px solid var(--fern);
  background: var(--fern-soft);
}
.part b {
  overflow: hidden;
  font-family: var(--reading);
  font-size: 15px;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.part.hidden b {
  font-style: italic;
}
.part.doubtful {
  border-inline-start: 5px solid var(--straw);
}
.facts {
  color: var(--ink-2);
  font-size: 12.5px;
}
/* A gate stands across the way into its part. */
.gate {
  position: absolute;
  top: -7px;
  inset-inline: 60px;
  height: 5px;
  border: 1px solid var(--ink);
  background: repeating-linear-gradient(90deg, var(--ink) 0 6px, var(--surface) 6px 12px);
}
.the-end {
  place-items: center;
  border-width: 2px;
  border-color: var(--ink);
  font-weight: 650;
  cursor: default;
}
.part.over {
  outline: 3px solid var(--plum);
  outline-offset: 2px;
}
.foot {
  position: absolute;
  bottom: -8px;
  left: calc(50% - 8px);
  width: 16px;
  height: 16px;
  border: 2px solid var(--plum);
  border-radius: 50%;
  background: var(--surface);
  cursor: crosshair;
  touch-action: none;
}
/* A finger needs more than is drawn. */
.foot::after {
  content: '';
  position: absolute;
  inset: -8px;
}
.pull {
  position: absolute;
  top: 0;
  left: 0;
  width: 1px;
  height: 1px;
  overflow: visible;
  pointer-events: none;
}
.pull path {
  fill: none;
  stroke: var(--plum);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.zoom {
  position: absolute;
  right: 12px;
  bottom: 12px;
  display: flex;
  gap: 4px;
  background: var(--ground);
}
</style>
