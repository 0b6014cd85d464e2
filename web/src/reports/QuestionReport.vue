<script setup lang="ts">
// How the questions did: the whole in a sentence, then each with what was picked, how it tells, and whether it was seen.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { QuestionAnalysis } from '@fernbrake/core/contract'
import LabelledSelect from '../ui/LabelledSelect.vue'
import ChartFigure from './ChartFigure.vue'
import QuestionCard from './QuestionCard.vue'
import { useFigures } from './useReport.ts'

const props = defineProps<{ analysis: QuestionAnalysis; mayEdit: boolean }>()
const { t, n } = useI18n()
const { figure } = useFigures()
const test = computed(() => props.analysis.test)
type Order = 'number' | 'hardest' | 'telling'
const order = ref<Order>('number')
const ORDERS = (['number', 'hardest', 'telling'] as const).map((value) => ({
  value: value as Order,
  label: t(`reports.questionOrder.${value}`),
}))
const questions = computed(() => {
  const worst = (value: number | null) => value ?? Infinity
  return [...props.analysis.questions].sort((a, b) =>
    order.value === 'hardest'
      ? worst(a.difficulty) - worst(b.difficulty)
      : order.value === 'telling'
        ? worst(a.discrimination) - worst(b.discrimination)
        : a.number - b.number,
  )
})
const figures = computed(() => [
  { word: t('reports.median'), value: figure(test.value.median) },
  {
    word: t('reports.middleHalf'),
    value: test.value.quartiles
      ? `${figure(test.value.quartiles.lower)}–${figure(test.value.quartiles.upper)}`
      : '–',
  },
  { word: t('reports.sd'), value: figure(test.value.sd) },
  { word: t('reports.reliability'), value: figure(test.value.reliability) },
  { word: t('reports.error'), value: figure(test.value.error) },
])
const tenths = computed(() => test.value.tenths.map((_, at) => `${at * 10}–${at * 10 + 10} %`))
const spread = computed(() => ({
  labels: tenths.value,
  datasets: [{ label: t('reports.learners'), data: test.value.tenths, backgroundColor: '--fern' }],
}))
</script>

<template>
  <section class="whole">
    <div>
      <p class="sentence">
        {{
          t(
            'reports.reached',
            { learners: n(test.learners), mean: figure(test.mean, 1), max: figure(test.max, 1) },
            test.learners,
          )
        }}
      </p>
      <p v-if="test.learners > 0 && !test.isEnough" class="notice straw">{{ t('reports.few') }}</p>
      <dl>
        <div v-for="one in figures" :key="one.word">
          <dt>{{ one.word }}</dt>
          <dd class="mono">{{ one.value }}</dd>
        </div>
      </dl>
      <p class="muted help">{{ t('reports.reliabilityHelp') }}</p>
    </div>
    <ChartFigure
      :caption="t('reports.spreadCaption')"
      type="bar"
      :data="spread"
      :x-title="t('reports.shareOfMarks')"
      :y-title="t('reports.learners')"
      :heads="[t('reports.shareOfMarks'), t('reports.learners')]"
      :rows="test.tenths.map((count, at) => [tenths[at]!, n(count)])"
    />
  </section>
  <LabelledSelect v-model="order" class="order" :label="t('reports.orderBy')" :options="ORDERS" />
  <QuestionCard
    v-for="one in questions"
    :key="one.questionId"
    :question="one"
    :lesson-id="analysis.lessonId"
    :may-edit="mayEdit"
  />
</template>

<style scoped>
.whole {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 28px;
  margin-bottom: 20px;
  padding: 18px 22px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.sentence {
  margin-bottom: 10px;
  font-family: var(--reading);
  font-size: 17px;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
dt {
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-weight: 600;
}
.help {
  margin-top: 8px;
  font-size: 13.5px;
}
.order {
  width: 240px;
  margin-bottom: 12px;
}
</style>
