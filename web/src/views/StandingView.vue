<script setup lang="ts">
// How a class stands with a lesson it was given: in a sentence, then everybody in a line.
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { stateOfAttempts, type Stand } from '@fernbrake/core/classes'
import { clockTime } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import ReportLead from '../reports/ReportLead.vue'
import ReportTabs from '../reports/ReportTabs.vue'
import { writeMoment } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ classId: string; assignmentId: string }>()
const { t, n } = useI18n()
const { value, error, reload } = useLoaded(() =>
  call('assignmentStanding', {
    params: { classId: props.classId, assignmentId: props.assignmentId },
  }),
)
const assignment = computed(() => value.value?.assignment ?? null)
const rows = computed(() =>
  (value.value?.learners ?? []).map(({ personId, name, hasLeft, attempts, posts }) => {
    const { best, state, lastSeenAt } = stateOfAttempts(attempts)
    const score = best && best.max > 0 ? best.points / best.max : null
    const tooFast = attempts.reduce((sum, one) => sum + one.tooFast, 0)
    const leftOut = attempts.reduce((sum, one) => sum + one.leftOut, 0) - tooFast
    const afterTelling = attempts.reduce((sum, one) => sum + one.afterTelling, 0)
    const doubtful = attempts.reduce((sum, one) => sum + one.doubtful, 0)
    const jumpedMs = attempts.reduce((sum, one) => sum + one.jumpedMs, 0)
    return {
      personId,
      name,
      hasLeft,
      state,
      best,
      score,
      lastSeenAt,
      leftOut,
      tooFast,
      doubtful,
      afterTelling,
      jumpedMs,
      watched: best?.watched ?? -1,
      answered: best?.answered ?? -1,
      tries: attempts.length,
      posts,
    }
  }),
)
/** Where nobody has said anything, and nobody can, there is nothing to tell of it. */
const talks = computed(
  () => assignment.value?.rules.talk || rows.value.some(({ posts }) => posts > 0),
)
const meant = computed(() => rows.value.filter(({ hasLeft }) => !hasLeft))
const count = (state: Stand) => meant.value.filter((row) => row.state === state).length
const sentence = computed(() => {
  const [complete, begun, none] = [count('complete'), count('begun'), count('notBegun')]
  return [
    t('assign.sentence.complete', { n: complete, of: n(meant.value.length) }, complete),
    ...(begun > 0 ? [t('assign.sentence.begun', begun)] : []),
    ...(none > 0 ? [t('assign.sentence.notBegun', none)] : []),
  ].join(' ')
})
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
const points = (number: number) => n(number, { maximumFractionDigits: 1 })
watchEffect(() => (document.title = assignment.value?.title ?? t('classes.all')))
</script>

<template>
  <ManagedPage :error="error" :ready="assignment !== null" @retry="reload">
    <template #back>
      <RouterLink :to="{ name: 'class', params: { classId } }">{{
        t('assign.toClass')
      }}</RouterLink>
    </template>
    <template v-if="assignment">
      <div class="top">
        <h1 dir="auto">{{ assignment.title }}</h1>
        <RouterLink :to="{ name: 'now', params: { classId, assignmentId } }">{{
          t('now.link')
        }}</RouterLink>
        <RouterLink
          :to="{ name: 'desk', params: { source: 'assignment', sourceId: assignmentId } }"
          >{{ t('marking.title') }}</RouterLink
        >
      </div>
      <ReportTabs :class-id="classId" :source-id="assignmentId" report="overview" />
      <p v-if="rows.length === 0" class="empty">{{ t('assign.nobody') }}</p>
      <template v-else>
        <ReportLead source="assignment" :source-id="assignmentId" report="overview">{{
          sentence
        }}</ReportLead>
        <div class="share" aria-hidden="true">
          <span
            v-for="state in ['complete', 'begun', 'notBegun'] as const"
            :key="state"
            :class="state"
            :style="{ flexGrow: count(state) }"
          />
        </div>
        <DataTable
          :value="rows"
          data-key="personId"
          size="small"
          removable-sort
          :paginator="rows.length > 100"
          :rows="100"
        >
          <Column field="name" :header="t('classes.name')" sortable>
            <template #body="{ data }">
              <span dir="auto">{{ data.name }}</span>
              <small v-if="data.hasLeft" class="muted"> · {{ t('assign.notMeant') }}</small>
            </template>
          </Column>
          <Column field="state" :header="t('assign.stands')" sortable>
            <template #body="{ data }">
              <span class="state" :class="data.state">{{ t(`assign.state.${data.state}`) }}</span>
            </template>
          </Column>
          <Column field="watched" :header="t('assign.watched')" sortable>
            <template #body="{ data }">
              <span v-if="data.watched >= 0" class="mono">{{ percent(data.watched) }}</span>
            </template>
          </Column>
          <Column field="answered" :header="t('assign.answered')" sortable>
            <template #body="{ data }">
              <span v-if="data.best" class="mono"
                >{{ n(data.best.answered) }} / {{ n(data.best.questions) }}</span
              >
            </template>
          </Column>
          <Column field="score" :header="t('assign.score')" sortable>
            <template #body="{ data }">
              <span v-if="data.score !== null" class="mono"
                >{{ points(data.best.points) }} / {{ points(data.best.max) }}</span
              >
            </template>
          </Column>
          <Column field="tries" :header="t('assign.attempts')" sortable>
            <template #body="{ data }">
              <span v-if="data.tries > 0" class="mono">{{ n(data.tries) }}</span>
            </template>
          </Column>
          <Column v-if="talks" field="posts" :header="t('assign.posts')" sortable>
            <template #body="{ data }">
              <span class="mono">{{ n(data.posts) }}</span>
            </template>
          </Column>
          <Column field="lastSeenAt" :header="t('assign.lastSeen')" sortable>
            <template #body="{ data }">
              <span v-if="data.lastSeenAt">{{ writeMoment(new Date(data.lastSeenAt)) }}</span>
              <small v-if="data.leftOut > 0" class="flag">{{
                t('assign.leftOut', data.leftOut)
              }}</small>
              <small v-if="data.tooFast > 0" class="flag">{{
                t('assign.tooFast', data.tooFast)
              }}</small>
              <small v-if="data.afterTelling > 0" class="flag">{{
                t('assign.afterTelling', data.afterTelling)
              }}</small>
              <small v-if="data.doubtful > 0" class="flag">{{
                t('assign.doubtful', data.doubtful)
              }}</small>
              <small v-if="data.jumpedMs > 0" class="flag">{{
                t('assign.jumped', { length: clockTime(data.jumpedMs) })
              }}</small>
            </template>
          </Column>
        </DataTable>
      </template>
    </template>
  </ManagedPage>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 20px;
  margin-bottom: 14px;
}
.top h1 {
  flex: 1 1 auto;
}
.top h1 {
  font-size: 26px;
}
.share {
  display: flex;
  height: 10px;
  margin-bottom: 20px;
  border: 1px solid var(--line);
}
.share .complete {
  background: var(--fern);
}
.share .begun {
  background: repeating-linear-gradient(45deg, var(--fern) 0 2px, var(--fern-soft) 2px 7px);
}
.share .notBegun {
  background: var(--surface);
}
.state.complete {
  font-weight: 650;
  color: var(--fern);
}
.state.notBegun {
  color: var(--ink-2);
}
.flag {
  display: block;
  color: var(--rust);
}
</style>
