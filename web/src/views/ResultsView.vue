<script setup lang="ts">
// Results of an edition: how the class did, part by part, and every learner.
import Select from 'primevue/select'
import { computed, ref, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { partsInOrder } from '@fernbrake/core/lesson'
import { call, isKeptFrom } from '../api/client.ts'
import LessonHead from '../lesson/LessonHead.vue'
import LearnerTable from '../results/LearnerTable.vue'
import { useLiveResults } from '../results/useLiveResults.ts'
import PartResults from '../results/PartResults.vue'
import ReportFiles from '../reports/ReportFiles.vue'
import ReportTabs from '../reports/ReportTabs.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t, n } = useI18n()
const edition = ref<number | undefined>()
const fetchResults = () =>
  call('results', { params: { lessonId: props.lessonId }, query: { edition: edition.value } })
const { value, error, loading, reload } = useLoaded(fetchResults)
useLiveResults(props.lessonId, async () => {
  const asked = edition.value
  const newer = await fetchResults()
  if (edition.value === asked) value.value = newer
})
const lesson = computed(() => value.value?.lesson ?? null)
const notTheirs = computed(() => isKeptFrom(error.value))
watchEffect(() => {
  if (lesson.value) document.title = t('results.title', { title: lesson.value.title })
})
const parts = computed(() => (lesson.value ? partsInOrder(lesson.value) : []))
const learners = computed(() => value.value?.learners ?? [])
const editions = computed(() =>
  (value.value?.editions ?? [])
    .map(({ number }) => ({ value: number, label: t('results.edition', { number }) }))
    .reverse(),
)
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })

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
      value: percent(mean(list.flatMap((learner) => learner.watched ?? []))),
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
  <LessonHead :lesson-id="lessonId" :title="lesson?.title ?? ''" :sees-results="!notTheirs" />
  <main class="page">
    <div class="top">
      <h1>{{ t('results.titleOnly') }}</h1>
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
    <ReportTabs v-if="!notTheirs" :source-id="lessonId" report="overview" />
    <ReportFiles
      v-if="learners.length > 0"
      class="files"
      source="lesson"
      :source-id="lessonId"
      report="overview"
      :edition="edition"
    />
    <p v-if="notTheirs" class="empty">{{ t('results.notYours') }}</p>
    <FaultNotice v-else-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
      <div class="skeleton bone tall" />
    </div>
    <p v-else-if="!lesson" class="empty">{{ t('results.noEdition') }}</p>
    <p v-else-if="learners.length === 0" class="empty">{{ t('results.noLearners') }}</p>
    <template v-else>
      <dl class="summary">
        <div v-for="item in summary" :key="item.word">
          <dd>{{ item.value }}</dd>
          <dt>{{ item.word }}</dt>
        </div>
      </dl>
      <p v-if="learners.length < 10" class="muted few">{{ t('results.few') }}</p>
      <PartResults
        v-for="part in parts"
        :key="part.id"
        :lesson="lesson"
        :part="part"
        :results="value!"
        :named="parts.length > 1"
      />
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
.files {
  justify-content: flex-end;
  margin: -6px 0 14px;
}
.bone {
  height: 90px;
  margin-bottom: 16px;
}
.tall {
  height: 320px;
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
  border-inline-start: 1px solid var(--line);
}
.summary div:first-child {
  border-inline-start: 0;
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
h2 {
  margin-bottom: 12px;
}
</style>
