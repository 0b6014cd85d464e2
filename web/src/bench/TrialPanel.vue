<script setup lang="ts">
// Beside the sheet on which a question is written: the question as a learner will see it.
import Button from 'primevue/button'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { RichText } from '@fernbrake/core/fields'
import { edits, type QuestionCue } from '@fernbrake/core/lesson'
import { QuestionTrial, TextView } from '@fernbrake/player'
import WriteHere from './richText/WriteHere.vue'
import { usePlayhead, useRights, useBench } from './useBench.ts'

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
const rights = useRights()
/** Whether the question is being written where it stands. */
const writing = ref(false)
const begin = useTemplateRef('begin')
const write = (text: RichText) =>
  bench.draft.make(edits.setQuestionText, { questionId: props.questionId, field: 'stem', text })
async function stop(byKey: boolean): Promise<void> {
  writing.value = false
  await nextTick()
  if (byKey) begin.value?.focus()
}
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
    >
      <template v-if="rights.canEdit.value" #stem>
        <WriteHere
          v-if="writing"
          :label="t('sheet.stem')"
          :text="question.stem"
          :max="2000"
          @change="write"
          @done="stop"
        />
        <template v-else>
          <div class="stands" @dblclick="writing = true"><TextView :text="question.stem" /></div>
          <button ref="begin" type="button" class="begin" @click="writing = true">
            {{ t('ask.writeHere') }}
          </button>
        </template>
      </template>
    </QuestionTrial>
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
/* It shows itself to whoever comes near, or by the keyboard; the question stands as learners have it. */
.begin {
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--fern);
  font-family: var(--interface);
  font-size: 13.5px;
  font-weight: 400;
  text-decoration: underline;
  cursor: pointer;
}
header p {
  flex: 1;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
