<script setup lang="ts">
// A learner's own results: a sum for each part, every answer with what is said to it, and the way back to the film.
import { computed, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import {
  itemState,
  placesAsked,
  questionScore,
  triesOf,
  type PlaceAsked,
} from '@fernbrake/core/analysis'
import { isBlank } from '@fernbrake/core/fields'
import { partOfKind, partsInOrder, playingMs, tellsNow, type Part } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import {
  filesOfAnswer,
  isByPerson,
  readableAnswer,
  rubricOf,
  type Answer,
} from '@fernbrake/core/questions'
import { coverage } from '@fernbrake/core/watching'
import { sendWaiting, TextView } from '@fernbrake/player'
import { call } from '../api/client.ts'
import HandedFile from '../results/HandedFile.vue'
import { writeDayAndTime } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ attemptId: string }>()
const { t, n } = useI18n()
const { value, error, reload } = useLoaded(async () => {
  // What this device still holds goes first: told what is right, it would come too late to count.
  await sendWaiting(props.attemptId).catch(() => undefined)
  return call('attempt', { params: { attemptId: props.attemptId } })
})
const attempt = computed(() => value.value)
const responses = computed(() => attempt.value?.progress.responses ?? [])
const figure = (points: number) => n(points, { maximumFractionDigits: 2 })
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })

function tells(part: Part): boolean {
  const { progress, assignment } = attempt.value!
  return tellsNow(part, progress.finishedParts.includes(part.id), assignment?.tells ?? true)
}

const folder = `/api/attempts/${props.attemptId}/files`
function filesTaken(answer: Answer) {
  const ids = filesOfAnswer(answer)
  return attempt.value!.handed.filter(({ id }) => ids.includes(id))
}

function describe(part: Part, { id, question, atMs }: PlaceAsked) {
  const tries = triesOf(question, responses.value)
  const last = tries.at(-1) ?? null
  const state = itemState(question, tries)
  const told = tells(part)
  const rubric = 'rubric' in question ? rubricOf(question) : []
  const levels = (told && last?.marked?.levels) || null
  const feedback =
    last && told && last.verdict !== 'unmarked' ? question.feedback[last.verdict] : ''
  return {
    id,
    question,
    atMs,
    last,
    told,
    tries: tries.length,
    shown: told || state === 'open' ? state : ('given' as const),
    text: last ? readableAnswer(question, last.answer) : '',
    files: last ? filesTaken(last.answer) : [],
    points: questionScore(question, tries),
    feedback: isBlank(feedback) ? null : feedback,
    explanation: last && told && !isBlank(question.explanation) ? question.explanation : null,
    comment: (told && last?.marked?.comment) || '',
    levels: levels
      ? rubric.map(({ title, levels: steps }, at) => ({ title, step: steps[levels[at] ?? -1] }))
      : [],
    again: evidenceOf(question.evidence),
  }
}
type Shown = ReturnType<typeof describe>

function evidenceOf(evidence: { partId: string; fromMs: number; toMs: number } | null) {
  const film = evidence && partOfKind(attempt.value!.lesson, evidence.partId, 'film')
  if (!evidence || !film) return null
  const query = new URLSearchParams({ part: evidence.partId, at: String(evidence.fromMs) })
  return {
    address: `/learn/${props.attemptId}#${query.toString()}`,
    range: `${clockTime(evidence.fromMs)}–${clockTime(evidence.toMs)}`,
  }
}

const parts = computed(() => {
  const { lesson, progress } = attempt.value!
  return partsInOrder(lesson).map((part, index) => {
    const asked = placesAsked(lesson, part).map((place) => describe(part, place))
    const lengthMs = playingMs(part) ?? 0
    return {
      part,
      asked,
      number: index + 1,
      told: tells(part),
      isOpened: part.id in progress.seen || asked.some(({ last }) => last !== null),
      isFinished: progress.finishedParts.includes(part.id),
      watched: lengthMs > 0 ? coverage(progress.covered[part.id] ?? [], lengthMs) : null,
      answered: asked.filter(({ last }) => last !== null).length,
      points: asked.reduce((sum, one) => sum + one.points, 0),
      max: asked.reduce((sum, { question }) => sum + question.points, 0),
    }
  })
})
const whole = computed(() => {
  const told = parts.value.filter((part) => part.told)
  return {
    points: told.reduce((sum, { points }) => sum + points, 0),
    max: told.reduce((sum, { max }) => sum + max, 0),
    waiting: parts.value.flatMap(({ asked }) => asked).filter(({ shown }) => shown === 'waits')
      .length,
  }
})
const words = ({ shown, question }: Shown) =>
  shown === 'given' && isByPerson(question) ? 'waits' : shown
watchEffect(() => (document.title = attempt.value?.lesson.title ?? t('mine.title')))
</script>

