<script setup lang="ts">
// One learner: the watched stretches on the frond, and every answer.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { itemState, leafOf, placesAsked } from '@fernbrake/core/analysis'
import type { LearnerResult } from '@fernbrake/core/contract'
import { plainOf } from '@fernbrake/core/fields'
import {
  isByPerson,
  isSelfJudged,
  type Question,
  type Verdict,
  leafShape,
  readsAsWord,
} from '@fernbrake/core/questions'
import {
  handsIn,
  isPlayed,
  partsInOrder,
  playingMs,
  thingsToSee,
  type Lesson,
  type Part,
  type Route,
} from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import HandedFile from './HandedFile.vue'
import { Frond, type FrondCue } from '@fernbrake/player'

const props = defineProps<{ lessonId: string; lesson: Lesson; learner: LearnerResult }>()
const { t, n } = useI18n()
const answersTo = (questionId: string) =>
  props.learner.answers.filter((answer) => answer.questionId === questionId)

const parts = computed(() =>
  partsInOrder(props.lesson).map((part) => {
    const stretches = props.learner.stretches[part.id] ?? []
    return {
      part,
      stretches,
      watched: stretches
        .map((span) => `${clockTime(span.fromMs)}–${clockTime(span.toMs)}`)
        .join(', '),
      asked: placesAsked(props.lesson, part).map((place) => ({
        ...place,
        answers: answersTo(place.question.id),
      })),
    }
  }),
)
function seenOf(part: Part): string {
  const seen = props.learner.seen[part.id]
  if (!seen) return t('results.notOpened')
  const all = thingsToSee(part).length
  const count = seen.filter((id) => id !== part.id).length
  return all > 0 ? t('results.sawOf', { n: n(count), all: n(all) }) : t('results.openedIt')
}
type Asked = (typeof parts.value)[number]['asked'][number]
const leaves = (asked: Asked[]) =>
  asked.flatMap(({ id, question, atMs, answers }): FrondCue[] =>
    atMs === null
      ? []
      : [
          {
            id: `${props.learner.attemptId}-${id}`,
            kind: leafShape(question),
            fromMs: atMs,
            toMs: atMs,
            label: plainOf(question.stem),
            standing: leafOf(itemState(question, answers)),
          },
        ],
  )
/** What was said; true and false are words of the reader's language. */
function wordsOf(question: Question, text: string): string {
  if (readsAsWord(question)) return t(`results.value.${text}`)
  return text || t('results.nothingPicked')
}
const verdictOf = (question: Question, verdict: Verdict) =>
  isSelfJudged(question) || (verdict === 'unmarked' && !isByPerson(question)) ? 'asked' : verdict
/** A way that left a part at its end, by its words or by where it led. */
function wayOf({ words, target }: Route, from: string, takenAt: string) {
  const to = target.to === 'part' ? (props.lesson.parts[target.partId]?.title ?? '') : ''
  return {
    key: `${from} ${takenAt}`,
    at: '',
    prompt: t('results.after', { title: from }),
    text: words || to || t('routes.end'),
  }
}
const ways = computed(() =>
  props.learner.ways.flatMap(({ cueId, choiceId, takenAt }) => {
    const route = props.lesson.routes?.[choiceId]
    const left = route && props.lesson.parts[route.fromId]
    if (route && left) return [wayOf(route, left.title, takenAt)]
    const cue = props.lesson.cues[cueId]
    const choice = cue?.kind === 'fork' ? cue.choices[choiceId] : undefined
    return choice && cue?.kind === 'fork' && !cue.decides
      ? [
          {
            key: `${cueId} ${takenAt}`,
            at: clockTime(cue.atMs),
            prompt: cue.prompt,
            text: choice.text,
          },
        ]
      : []
  }),
)
</script>

<template>
  <div class="detail">
    <p v-if="learner.tooFast > 0" class="muted">{{ t('results.tooFast', learner.tooFast) }}</p>
    <p v-if="learner.leftOut > learner.tooFast" class="muted">
      {{ t('results.leftOut', learner.leftOut - learner.tooFast) }}
    </p>
    <ul v-if="ways.length > 0" :aria-label="t('results.ways')">
      <li v-for="way in ways" :key="way.key" dir="auto">
        <span class="mono muted">{{ way.at }}</span> {{ way.prompt }}
        <b>{{ way.text }}</b>
      </li>
    </ul>
    <section v-for="{ part, stretches, watched, asked } in parts" :key="part.id">
      <h3 v-if="parts.length > 1" dir="auto">{{ part.title }}</h3>
      <template v-if="isPlayed(part)">
        <Frond
          :duration-ms="playingMs(part) ?? 0"
          :cues="leaves(asked)"
          :covered="stretches"
          :labels="false"
        />
        <p class="muted">
          {{ watched ? t('results.stretches', { stretches: watched }) : t('results.noStretches') }}
        </p>
      </template>
      <p v-else-if="!handsIn(part)" class="muted">{{ seenOf(part) }}</p>
      <ol>
        <li v-for="{ id, question, atMs, answers } in asked" :key="id">
          <p dir="auto">
            <span v-if="atMs !== null" class="mono muted">{{ clockTime(atMs) }}</span>
            {{ plainOf(question.stem) }}
          </p>
          <p v-if="answers.length === 0" class="muted">{{ t('results.notAnswered') }}</p>
          <ul>
            <li v-for="answer in answers" :key="answer.tryNumber" :class="answer.verdict">
              <b>{{ t(`results.verdict.${verdictOf(question, answer.verdict)}`) }}</b>
              <span v-if="answer.files.length > 0" class="given">
                <HandedFile
                  v-for="file in answer.files"
                  :key="file.id"
                  :file="file"
                  :folder="`/api/lessons/${lessonId}/attempts/${learner.attemptId}/files`"
                />
              </span>
              <span v-else class="given" dir="auto">{{ wordsOf(question, answer.text) }}</span>
              <span class="muted">
                {{
                  t(
                    'results.tryPoints',
                    {
                      number: answer.tryNumber,
                      points: n(answer.points, { maximumFractionDigits: 2 }),
                    },
                    answer.points,
                  )
                }}
                <template v-if="answer.isDoubtful"> · {{ t('results.doubtful') }}</template>
              </span>
            </li>
          </ul>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.detail {
  padding: 8px 12px 16px;
}
h3 {
  margin: 14px 0 4px;
}
ol {
  margin: 14px 0 0;
  padding-inline-start: 22px;
}
ol > li {
  margin-bottom: 10px;
}
ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
ul li {
  display: grid;
  grid-template-columns: 100px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 3px 10px;
  border-inline-start: 4px solid var(--rust);
}
ul li.unmarked {
  border-color: var(--line-strong);
}
.given {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
ul li.right {
  border-color: var(--fern);
}
ul li.partly {
  border-color: var(--straw);
}
</style>
