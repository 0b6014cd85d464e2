<script setup lang="ts">
// The desk of a part that is made of things: the part as learners meet it, and beside it the sheet of what is picked.
import { watch } from 'vue'
import TrialPanel from '../TrialPanel.vue'
import { usePlaces, useBench } from '../useBench.ts'

const props = defineProps<{
  label: string
  /** Something of the whole lesson lies where the sheet is. */
  covered: boolean
  /** Whether what is picked is still there. */
  isThere: boolean
  /** The question that is written, to be tried beside. */
  questionId: string | null
}>()
const bench = useBench()
const places = usePlaces()
// What somebody else removed, or undo did, cannot stay picked.
watch(
  () => props.isThere,
  (isThere) => {
    if (!isThere) places.thingId.value = null
  },
)

/** Escape leaves the sheet for what it belongs to. */
function leaveSheet(event: KeyboardEvent): void {
  if (event.defaultPrevented || places.thingId.value === null) return
  document.querySelector<HTMLElement>('.left [data-picked]')?.focus()
  places.thingId.value = null
}
</script>

<template>
  <section class="left" data-region :aria-label="label">
    <div class="room"><slot /></div>
    <TrialPanel
      v-if="bench.showsTrial.value && questionId && !covered"
      :cue="null"
      :question-id="questionId"
      @close="bench.showsTrial.value = false"
    />
  </section>
  <div v-if="!covered" class="side" data-region @keydown.esc="leaveSheet">
    <slot name="sheet" />
  </div>
</template>

<style scoped>
.left {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
  background: var(--ground);
}
.room {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  padding: 16px 22px 32px;
}
.side {
  min-height: 0;
  min-width: 0;
  border-inline-start: 1px solid var(--line);
}
</style>