<template>
  <ManagedPage width="narrow" :error="error" :ready="attempt !== null" @retry="reload">
    <template #back>
      <RouterLink to="/">{{ t('mine.toHome') }}</RouterLink>
      <a :href="`/learn/${attemptId}`">{{ t('mine.toLesson') }}</a>
    </template>
    <template v-if="attempt">
      <h1 dir="auto">{{ attempt.lesson.title }}</h1>
      <p v-if="attempt.assignment?.tells === false" class="notice straw">
        {{
          t('mine.toldFrom', {
            when: writeDayAndTime(new Date(attempt.assignment.tellsFrom ?? '')),
          })
        }}
      </p>
      <p v-else-if="whole.max > 0" class="sentence">
        {{ t('mine.reached', { points: figure(whole.points), max: figure(whole.max) }) }}
        <template v-if="whole.waiting > 0">{{ t('mine.waiting', whole.waiting) }}</template>
      </p>
      <section v-for="one in parts" :key="one.part.id" :aria-labelledby="`part-${one.part.id}`">
        <header>
          <h2 :id="`part-${one.part.id}`" dir="auto">
            <span class="mono muted">{{ n(one.number) }}</span> {{ one.part.title }}
          </h2>
          <p class="muted">
            <template v-if="one.watched !== null">{{
              t('mine.watched', { share: percent(one.watched) })
            }}</template>
            <template v-else>{{
              t(one.isFinished ? 'mine.finished' : one.isOpened ? 'mine.opened' : 'mine.notOpened')
            }}</template>
            <template v-if="one.asked.length > 0">
              · {{ t('mine.answered', { answered: n(one.answered), of: n(one.asked.length) }) }}
            </template>
            <b v-if="one.told && one.max > 0 && one.answered > 0">
              · {{ t('mine.points', { points: figure(one.points), max: figure(one.max) }) }}</b
            >
          </p>
        </header>
        <ol v-if="one.asked.length > 0">
          <li v-for="asked in one.asked" :key="asked.id" :class="asked.shown">
            <div class="stem"><TextView :text="asked.question.stem" /></div>
            <p class="verdict">
              <b>{{ t(`mine.state.${words(asked)}`) }}</b>
              <span
                v-if="asked.told && asked.last && asked.question.points > 0"
                class="mono muted"
                >{{
                  t('mine.points', {
                    points: figure(asked.points),
                    max: figure(asked.question.points),
                  })
                }}</span
              >
            </p>
            <HandedFile v-for="file in asked.files" :key="file.id" :file="file" :folder="folder" />
            <p v-if="asked.text && asked.files.length === 0" class="said" dir="auto">
              {{ asked.text }}
            </p>
            <div v-if="asked.feedback" class="feedback"><TextView :text="asked.feedback" /></div>
            <div v-if="asked.explanation" class="feedback muted">
              <TextView :text="asked.explanation" />
            </div>
            <ul v-if="asked.levels.length > 0" class="levels">
              <li v-for="(level, at) in asked.levels" :key="at">
                <span dir="auto">{{ level.title }}</span>
                <span v-if="level.step" dir="auto"
                  ><b class="mono">{{ n(level.step.points) }}</b> {{ level.step.words }}</span
                >
              </li>
            </ul>
            <blockquote v-if="asked.comment" dir="auto">{{ asked.comment }}</blockquote>
            <a
              v-if="asked.again && asked.last && asked.told && asked.shown !== 'right'"
              :href="asked.again.address"
              >{{ t('mine.seeAgain', { range: asked.again.range }) }}</a
            >
          </li>
        </ol>
      </section>
    </template>
  </ManagedPage>
</template>

<style scoped>
h1 {
  margin-bottom: 10px;
}
.sentence {
  margin-bottom: 18px;
  font-family: var(--reading);
  font-size: 19px;
}
.notice {
  margin-bottom: 18px;
}
section {
  margin-bottom: 18px;
  padding: 16px 22px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
ol {
  margin: 14px 0 0;
  padding: 0;
  list-style: none;
}
ol > li {
  padding-block: 10px 12px;
  padding-inline: 14px 0;
  border-inline-start: 4px solid var(--line-strong);
}
ol > li + li {
  margin-top: 12px;
}
li.right {
  border-color: var(--fern);
}
li.partly {
  border-color: var(--straw);
}
li.wrong {
  border-color: var(--rust);
}
.stem {
  font-weight: 650;
}
.verdict {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.said {
  margin-top: 4px;
  font-family: var(--reading);
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.feedback {
  margin-top: 6px;
}
.levels {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
.levels li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  border-bottom: 1px solid var(--line);
}
blockquote {
  margin: 8px 0 0;
  padding: 8px 14px;
  background: var(--fern-soft);
  white-space: pre-wrap;
}
a {
  display: inline-block;
  margin-top: 6px;
}
@media (max-width: 720px) {
  section {
    margin-inline: -14px;
    padding-inline: 16px;
    border-inline: 0;
    border-radius: 0;
  }
}
</style>
