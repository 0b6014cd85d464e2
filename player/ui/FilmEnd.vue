<script setup lang="ts">
// What is said when a film has come to its end, and where it goes on.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { endMessage, type Ending } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { fillPlaces, type PlaceholderFacts } from '@fernbrake/core/text'
import type { PartsState, ShownWay } from './partsState.ts'
import type { MetQuestion } from './SidePanel.vue'
import WaysOn from './WaysOn.vue'
import type { Score } from '../session/useAnswers.ts'
import { keptWord } from './keptWord.ts'

const props = defineProps<{
  ending: Ending
  /** The words of the fork that led here; '' where none did. */
  forkEnding: string
  /** Over the whole lesson; what is said may hang on it. Null while it is not to be told, as is the other. */
  score: Score | null
  /** Over the questions of this film. */
  filmScore: Score | null
  /** The share of the film that was watched. */
  watched: number
  facts: PlaceholderFacts
  allSent: boolean
  parts: PartsState
  /** The questions that can still be answered, or tried again. */
  stillOpen: readonly MetQuestion[]
}>()
const emit = defineEmits<{ take: [way: ShownWay]; open: [cueId: string] }>()
const { t, n } = useI18n()
const share = computed(() => n(props.watched, { style: 'percent', maximumFractionDigits: 0 }))
const openWords = computed(() => t('player.stillOpen', props.stillOpen.length))
const goesOn = computed(() => props.parts.ways.length > 0)
const words = computed(() => {
  // The lesson's own last words come when nothing is left of it.
  const said = props.forkEnding || (goesOn.value ? '' : endMessage(props.ending, props.score))
  return fillPlaces(said, props.facts)
})
</script>

<template>
  <div class="ended">
    <div role="status">
      <h2>{{ t(goesOn ? 'player.filmFinished' : 'player.finished') }}</h2>
      <p v-if="words" class="end-words" dir="auto">{{ words }}</p>
      <p v-if="filmScore && filmScore.max > 0">
        {{
          t(
            'player.finishedSummary',
            {
              share,
              points: n(filmScore.points, { maximumFractionDigits: 2 }),
              max: n(filmScore.max),
            },
            filmScore.max,
          )
        }}
      </p>
      <p v-else>{{ t('player.finishedWatched', { share }) }}</p>
      <p class="kept">{{ t(keptWord({ allSent, goesOn })) }}</p>
    </div>
    <section v-if="stillOpen.length > 0" class="still-open" :aria-label="openWords">
      <h3>{{ openWords }}</h3>
      <ul>
        <li v-for="one in stillOpen" :key="one.id">
          <button class="fb-button plain" type="button" @click="emit('open', one.id)">
            {{ t('player.openAgain', { number: one.number, time: clockTime(one.atMs) }) }}
            <span>{{ t(`player.${one.standing}`) }}</span>
          </button>
        </li>
      </ul>
    </section>
    <WaysOn class="on" :parts="parts" @take="emit('take', $event)" />
  </div>
</template>

<style scoped>
.ended {
  padding: 28px 28px 8px;
}
.end-words {
  margin: 6px 0 10px;
  font-family: var(--reading);
  font-size: 17px;
  white-space: pre-line;
}
h2 {
  font-family: var(--reading);
  font-size: 23px;
  margin-bottom: 8px;
}
.kept {
  margin-top: 8px;
  color: var(--ink-2);
}
.still-open {
  margin-top: 14px;
}
h3 {
  font-size: 15px;
}
ul {
  margin: 2px 0 0;
  padding: 0;
  list-style: none;
}
.still-open .fb-button {
  padding-inline: 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.still-open span {
  display: inline-block;
  color: var(--ink-2);
  font-weight: 400;
}
.on {
  margin-top: 14px;
}
@media (max-width: 760px) {
  .ended {
    padding: 18px 16px 8px;
  }
}
</style>
