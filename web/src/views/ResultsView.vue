<script setup lang="ts">
// Results of an edition: the frond with the stem as thick as the number who watched, and every learner.
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { cuesInOrder, partsInOrder } from '@fernbrake/core/lesson'
import { inOrder, plainOf } from '@fernbrake/core/fields'
import { clockTime } from '@fernbrake/core/media'
import { labelOfStep, stepsOf, type Question } from '@fernbrake/core/questions'
import { Frond, type FrondCue } from '@fernbrake/player'
import { call } from '../api/client.ts'
import LearnerTable from '../results/LearnerTable.vue'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t, n } = useI18n()
const edition = ref<number | undefined>()
const { value, error, loading, reload } = useLoaded(() =>
  call('results', { params: { lessonId: props.lessonId }, query: { edition: edition.value } }),
)
const lesson = computed(() => value.value?.lesson ?? null)
const part = computed(() => (lesson.value ? (partsInOrder(lesson.value)[0] ?? null) : null))
const learners = computed(() => value.value?.learners ?? [])
const editions = computed(() =>
  (value.value?.editions ?? [])
    .map(({ number }) => ({ value: number, label: t('results.edition', { number }) }))
    .reverse(),
)
const watching = computed(() => {
  const found = part.value && value.value?.watching[part.value.id]
  return found ? { ...found, most: learners.value.length } : null
})
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })

const cues = computed<FrondCue[]>(() => {
  if (!lesson.value || !part.value) return []
  const outcomes = new Map(value.value!.questions.map((outcome) => [outcome.questionId, outcome]))
  return cuesInOrder(lesson.value, part.value.id).flatMap((cue): FrondCue[] => {
    if (cue.kind === 'overlay' || cue.kind === 'note') return []
    const at = { id: cue.id, fromMs: cue.atMs, toMs: cue.atMs }
    if (cue.kind === 'bookmark')
      return [{ ...at, kind: 'bookmark', title: cue.title, label: cue.title }]
    if (cue.kind === 'fork') return [{ ...at, kind: 'fork', label: cue.prompt }]
    const outcome = outcomes.get(cue.questionId)
    const answered = outcome?.answered ?? 0
    const share = outcome && answered > 0 ? outcome.right / answered : 0
    const isRecap = lesson.value!.questions[cue.questionId]?.kind === 'recap'
    const label = outcome?.judged
      ? t('results.leaf', { share: percent(share), answered })
      : t('results.leafAsked', { answered })
    return [{ ...at, kind: isRecap ? 'recap' : 'question', share, label }]
  })
})

/** What was chosen in a poll or on a scale, as bars. */
function chosenOf(
  question: Question,
  { answered, counts }: { answered: number; counts: Record<string, number> },
) {
  const rows =
    question.kind === 'poll'
      ? inOrder(Object.values(question.options)).map(({ id, text, colour }) => ({
          ...{ id, label: plainOf(text), colour },
        }))
      : question.kind === 'scale'
        ? stepsOf(question).map((step) => ({
            ...{ id: String(step), label: `${step} ${labelOfStep(question, step)}`.trim() },
            colour: question.colour,
          }))
        : []
  return rows.map((row) => {
    const count = counts[row.id] ?? 0
    return { ...row, count, share: answered > 0 ? count / answered : 0 }
  })
}

const questions = computed(() => {
  if (!lesson.value || !part.value) return []
  const outcomes = new Map(value.value!.questions.map((outcome) => [outcome.questionId, outcome]))
  return cuesInOrder(lesson.value, part.value.id).flatMap((cue) => {
    const outcome = cue.kind === 'question' ? outcomes.get(cue.questionId) : undefined
    if (cue.kind !== 'question' || !outcome) return []
    return [
      {
        id: cue.id,
        atMs: cue.atMs,
        stem: lesson.value!.questions[cue.questionId]!.stem,
        chosen: chosenOf(lesson.value!.questions[cue.questionId]!, outcome),
        ...outcome,
      },
    ]
  })
})

const mean = (numbers: number[]) =>
  numbers.length > 0 ? numbers.reduce((a, b) => a + b, 0) / numbers.length : 0
