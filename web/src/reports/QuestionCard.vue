<script setup lang="ts">
// One question of the analysis.
import { readsAsWord, type QuestionKindName } from '@fernbrake/core/questions'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { helpOf, tellingOf } from '@fernbrake/core/analysis'
import type { QuestionReport } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { useFigures } from './useReport.ts'

const props = defineProps<{ question: QuestionReport; lessonId: string; mayEdit: boolean }>()
const { t, n } = useI18n()
const { percent, figure } = useFigures()
const seconds = computed(() =>
  props.question.medianMs === null
    ? '–'
    : t('reports.seconds', { n: n(Math.round(props.question.medianMs / 1000)) }),
)
const telling = computed(() => tellingOf(props.question.discrimination))
const labelOf = (label: string) =>
  readsAsWord({ kind: props.question.kind as QuestionKindName })
    ? t(`results.value.${label}`)
    : label
const THIRDS = ['upper', 'middle', 'lower'] as const
const seenShare = ({ count, of }: { count: number; of: number }) => (of > 0 ? count / of : null)
const evidence = computed(() => {
  const { evidence: at } = props.question
  return at ? `${clockTime(at.fromMs)}–${clockTime(at.toMs)}` : ''
})
const helped = computed(() => helpOf(props.question.seen?.gap))
</script>

