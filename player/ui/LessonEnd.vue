<script setup lang="ts">
// The end that a way led to: its words, or the lesson's, and the parts to look at again.
import { computed, onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { endMessage } from '@fernbrake/core/lesson'
import { fillPlaces } from '@fernbrake/core/text'
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import { toldOf } from '../session/toldOf.ts'
import { useAnswers } from '../session/useAnswers.ts'
import { useFacts } from '../session/useFacts.ts'
import NewerEdition from './NewerEdition.vue'
import PartsNav from './PartsNav.vue'
import type { PartsState } from './partsState.ts'
import StillOpen from './StillOpen.vue'

const props = defineProps<{
  host: Host
  opened: OpenedLesson
  message: string
  parts: PartsState
  hostState: HostState
}>()
const emit = defineEmits<{ pickPart: [partId: string] }>()
const { t } = useI18n()
const { lesson, progress, learnerName } = props.opened
const { score } = useAnswers(props.host, lesson, progress.responses, ...toldOf(props.opened))
const facts = useFacts(learnerName, score)
const words = computed(() =>
  fillPlaces(props.message || endMessage(lesson.ending, score.value), facts.value),
)
const heading = useTemplateRef('heading')
onMounted(() => heading.value?.focus({ preventScroll: true }))
</script>

<template>
  <div class="end">
    <main>
      <p class="lesson" dir="auto">{{ lesson.title }}</p>
      <h1 ref="heading" tabindex="-1">{{ t('player.part.theEnd') }}</h1>
      <p v-if="words" class="words" dir="auto">{{ words }}</p>
      <p v-if="score && score.max > 0">{{ facts.score }}</p>
      <StillOpen all :parts="parts" @pick="emit('pickPart', $event)" />
      <NewerEdition />
      <p class="kept" role="status">
        {{ t(hostState.waiting === 0 ? 'player.allKept' : 'player.notAllKept') }}
      </p>
    </main>
    <div class="side paper">
      <PartsNav :parts="parts" @pick="emit('pickPart', $event)" />
    </div>
  </div>
</template>

<style scoped>
.end {
  flex: 1 1 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  min-height: 0;
  background: var(--ground);
  color: var(--ink);
}
main {
  overflow-y: auto;
  padding: 18px max(22px, calc((100% - 660px) / 2)) 40px;
}
.lesson,
.kept {
  color: var(--ink-2);
}
h1 {
  margin: 12px 0 10px;
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
}
h1:focus-visible {
  outline: none;
}
.words {
  margin-bottom: 16px;
  font-family: var(--reading);
  font-size: 19px;
  line-height: 1.5;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.side {
  overflow-y: auto;
  border-inline-start: 1px solid var(--line);
}
@media (max-width: 1000px) {
  .end {
    display: block;
  }
  .side {
    border-inline-start: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
