<script setup lang="ts">
// What came of an answer: the verdict in words and by a sign, what is said to it, the tries that are left, and why.
import { computed, inject, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank, type RichText } from '@fernbrake/core/fields'
import TextView from '../questions/TextView.vue'
import { ASSIGNMENT } from './about.ts'

/** `coming`: the server tells, once it has heard of the answer. */
export type Verdict = 'right' | 'partly' | 'wrong' | 'waits' | 'thanks' | 'kept' | 'coming'

const props = defineProps<{
  /** Null where time ran out before there was an answer. */
  verdict: Verdict | null
  feedback: RichText
  /** Why it is so; '' where that is not told yet. */
  explanation: RichText
  timeUp: boolean
  /** Null where there is no limit, or nothing more to try. */
  triesLeft: number | null
}>()
const { t } = useI18n()
const assignment = inject(ASSIGNMENT, null)
/** What a class is told later is said so; else handing in tells. */
const words = computed(() =>
  props.verdict === 'kept' && assignment?.value?.tells === false ? 'keptLater' : props.verdict,
)
const box = useTemplateRef('box')
defineExpose({ focus: () => box.value?.focus({ preventScroll: true }) })
</script>

<template>
  <div ref="box" class="outcome" :class="verdict ?? 'waits'" tabindex="-1" role="status">
    <p v-if="timeUp" class="time-up">
      {{ t(verdict ? 'player.timeUp' : 'player.timeUpUnanswered') }}
    </p>
    <p v-if="verdict" class="verdict">
      <svg viewBox="0 0 20 20" aria-hidden="true">
        <path v-if="verdict === 'right'" d="M3 10.5 L8 15.5 L17 5" />
        <path v-else-if="verdict === 'wrong'" d="M4 4 L16 16 M16 4 L4 16" />
        <path
          v-else-if="verdict === 'thanks' || verdict === 'kept' || verdict === 'coming'"
          d="M10 4 V16 M4 10 H16"
        />
        <path v-else d="M3 10 H17" />
      </svg>
      {{ t(`player.${words}`) }}
    </p>
    <TextView v-if="!isBlank(feedback)" class="said" :text="feedback" />
    <p v-if="triesLeft !== null" class="tries">
      {{ t(verdict === 'kept' ? 'player.changesLeft' : 'player.triesLeft', triesLeft) }}
    </p>
    <div v-if="!isBlank(explanation)" class="why">
      <h3>{{ t('player.explanation') }}</h3>
      <TextView :text="explanation" />
    </div>
  </div>
</template>

<style scoped>
/* Focus is brought here so that it is read out; nothing here can be operated. */
.outcome:focus-visible {
  outline: none;
}
.time-up {
  margin-bottom: 4px;
}
.outcome {
  margin: 14px 0;
  padding: 12px 16px;
  border-inline-start: 4px solid var(--rust);
  background: var(--rust-soft);
  overflow-wrap: anywhere;
  white-space: pre-line;
}
.outcome.right,
.outcome.kept,
.outcome.coming,
.outcome.thanks {
  border-color: var(--fern);
  background: var(--fern-soft);
}
.outcome.partly,
.outcome.waits {
  border-color: var(--straw);
  background: var(--straw-soft);
}
.said {
  display: block;
}
.verdict {
  display: flex;
  align-items: center;
  gap: 8px;
  font-weight: 700;
}
.verdict svg {
  width: 18px;
  height: 18px;
  fill: none;
  stroke: currentcolor;
  stroke-width: 2.75;
}
.tries {
  margin-top: 10px;
  color: var(--ink-2);
  font-size: 13.5px;
}
.why {
  margin-top: 12px;
}
.why h3 {
  font-size: 13.5px;
  color: var(--ink-2);
}
</style>