const summary = computed(() => {
  const list = learners.value
  return [
    { value: n(list.length), word: t('results.opened', list.length) },
    {
      value: n(list.filter((learner) => learner.finishedAt).length),
      word: t('results.finishedCount'),
    },
    {
      value: percent(mean(list.map((learner) => learner.watched))),
      word: t('results.meanWatched'),
    },
    {
      value: `${n(mean(list.map((learner) => learner.points)), { maximumFractionDigits: 1 })} / ${n(list[0]?.max ?? 0)}`,
      word: t('results.meanScore'),
    },
  ]
})

function choose(number: number): void {
  edition.value = number
  void reload()
}
</script>

<template>
  <AppBar />
  <main class="page">
    <p class="back">
      <RouterLink :to="{ name: 'bench', params: { lessonId } }">{{
        t('results.toBench')
      }}</RouterLink>
    </p>
    <div class="top">
      <h1 dir="auto">
        {{ lesson ? t('results.title', { title: lesson.title }) : t('results.titleOnly') }}
      </h1>
      <Select
        v-if="editions.length > 0"
        :model-value="value?.edition"
        :options="editions"
        option-label="label"
        option-value="value"
        :aria-label="t('results.chooseEdition')"
        @update:model-value="choose"
      />
    </div>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
      <div class="skeleton bone tall" />
    </div>
    <p v-else-if="!lesson" class="empty">{{ t('results.noEdition') }}</p>
    <p v-else-if="learners.length === 0" class="empty">{{ t('results.noLearners') }}</p>
    <template v-else-if="part">
      <dl class="summary">
        <div v-for="item in summary" :key="item.word">
          <dd>{{ item.value }}</dd>
          <dt>{{ item.word }}</dt>
        </div>
      </dl>
      <p v-if="learners.length < 10" class="muted few">{{ t('results.few') }}</p>
      <section class="class-frond">
        <h2>{{ t('results.frond') }}</h2>
        <p class="muted">{{ t('results.frondHelp') }}</p>
        <Frond :duration-ms="part.durationMs ?? 0" :cues="cues" :watching="watching" />
        <table>
          <caption class="visually-hidden">
            {{
              t('results.questions')
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ t('results.at') }}</th>
              <th scope="col">{{ t('results.question') }}</th>
              <th scope="col" class="number">{{ t('results.answered') }}</th>
              <th scope="col" class="number">{{ t('results.right') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="question in questions" :key="question.id">
              <td class="mono">{{ clockTime(question.atMs) }}</td>
              <td dir="auto">
                {{ plainOf(question.stem) }}
                <ul v-if="question.chosen.length > 0" class="chosen">
                  <li v-for="one in question.chosen" :key="one.id">
                    <span>{{ one.label }}</span>
                    <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
                      <rect width="100" height="8" class="room" />
                      <rect
                        :width="one.share * 100"
                        height="8"
                        :fill="one.colour ?? 'var(--fern)'"
                      />
                    </svg>
                    <span class="mono">{{ n(one.count) }}</span>
                  </li>
                </ul>
              </td>
              <td class="mono number">{{ question.answered }}</td>
              <td class="mono number">
                {{
                  !question.judged
                    ? t('results.notJudged')
                    : question.answered > 0
                      ? percent(question.right / question.answered)
                      : '–'
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>{{ t('results.learners') }}</h2>
        <LearnerTable :lesson-id="lessonId" :lesson="lesson" :learners="learners" />
      </section>
    </template>
  </main>
</template>

<style scoped>
.back {
  margin-bottom: 8px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  margin-bottom: 20px;
}
.bone {
  height: 90px;
  margin-bottom: 16px;
}
.tall {
  height: 320px;
}
.empty {
  max-width: 52ch;
  font-family: var(--reading);
  font-size: 17px;
  color: var(--ink-2);
}
.summary {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  margin: 0 0 12px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.summary div {
  padding: 14px 20px;
  border-left: 1px solid var(--line);
}
.summary div:first-child {
  border-left: 0;
}
dd {
  margin: 0;
  font-family: var(--reading);
  font-size: 26px;
  font-weight: 600;
}
dt {
  color: var(--ink-2);
}
.few {
  margin-bottom: 12px;
}
.class-frond {
  margin: 20px 0 32px;
  padding: 18px 20px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.class-frond h2 {
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
h2 {
  margin-bottom: 12px;
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
