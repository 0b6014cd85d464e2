<script setup lang="ts">
// Who has posted what, those too who have said nothing; a name shows what they said.
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { TalkReport } from '@fernbrake/core/contract'
import { postsIn } from '@fernbrake/core/talk'
import { writeMoment } from '../ui/dates.ts'

const props = defineProps<{ people: TalkReport['people'] }>()
/** Whose posts are shown; '' for everybody's. */
const chosen = defineModel<string>({ required: true })
const { t, n } = useI18n()
const COUNTS = ['comments', 'enquiries', 'replies', 'answers'] as const
const rows = computed(() =>
  props.people
    .filter((one) => !one.hasLeft || postsIn(one) > 0)
    .map((one) => ({
      personId: one.personId,
      name: one.name,
      lastAt: one.lastAt,
      all: postsIn(one),
      what: COUNTS.filter((count) => one[count] > 0)
        .map((count) => t(`talk.${count}`, { n: n(one[count]) }, one[count]))
        .join(', '),
    })),
)
const pick = (personId: string) => (chosen.value = chosen.value === personId ? '' : personId)
</script>

<template>
  <section class="who" :aria-label="t('talk.who')">
    <h2>{{ t('talk.who') }}</h2>
    <p class="help">{{ t('talk.whoHelp') }}</p>
    <DataTable
      :value="rows"
      data-key="personId"
      size="small"
      removable-sort
      :paginator="rows.length > 60"
      :rows="60"
    >
      <Column field="name" :header="t('classes.name')" sortable>
        <template #body="{ data }">
          <button
            type="button"
            class="name"
            :aria-pressed="chosen === data.personId"
            @click="pick(data.personId)"
          >
            <span dir="auto">{{ data.name }}</span>
          </button>
          <small v-if="data.lastAt" class="muted last">{{
            t('talk.last', { when: writeMoment(new Date(data.lastAt)) })
          }}</small>
        </template>
      </Column>
      <Column field="all" :header="t('talk.all')" sortable>
        <template #body="{ data }">
          <span class="mono" :class="{ none: data.all === 0 }">{{ n(data.all) }}</span>
        </template>
      </Column>
      <Column :header="t('talk.what')">
        <template #body="{ data }">
          <small class="what">{{ data.what }}</small>
        </template>
      </Column>
    </DataTable>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
  font-size: 17px;
}
.help {
  margin-bottom: 8px;
}
.name {
  padding: 2px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  text-decoration: underline;
  text-decoration-color: var(--line-strong);
  text-underline-offset: 3px;
  cursor: pointer;
}
.name[aria-pressed='true'] {
  font-weight: 700;
  text-decoration-color: var(--fern);
  text-decoration-thickness: 3px;
}
.what {
  font-size: 13.5px;
}
.last {
  display: block;
}
.none {
  color: var(--ink-3);
}
</style>
