<script setup lang="ts">
// How the class did in one part: a film's frond with its stem as thick as the number who watched, a quiz's, or what of
// another part was seen; and a table of what was asked.
import { leafShape } from '@fernbrake/core/questions'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { placesAsked } from '@fernbrake/core/analysis'
import type { ResultsReply } from '@fernbrake/core/contract'
import { plainOf } from '@fernbrake/core/fields'
import { partOnFrond, type QuizOnFrond } from '@fernbrake/core/frond'
import { cuesInOrder, isPlayed, playingMs, type Lesson, type Part } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { Frond, type FrondCue } from '@fernbrake/player'
import { chosenOf } from './chosen.ts'
import PartSeen from './PartSeen.vue'

const props = defineProps<{
  lesson: Lesson
  part: Part
  results: ResultsReply
  /** False where it is the only part, which the lesson's own title names. */
  named: boolean
}>()
const { t, n } = useI18n()
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
const quiz = computed(() => partOnFrond(props.part))

const outcomes = computed(
  () => new Map(props.results.questions.map((outcome) => [outcome.questionId, outcome])),
)
const asked = computed(() =>
  placesAsked(props.lesson, props.part).flatMap(({ id, question, atMs }, index) => {
    const outcome = outcomes.value.get(question.id)
    return outcome ? [{ id, question, atMs, number: index + 1, ...outcome }] : []
  }),
)
/** Null for parts that are not drawn as a frond. */
const durationMs = computed(() =>
  isPlayed(props.part) ? (playingMs(props.part) ?? 0) : (quiz.value?.durationMs ?? null),
)
const watching = computed(() => {
  const found = props.results.watching[props.part.id]
  return found ? { ...found, most: props.results.learners.length } : null
})

const leaves = computed(() =>
  asked.value.map(({ id, question, atMs, number, answered, right, judged }): FrondCue => {
    const at = atMs ?? quiz.value?.leaves[number - 1]?.atMs ?? 0
    const share = answered > 0 ? right / answered : 0
    const label = judged
      ? t('results.leaf', { share: percent(share), answered })
      : t('results.leafAsked', { answered })
    const kind = leafShape(question)
    return { id, kind, fromMs: at, toMs: at, share, label }
  }),
)
/** Bookmarks and forks of a film; a quiz's sections stand where a film's bookmarks do. */
const marks = computed((): FrondCue[] =>
  quiz.value ? quiz.value.sections.map(sectionMark) : filmMarks(),
)
function filmMarks(): FrondCue[] {
  return cuesInOrder(props.lesson, props.part.id).flatMap((cue): FrondCue[] => {
    if (cue.kind !== 'bookmark' && cue.kind !== 'fork') return []
    const at = { id: cue.id, fromMs: cue.atMs, toMs: cue.atMs }
    return cue.kind === 'bookmark'
      ? [{ ...at, kind: 'bookmark', title: cue.title, label: cue.title }]
      : [{ ...at, kind: 'fork', label: cue.prompt }]
  })
}
function sectionMark({ sectionId, title, atMs }: QuizOnFrond['sections'][number]): FrondCue {
  return { id: sectionId, fromMs: atMs, toMs: atMs, kind: 'bookmark', title, label: title }
}
</script>

<template>
  <section class="class-frond">
    <h2 dir="auto">{{ named ? part.title : t('results.frond') }}</h2>
    <p class="muted">{{ t(`results.frondHelp.${part.kind}`) }}</p>
    <Frond
      v-if="durationMs !== null"
      :duration-ms="durationMs"
      :cues="[...marks, ...leaves]"
      :watching="watching"
    />
    <PartSeen v-else :part="part" :learners="results.learners" />
    <table v-if="asked.length > 0">
      <caption class="visually-hidden">
        {{
          t('results.questions')
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ t(isPlayed(part) ? 'results.at' : 'results.number') }}</th>
          <th scope="col">{{ t('results.question') }}</th>
          <th scope="col" class="number">{{ t('results.answered') }}</th>
          <th scope="col" class="number">{{ t('results.right') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in asked" :key="one.id">
          <td class="mono">{{ one.atMs === null ? n(one.number) : clockTime(one.atMs) }}</td>
          <td dir="auto">
            {{ plainOf(one.question.stem) }}
            <ul v-if="chosenOf(one.question, one).length > 0" class="chosen">
              <li v-for="row in chosenOf(one.question, one)" :key="row.id">
                <span>{{ row.label }}</span>
                <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
                  <rect width="100" height="8" class="room" />
                  <rect :width="row.share * 100" height="8" :fill="row.colour ?? 'var(--fern)'" />
                </svg>
                <span class="mono">{{ n(row.count) }}</span>
              </li>
            </ul>
          </td>
          <td class="mono number">{{ one.answered }}</td>
          <td class="mono number">
            {{
              !one.judged
                ? t('results.notJudged')
                : one.answered > 0
                  ? percent(one.right / one.answered)
                  : '–'
            }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.class-frond {
  margin: 20px 0 32px;
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
h2 {
  margin-bottom: 2px;
}
table {
  width: 100%;
  margin-top: 16px;
  border-collapse: collapse;
}
th,
td {
  padding: 7px 10px;
  border-top: 1px solid var(--line);
  text-align: start;
  vertical-align: baseline;
}
th {
  font-size: 13.5px;
  color: var(--ink-2);
}
.number {
  text-align: end;
}
.chosen {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
.chosen li {
  display: grid;
  grid-template-columns: minmax(0, 12em) minmax(60px, 1fr) 3em;
  gap: 10px;
  align-items: center;
  font-size: 13.5px;
}
.chosen svg {
  width: 100%;
  height: 10px;
}
.chosen .room {
  fill: var(--sunk);
}
</style>