<template>
  <article class="question" :aria-label="question.stem">
    <header>
      <span class="number mono">{{ n(question.number) }}</span>
      <h3 dir="auto">{{ question.stem }}</h3>
      <RouterLink
        v-if="mayEdit"
        :to="{
          name: 'bench',
          params: { lessonId },
          query: { part: question.partId, ask: question.placeId },
        }"
        >{{ t('reports.onBench') }}</RouterLink
      >
    </header>
    <p class="muted where" dir="auto">
      {{ question.partTitle
      }}<template v-if="question.atMs !== null"> · {{ clockTime(question.atMs) }}</template> ·
      {{ t(`ask.kind.${question.kind}`) }} ·
      {{ t('reports.answeredBy', { n: n(question.answered) }, question.answered) }}
    </p>
    <div class="body">
      <div>
        <p class="big">
          <b>{{ percent(question.difficulty) }}</b> {{ t('reports.ofPoints') }}
        </p>
        <svg
          v-if="question.difficulty !== null"
          viewBox="0 0 100 8"
          preserveAspectRatio="none"
          class="bar"
          aria-hidden="true"
        >
          <rect width="100" height="8" class="room" />
          <rect :width="question.difficulty * 100" height="8" class="part" />
        </svg>
        <dl>
          <div>
            <dt>{{ t('reports.discrimination') }}</dt>
            <dd>
              <span class="mono">{{ figure(question.discrimination) }}</span>
              <small :class="telling">{{ t(`reports.telling.${telling}`) }}</small>
            </dd>
          </div>
          <div>
            <dt>{{ t('reports.upperLower') }}</dt>
            <dd class="mono">{{ figure(question.upperLower) }}</dd>
          </div>
          <div>
            <dt>{{ t('reports.medianTime') }}</dt>
            <dd class="mono">{{ seconds }}</dd>
          </div>
          <div>
            <dt>{{ t('reports.tries') }}</dt>
            <dd class="mono">{{ figure(question.tries, 1) }}</dd>
          </div>
        </dl>
      </div>
      <div>
        <h4>{{ t('reports.seenIt') }}</h4>
        <p v-if="!question.seen" class="muted">
          {{ t(question.evidence ? 'reports.seenUnknown' : 'reports.noEvidence') }}
        </p>
        <template v-else>
          <p class="muted evidence">{{ t('reports.answerAt', { range: evidence }) }}</p>
          <table class="seen">
            <tbody>
              <tr v-for="row in ['withIt', 'without'] as const" :key="row">
                <th scope="row">{{ t(`reports.${row}`) }}</th>
                <td class="mono">{{ percent(seenShare(question.seen[row])) }}</td>
                <td class="muted">
                  {{
                    t('reports.rightOf', {
                      right: n(question.seen[row].count),
                      of: n(question.seen[row].of),
                    })
                  }}
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="question.seen.gap" :class="helped">
            {{
              t(`reports.gap.${helped}`, {
                low: percent(question.seen.gap.low),
                high: percent(question.seen.gap.high),
              })
            }}
          </p>
        </template>
      </div>
      <div v-if="question.options.length > 0" class="wide">
        <table class="options">
          <thead>
            <tr>
              <th scope="col">{{ t('reports.option') }}</th>
              <th v-for="third in THIRDS" :key="third" scope="col">{{ t(`reports.${third}`) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="option in question.options"
              :key="option.id"
              :class="{ right: option.right }"
            >
              <th scope="row" dir="auto">
                <span aria-hidden="true" class="tick">{{ option.right ? '✓' : '' }}</span>
                {{ labelOf(option.label) }}
                <span v-if="option.right" class="visually-hidden">{{ t('reports.isRight') }}</span>
                <small v-if="option.isMisleading" class="misleads">{{
                  t('reports.misleads')
                }}</small>
              </th>
              <td v-for="third in THIRDS" :key="third">
                <span class="cell">
                  <svg viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
                    <rect width="100" height="8" class="room" />
                    <rect :width="option[third] * 100" height="8" class="part" />
                  </svg>
                  <span class="mono">{{ percent(option[third]) }}</span>
                </span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-else-if="question.oftenSaid.length > 0" class="wide">
        <h4>{{ t('reports.oftenSaid') }}</h4>
        <ul class="said">
          <li v-for="one in question.oftenSaid" :key="one.text">
            <span class="mono">{{ n(one.count) }}×</span> <span dir="auto">{{ one.text }}</span>
          </li>
        </ul>
      </div>
      <p v-else-if="question.byPerson" class="muted wide">{{ t('reports.byPerson') }}</p>
    </div>
  </article>
</template>

<style scoped>
.question {
  margin-bottom: 14px;
  padding: 14px 22px 18px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
h3 {
  flex: 1;
  font-family: var(--reading);
  font-size: 17px;
  font-weight: 600;
}
h4 {
  margin-bottom: 2px;
  font-size: 13.5px;
  color: var(--ink-2);
}
.number {
  color: var(--ink-2);
}
.where {
  margin-bottom: 10px;
  font-size: 13.5px;
}
.body {
  display: grid;
  grid-template-columns: minmax(220px, 1fr) minmax(240px, 1fr) minmax(0, 2fr);
  gap: 14px 30px;
}
.big b {
  font-family: var(--reading);
  font-size: 26px;
}
.bar,
.cell svg {
  display: block;
  width: 100%;
  height: 9px;
}
.room {
  fill: var(--sunk);
}
.part {
  fill: var(--fern);
}
.options tr:not(.right) .part {
  fill: var(--rust);
}
dl {
  margin: 8px 0 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 2px 0;
  font-size: 13.5px;
}
dt {
  color: var(--ink-2);
}
dd {
  margin: 0;
  text-align: end;
}
dd small {
  display: block;
}
.against,
.misleads,
.hindered {
  color: var(--rust);
}
.misleads {
  display: block;
  font-weight: 600;
}
.evidence {
  font-size: 13.5px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13.5px;
}
th,
td {
  padding-block: 4px;
  padding-inline: 0 10px;
  border-top: 1px solid var(--line);
  text-align: start;
  vertical-align: baseline;
}
th[scope='row'] {
  font-weight: 400;
}
.right th[scope='row'] {
  font-weight: 650;
}
.seen td:nth-child(2) {
  font-weight: 650;
}
.options th:first-child {
  width: 46%;
}
.tick {
  display: inline-block;
  width: 14px;
  color: var(--fern);
}
.cell {
  display: grid;
  grid-template-columns: minmax(28px, 1fr) 3.2em;
  gap: 6px;
  align-items: center;
}
.said {
  margin: 0;
  padding: 0;
  list-style: none;
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .wide {
    grid-column: 1 / -1;
  }
}
@media (max-width: 620px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
