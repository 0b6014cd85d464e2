<script setup lang="ts">
// All learners of an edition, a line each; a line opens to the learner's stretches and answers.
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { LearnerResult } from '@fernbrake/core/contract'
import { filmsInOrder, type Lesson } from '@fernbrake/core/lesson'
import { Frond } from '@fernbrake/player'
import { writeMoment } from '../ui/dates.ts'
import LearnerDetail from './LearnerDetail.vue'

const props = defineProps<{ lessonId: string; lesson: Lesson; learners: LearnerResult[] }>()
const { t, n } = useI18n()
const opened = ref<Record<string, boolean>>({})
/** The film whose stretches are drawn beside each name; a lesson need not have one. */
const film = computed(() => filmsInOrder(props.lesson)[0] ?? null)
const percent = (share: number) => n(share, { style: 'percent', maximumFractionDigits: 0 })
const number = (value: number) => n(value, { maximumFractionDigits: 2 })
</script>

<template>
  <DataTable
    v-model:expanded-rows="opened"
    :value="learners"
    data-key="attemptId"
    sort-field="name"
    :sort-order="1"
    size="small"
    removable-sort
    :paginator="learners.length > 100"
    :rows="100"
  >
    <Column expander style="width: 3rem">
      <template #header>
        <span class="visually-hidden">{{ t('results.open') }}</span>
      </template>
    </Column>
    <Column field="name" :header="t('results.name')" sortable>
      <template #body="{ data }">
        <span dir="auto">{{ data.name }}</span>
        <small v-if="data.guest" class="guest">{{ t('results.guest') }}</small>
      </template>
    </Column>
    <Column field="watched" :header="t('results.watched')" sortable style="width: 34%">
      <template #body="{ data }">
        <div class="watched">
          <span v-if="data.watched !== null" class="mono">{{ percent(data.watched) }}</span>
          <Frond
            v-if="film"
            :duration-ms="film.durationMs ?? 0"
            :cues="[]"
            :covered="data.stretches[film.id] ?? []"
            small
            :labels="false"
          />
        </div>
      </template>
    </Column>
    <Column field="answered" :header="t('results.answered')" sortable>
      <template #body="{ data }"
        ><span class="mono">{{ data.answered }} / {{ data.questions }}</span></template
      >
    </Column>
    <Column field="points" :header="t('results.score')" sortable>
      <template #body="{ data }"
        ><span class="mono">{{ number(data.points) }} / {{ number(data.max) }}</span></template
      >
    </Column>
    <Column field="finishedAt" :header="t('results.state')" sortable>
      <template #body="{ data }">{{
        data.finishedAt ? t('results.finished') : t('results.begun')
      }}</template>
    </Column>
    <Column field="timesOpened" :header="t('results.timesOpened')" sortable>
      <template #body="{ data }"
        ><span class="mono">{{ n(data.timesOpened) }}</span></template
      >
    </Column>
    <Column field="lastSeenAt" :header="t('results.lastSeen')" sortable>
      <template #body="{ data }">{{ writeMoment(new Date(data.lastSeenAt)) }}</template>
    </Column>
    <template #expansion="{ data }">
      <LearnerDetail :lesson-id="lessonId" :lesson="lesson" :learner="data" />
    </template>
  </DataTable>
</template>

<style scoped>
.watched {
  display: grid;
  grid-template-columns: 3.4em minmax(0, 1fr);
  align-items: center;
}
.guest {
  margin-inline-start: 8px;
  padding: 1px 6px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  color: var(--ink-2);
}
</style>
