<script setup lang="ts">
// The foot of a part: what is not answered yet, and the way on. Whoever goes on says that they are done here.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { endMessage } from '@fernbrake/core/lesson'
import { fillPlaces } from '@fernbrake/core/text'
import type { PartsState, ShownWay } from '../ui/partsState.ts'
import WaysOn from '../ui/WaysOn.vue'
import type { PartSitting } from './usePart.ts'

const props = defineProps<{ sitting: PartSitting; parts: PartsState; allSent: boolean }>()
const emit = defineEmits<{ take: [way: ShownWay] }>()
const { t } = useI18n()
const { answers, asks, done, facts, opened, toSee } = props.sitting
const open = computed(
  () => asks.filter(({ questionId }) => answers.standing(questionId).triesUsed === 0).length,
)
const lacks = computed(() => !done.value && toSee.value.left > 0)
/** Where the parts are opened one after the other, the next waits until this one is finished. */
const mayGoOn = computed(() => !lacks.value || opened.lesson.navigation !== 'inOrder')
/** The lesson's own words come when nothing is left of it. */
const isLast = computed(() => done.value && props.parts.isOver)
const words = computed(() =>
  fillPlaces(endMessage(opened.lesson.ending, answers.score.value), facts.value),
)

/**
 * The way is the one that was seen: what is recorded first could open another. Whoever goes back to what is open elsewhere
 * says nothing about this part.
 */
function goOn(way: ShownWay): void {
  if (props.parts.ways.includes(way)) props.sitting.finish()
  emit('take', way)
}
</script>

<template>
  <footer class="end">
    <div v-if="isLast" class="last" role="status">
      <h2>{{ t('player.part.lessonDone') }}</h2>
      <p v-if="words" class="words" dir="auto">{{ words }}</p>
      <p>{{ t(allSent ? 'player.allKept' : 'player.notAllKept') }}</p>
    </div>
    <p v-if="open > 0 && (!done || isLast)" class="open">{{ t('player.part.stillOpen', open) }}</p>
    <p v-if="lacks" class="open">
      {{ t('player.part.unseen', { seen: toSee.all - toSee.left, count: toSee.all }) }}
    </p>
    <button
      v-if="parts.ways.length === 0 && !done && !lacks"
      class="fb-button act"
      type="button"
      @click="sitting.finish()"
    >
      {{ t('player.part.done') }}
    </button>
    <WaysOn v-if="mayGoOn" :parts="parts" @take="goOn" />
  </footer>
</template>

<style scoped>
.end {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 16px;
  padding-top: 16px;
  border-top: 1px solid var(--line);
}
.open {
  flex: 1 0 100%;
  color: var(--ink-2);
}
.fb-button {
  overflow-wrap: anywhere;
}
.last {
  flex: 1 1 100%;
}
h2 {
  font-family: var(--reading);
  font-size: 21px;
}
.words {
  margin: 4px 0 8px;
  font-family: var(--reading);
  font-size: 17px;
  white-space: pre-line;
}
@media print {
  .end {
    display: none;
  }
}
</style>
