<script setup lang="ts">
// A question as a learner will meet it, to be tried while it is written: it answers as in the lesson, and keeps nothing.
import { computed, provide, ref, shallowRef, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { tallyOf } from '@fernbrake/core/analysis'
import type { Material, QuestionCue } from '@fernbrake/core/lesson'
import type { QuestionMoment } from '@fernbrake/core/playback'
import { markQuestion, type Answer, type Question } from '@fernbrake/core/questions'
import { filesInMemory } from '../hosts/filesInMemory.ts'
import { FILES, FRAME, TALLIES } from '../questions/answerView.ts'
import { leavingOf } from '../session/leaving.ts'
import { standingOf, type GivenAnswer } from '../session/useAnswers.ts'
import QuestionSheet from './QuestionSheet.vue'

const props = defineProps<{
  /** What asks it of a film; null in a quiz. */
  cue: QuestionCue | null
  question: Question
  material: Material | null
  /** Draws the frame that the film stands at. */
  drawFrame: (canvas: HTMLCanvasElement) => boolean
}>()
const { t } = useI18n()
const given = shallowRef<GivenAnswer[]>([])
/** Grows with each beginning. */
const turn = ref(0)
const standing = computed(() => standingOf(props.question, given.value))
const leaving = computed(() => {
  if (!props.cue) return {}
  const { id: cueId, atMs, hold, sendBack, again } = props.cue
  // The stage belongs to whoever edits, so nothing is played again here.
  const rest = { sendBack, again, countdownMs: null, evidence: null }
  const moment: QuestionMoment = { kind: 'question', cueId, atMs, hold, ...rest }
  return leavingOf(moment, props.question, result.value, t)
})
const result = computed(() =>
  given.value.length > 0 ? { right: standing.value.right, final: standing.value.final } : undefined,
)
provide(TALLIES, () => Promise.resolve(tallyOf(given.value)))
provide(FILES, filesInMemory())
provide(FRAME, { draw: (canvas) => props.drawFrame(canvas), settled: ref(0) })

function give(answer: Answer): void {
  const { verdict } = markQuestion(props.question, answer)
  given.value = [...given.value, { answer, verdict }]
}
function beginAnew(): void {
  given.value = []
  turn.value += 1
}
// Another kind, or other things to choose from, make the answers so far answers to something else.
watch(() => props.question.kind, beginAnew)
defineExpose({ beginAnew })
</script>

<template>
  <QuestionSheet
    :key="`${question.id} ${question.kind} ${turn}`"
    v-bind="leaving"
    :question="question"
    :material="material"
    :standing="standing"
    :number="1"
    :count="1"
    seed="trial"
    :keeps-drafts="false"
    :takes-focus="false"
    @give="give"
    @go-on="beginAnew"
  >
    <template v-if="$slots.stem" #stem><slot name="stem" /></template>
  </QuestionSheet>
</template>
