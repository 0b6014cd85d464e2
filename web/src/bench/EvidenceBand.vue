<script setup lang="ts">
// The stretch of film that answers the selected question, on the frond: a band whose ends can be dragged.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits } from '@fernbrake/core/lesson'
import { followPointer } from '@fernbrake/player'
import { usePlaces, useRights, useSelection, useBench } from './useBench.ts'

const props = defineProps<{
  x: (ms: number) => number
  stemY: number
  /** The time at a place of the page. */
  msAt: (clientX: number) => number
}>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const selection = useSelection()
const { t } = useI18n()
/** The shortest stretch that dragging makes, in ms. */
const SHORTEST_MS = 400

const question = computed(() => {
  const cue = selection.selected.value
  return cue?.kind === 'question' ? bench.lesson.value.questions[cue.questionId] : undefined
})
const kept = computed(() => {
  const evidence = question.value?.evidence
  return evidence && evidence.partId === places.part.value?.id ? evidence : null
})
const dragged = ref<{ fromMs: number; toMs: number } | null>(null)
const shown = computed(() => dragged.value ?? kept.value)

function drag(event: PointerEvent, end: 'fromMs' | 'toMs'): void {
  if (!rights.canEdit.value || !kept.value) return
  const { fromMs, toMs } = kept.value
  const move = ({ clientX }: PointerEvent) => {
    const ms = props.msAt(clientX)
    dragged.value =
      end === 'fromMs'
        ? { fromMs: Math.min(ms, toMs - SHORTEST_MS), toMs }
        : { fromMs, toMs: Math.max(ms, fromMs + SHORTEST_MS) }
  }
  const finish = (_event: PointerEvent, isKept: boolean) => {
    if (isKept && dragged.value && question.value && kept.value) {
      const evidence = { ...kept.value, ...dragged.value }
      bench.draft.make(edits.setEvidence, { questionId: question.value.id, evidence })
    }
    dragged.value = null
  }
  followPointer(event, { move, end: finish })
}
</script>

<template>
  <g v-if="shown" class="evidence">
    <title>{{ t('sheet.evidence') }}</title>
    <rect
      :x="x(shown.fromMs)"
      :y="stemY - 9"
      :width="Math.max(2, x(shown.toMs) - x(shown.fromMs))"
      height="18"
      class="band"
    />
    <rect
      v-for="end in ['fromMs', 'toMs'] as const"
      :key="end"
      :data-evidence="end"
      :x="x(shown[end]) - 5"
      :y="stemY - 12"
      width="10"
      height="24"
      class="handle"
      @pointerdown.stop="drag($event, end)"
    />
  </g>
</template>

<style scoped>
.band {
  fill: color-mix(in srgb, var(--fern) 22%, transparent);
  pointer-events: none;
}
.handle {
  fill: var(--fern);
  fill-opacity: 0.85;
  cursor: ew-resize;
  touch-action: none;
}
</style>
