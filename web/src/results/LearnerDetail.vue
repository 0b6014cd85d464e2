<script setup lang="ts">
// One learner: the watched stretches on the frond, and every answer.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { LearnerResult } from '@fernbrake/core/contract'
import { plainOf } from '@fernbrake/core/fields'
import { isByPerson, type Question, type Verdict } from '@fernbrake/core/questions'
import { cuesInOrder, partsInOrder, type Lesson } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import HandedFile from './HandedFile.vue'
import { Frond, pluralOf, type FrondCue } from '@fernbrake/player'

const props = defineProps<{ lessonId: string; lesson: Lesson; learner: LearnerResult }>()
const { t, n } = useI18n()
const part = computed(() => partsInOrder(props.lesson)[0]!)
const stretches = computed(() => props.learner.stretches[part.value.id] ?? [])
const answersTo = (questionId: string) =>
  props.learner.answers.filter((answer) => answer.questionId === questionId)

const questions = computed(() =>
  cuesInOrder(props.lesson, part.value.id).flatMap((cue) =>
    cue.kind === 'question'
      ? [
          {
            cue,
            question: props.lesson.questions[cue.questionId]!,
            answers: answersTo(cue.questionId),
          },
        ]
      : [],
  ),
)
const cues = computed<FrondCue[]>(() =>
  questions.value.map(({ cue, question, answers }) => ({
    id: `${props.learner.attemptId}-${cue.id}`,
    kind: question.kind === 'recap' ? 'recap' : 'question',
    fromMs: cue.atMs,
    toMs: cue.atMs,
    label: plainOf(question.stem),
    standing: answers.some((answer) => answer.verdict === 'right')
      ? 'right'
      : answers.length > 0
        ? 'answered'
        : 'open',
  })),
)
/** What was said; true and false are words of the reader's language. */
function wordsOf(question: Question, text: string): string {
  if (question.kind === 'trueFalse')
    return t(text === 'true' ? 'results.value.true' : 'results.value.false')
  return text || t('results.nothingPicked')
}
const verdictOf = (question: Question, verdict: Verdict) =>
  verdict === 'unmarked' && !isByPerson(question) ? 'asked' : verdict
const ways = computed(() =>
  props.learner.ways.flatMap(({ cueId, choiceId, takenAt }) => {
    const cue = props.lesson.cues[cueId]
    const choice = cue?.kind === 'fork' ? cue.choices[choiceId] : undefined
    return choice && cue?.kind === 'fork' && !cue.decides
      ? [{ key: `${cueId} ${takenAt}`, atMs: cue.atMs, prompt: cue.prompt, text: choice.text }]
      : []
  }),
)
const watchedWords = computed(() =>
  stretches.value.map((span) => `${clockTime(span.fromMs)}–${clockTime(span.toMs)}`).join(', '),
)
</script>

<template>
  <div class="detail">
    <Frond :duration-ms="part.durationMs ?? 0" :cues="cues" :covered="stretches" :labels="false" />
    <p class="muted">
      {{
        watchedWords
          ? t('results.stretches', { stretches: watchedWords })
          : t('results.noStretches')
      }}
      <template v-if="learner.leftOut > 0">{{ t('results.leftOut', learner.leftOut) }}</template>
    </p>
    <ul v-if="ways.length > 0" :aria-label="t('results.ways')">
      <li v-for="way in ways" :key="way.key" dir="auto">
        <span class="mono muted">{{ clockTime(way.atMs) }}</span> {{ way.prompt }}
        <b>{{ way.text }}</b>
      </li>
    </ul>
    <ol>
      <li v-for="{ cue, question, answers } in questions" :key="cue.id">
        <p dir="auto">
          <span class="mono muted">{{ clockTime(cue.atMs) }}</span> {{ plainOf(question.stem) }}
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
                :lesson-id="lessonId"
                :attempt-id="learner.attemptId"
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
                  pluralOf(answer.points),
                )
              }}
            </span>
          </li>
        </ul>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.detail {
  padding: 8px 12px 16px;
}
ol {
  margin: 14px 0 0;
  padding-left: 22px;
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
  border-left: 4px solid var(--rust);
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
