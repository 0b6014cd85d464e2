<script setup lang="ts">
// One view of the results of a class or of a lesson.
import { computed, shallowRef, watch, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type {
  Comparison,
  QuestionAnalysis,
  ReportName,
  WatchMap,
  WaysTaken,
} from '@fernbrake/core/contract'
import { call, isKeptFrom } from '../api/client.ts'
import LessonHead from '../lesson/LessonHead.vue'
import ComparisonReport from '../reports/ComparisonReport.vue'
import QuestionReport from '../reports/QuestionReport.vue'
import ReportFiles from '../reports/ReportFiles.vue'
import ReportTabs from '../reports/ReportTabs.vue'
import { useReport } from '../reports/useReport.ts'
import WatchReport from '../reports/WatchReport.vue'
import WaysReport from '../reports/WaysReport.vue'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'

const props = defineProps<{
  classId?: string
  assignmentId?: string
  lessonId?: string
  report: Exclude<ReportName, 'overview' | 'talk'>
}>()
const { t, n } = useI18n()
const from = computed(() =>
  props.assignmentId
    ? ({ source: 'assignment', sourceId: props.assignmentId } as const)
    : ({ source: 'lesson', sourceId: props.lessonId! } as const),
)
type Reply =
  | { report: 'watching'; reply: WatchMap }
  | { report: 'questions'; reply: QuestionAnalysis }
  | { report: 'ways'; reply: WaysTaken }
  | { report: 'comparison'; reply: Comparison }

async function load(edition: number | undefined): Promise<Reply> {
  const given = { params: from.value, query: edition === undefined ? {} : { edition } }
  switch (props.report) {
    case 'watching':
      return { report: 'watching', reply: await call('watchMap', given) }
    case 'questions':
      return { report: 'questions', reply: await call('questionAnalysis', given) }
    case 'ways':
      return { report: 'ways', reply: await call('waysTaken', given) }
    case 'comparison':
      return { report: 'comparison', reply: await call('comparison', { params: from.value }) }
  }
}
const { value, error, loading, reload, edition } = useReport(load)
/** The head stays while another view is fetched. */
const about = shallowRef<Reply['reply'] | null>(null)
watch(value, (reply) => (about.value = reply?.reply ?? about.value))
watch(
  () => props.report,
  () => void reload(),
)
const notTheirs = computed(() => isKeptFrom(error.value))
const shown = computed(() => (value.value?.report === props.report ? value.value : null))
const editions = computed(() =>
  (about.value?.editions ?? []).map(({ number, attempts }) => ({
    value: number,
    label: t('reports.editionOf', { number: n(number), attempts: n(attempts) }, attempts),
  })),
)
const picked = computed({
  get: () => edition.value ?? about.value?.edition ?? 0,
  set: (number) => (edition.value = number),
})
watchEffect(() => (document.title = about.value?.title ?? t('classes.all')))
</script>

<template>
  <LessonHead
    v-if="lessonId"
    :lesson-id="lessonId"
    :title="about?.title ?? ''"
    :sees-results="!notTheirs"
  />
  <AppBar v-else />
  <main class="page">
    <p v-if="classId" class="back">
      <RouterLink :to="{ name: 'class', params: { classId } }">{{
        t('assign.toClass')
      }}</RouterLink>
    </p>
    <div class="top">
      <div>
        <h1 dir="auto">{{ classId ? (about?.title ?? ' ') : t('results.titleOnly') }}</h1>
        <p v-if="about?.classTitle" class="muted" dir="auto">{{ about.classTitle }}</p>
      </div>
      <LabelledSelect
        v-if="editions.length > 1 && report !== 'comparison'"
        v-model="picked"
        class="edition"
        :label="t('reports.editionHead')"
        :options="editions"
      />
    </div>
    <ReportTabs v-if="!notTheirs" :class-id="classId" :source-id="from.sourceId" :report="report" />
    <p v-if="lessonId && notTheirs" class="empty">{{ t('results.notYours') }}</p>
    <FaultNotice v-else-if="error" :error="error" @retry="reload" />
    <div v-else-if="!shown" role="status" :aria-label="t('app.loading')" :aria-busy="loading">
      <div class="skeleton bone" />
      <div class="skeleton bone tall" />
    </div>
    <p v-else-if="shown.reply.edition === null" class="empty">{{ t('reports.nobody') }}</p>
    <template v-else>
      <div class="tools">
        <RouterLink
          v-if="classId && assignmentId && report === 'watching'"
          class="fb-button small say"
          :to="{ name: 'talk', params: { classId, assignmentId }, query: { say: '' } }"
          >{{ t('talk.say.class') }}</RouterLink
        >
        <ReportFiles v-bind="from" class="files" :report="report" :edition="edition" />
      </div>
      <WatchReport v-if="shown.report === 'watching'" :map="shown.reply" />
      <QuestionReport
        v-else-if="shown.report === 'questions'"
        :analysis="shown.reply"
        :may-edit="shown.reply.mayOpenBench"
      />
      <WaysReport v-else-if="shown.report === 'ways'" :ways="shown.reply" />
      <ComparisonReport v-else :comparison="shown.reply" />
    </template>
  </main>
</template>

<style scoped>
.back {
  margin-bottom: 4px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  justify-content: space-between;
  gap: 8px 20px;
  margin-bottom: 12px;
}
.top h1 {
  font-size: 26px;
}
.edition {
  min-width: 220px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin: -6px 0 14px;
}
.say {
  text-decoration: none;
}
.files {
  flex: 1;
  justify-content: flex-end;
}
.bone {
  height: 60px;
  margin-bottom: 14px;
}
.tall {
  height: 380px;
}
</style>
