<script setup lang="ts">
// The same lesson in other classes and editions: figures side by side, then question by question.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Comparison } from '@fernbrake/core/contract'
import ChartFigure from './ChartFigure.vue'
import { useFigures } from './useReport.ts'

const props = defineProps<{ comparison: Comparison }>()
const { t, n } = useI18n()
const { percent } = useFigures()
type Group = Comparison['groups'][number]
const COLOURS = ['--fern', '--slate', '--rust', '--plum', '--straw', '--fern-deep']
const nameOf = ({ classTitle, edition }: Group) =>
  t('reports.groupOf', { class: classTitle ?? t('reports.byLink'), edition: n(edition) })
/** One's own first, then the latest; more than these cannot be told apart in a drawing. */
const groups = computed(() =>
  [...props.comparison.groups].sort((a, b) => Number(b.isOwn) - Number(a.isOwn)),
)
const drawn = computed(() => groups.value.slice(0, COLOURS.length))
const chart = computed(() => ({
  labels: props.comparison.questions.map(({ number }) => n(number)),
  datasets: drawn.value.map((group, at) => ({
    label: nameOf(group),
    backgroundColor: COLOURS[at]!,
    data: props.comparison.questions.map(({ questionId }) => group.questions[questionId] ?? null),
  })),
}))
const rows = computed(() =>
  props.comparison.questions.map(({ questionId, number, stem }) => [
    n(number),
    stem,
    ...groups.value.map((group) => percent(group.questions[questionId] ?? null)),
  ]),
)
</script>

<template>
  <p v-if="groups.length < 2" class="sentence">{{ t('reports.alone') }}</p>
  <div class="scroll" tabindex="0" role="region" :aria-label="t('reports.groups')">
    <table class="groups">
      <thead>
        <tr>
          <th scope="col">{{ t('reports.class') }}</th>
          <th scope="col">{{ t('reports.editionHead') }}</th>
          <th scope="col">{{ t('reports.learners') }}</th>
          <th scope="col">{{ t('reports.finishedHead') }}</th>
          <th scope="col">{{ t('reports.watched') }}</th>
          <th scope="col">{{ t('reports.score') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(group, at) in groups" :key="group.key" :class="{ own: group.isOwn }">
          <th scope="row" dir="auto">
            <span
              class="key"
              :style="{ background: at < COLOURS.length ? `var(${COLOURS[at]})` : 'transparent' }"
              aria-hidden="true"
            />
            {{ group.classTitle ?? t('reports.byLink') }}
            <small v-if="group.isOwn" class="muted">{{ t('reports.thisOne') }}</small>
          </th>
          <td class="mono">{{ n(group.edition) }}</td>
          <td class="mono">{{ n(group.learners) }}</td>
          <td class="mono">{{ n(group.finished) }}</td>
          <td class="mono">{{ percent(group.watched) }}</td>
          <td class="mono">{{ percent(group.score) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
  <ChartFigure
    v-if="comparison.questions.length > 0"
    :caption="t('reports.comparedCaption')"
    type="bar"
    shares
    :max="1"
    :data="chart"
    :x-title="t('reports.questionNumber')"
    :y-title="t('reports.ofPointsAxis')"
    :heads="[t('reports.questionNumber'), t('reports.question'), ...groups.map(nameOf)]"
    :rows="rows"
  />
</template>

<style scoped>
.sentence {
  margin-bottom: 14px;
  font-family: var(--reading);
  font-size: 17px;
}
.scroll {
  margin-bottom: 24px;
  overflow-x: auto;
}
.groups {
  width: 100%;
  border: 1px solid var(--line);
  border-collapse: collapse;
  background: var(--surface);
}
th,
td {
  padding: 9px 14px;
  border-top: 1px solid var(--line);
  text-align: start;
}
thead th {
  font-size: 13.5px;
  color: var(--ink-2);
}
th[scope='row'] {
  font-weight: 500;
}
.own th[scope='row'] {
  font-weight: 700;
}
.key {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-inline-end: 6px;
}
</style>
