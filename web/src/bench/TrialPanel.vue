<script setup lang="ts">
// Beside the sheet on which a question is written: the question as a learner will see it.
import Button from 'primevue/button'
import { computed, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { QuestionCue } from '@fernbrake/core/lesson'
import { QuestionTrial } from '@fernbrake/player'
import { usePlayhead, useBench } from './useBench.ts'

/** `cue` asks it of a film; null in a quiz. */
const props = defineProps<{ cue: QuestionCue | null; questionId: string }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBench()
const playhead = usePlayhead()
const { t } = useI18n()
const trial = useTemplateRef('trial')
const question = computed(() => bench.lesson.value.questions[props.questionId]!)
const material = computed(
  () => bench.lesson.value.materials?.[question.value.materialId ?? ''] ?? null,
)
const drawFrame = (canvas: HTMLCanvasElement) => playhead.film.value?.drawTo(canvas) ?? false
</script>

<template>
  <section class="trial paper" :aria-label="t('ask.trial')">
    <header>
      <p>{{ t('ask.trial') }}</p>
      <Button
        :label="t('ask.beginTrialAnew')"
        severity="secondary"
        variant="text"
        size="small"
        @click="trial?.beginAnew()"
      />
      <Button
        :label="t('ask.closeTrial')"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="emit('close')"
      />
    </header>
    <QuestionTrial
      ref="trial"
      :cue="cue"
      :question="question"
      :material="material"
      :draw-frame="drawFrame"
    />
  </section>
</template>

<style scoped>
.trial {
  position: absolute;
  inset-block: 0;
  inset-inline-end: 0;
  width: min(440px, 100%);
  overflow-y: auto;
  border-inline-start: 1px solid var(--line);
}
header {
  position: sticky;
  top: 0;
  z-index: 1;
  display: flex;
  align-items: center;
  gap: 6px;
  padding-block: 8px;
  padding-inline: 28px 12px;
  border-bottom: 1px solid var(--line);
  background: var(--ground);
}
header p {
  flex: 1;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
