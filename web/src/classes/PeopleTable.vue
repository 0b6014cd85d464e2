<script setup lang="ts">
// Everybody in a class, a line each; a line opens to what can be changed about somebody.
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { nameKey } from '@fernbrake/core/classes'
import type { Class, Member } from '@fernbrake/core/contract'
import { writeMoment } from '../ui/dates.ts'

const props = defineProps<{ school: Class; chosenId: string | null }>()
const emit = defineEmits<{ choose: [personId: string] }>()
const { t } = useI18n()
const words = ref('')
/** Which group is shown; `all` and `left` are no groups. */
const shown = ref('all')
const choices = computed(() => [
  { value: 'all', label: t('classes.everybody') },
  ...props.school.groups.map(({ id, title }) => ({ value: id, label: title })),
  ...(props.school.members.some(({ leftAt }) => leftAt)
    ? [{ value: 'left', label: t('classes.whoLeft') }]
    : []),
])
const found = computed(() => {
  const key = nameKey(words.value)
  return props.school.members.filter(
    (member) =>
      (shown.value === 'left') === (member.leftAt !== null) &&
      (shown.value === 'all' || shown.value === 'left' || member.groups.includes(shown.value)) &&
      (key === '' || nameKey(member.name).includes(key) || member.signIn?.includes(key)),
  )
})
const groupsOf = (member: Member) =>
  props.school.groups
    .filter(({ id }) => member.groups.includes(id))
    .map(({ title }) => title)
    .join(', ')
</script>

<template>
  <div class="tools">
    <InputText
      v-model="words"
      type="search"
      :aria-label="t('classes.find')"
      :placeholder="t('classes.find')"
    />
    <Select
      v-if="choices.length > 1"
      v-model="shown"
      :options="choices"
      option-label="label"
      option-value="value"
      :aria-label="t('classes.show')"
    />
    <p class="muted" role="status">{{ t('classes.people', found.length) }}</p>
  </div>
  <DataTable
    :value="found"
    data-key="id"
    size="small"
    removable-sort
    :paginator="found.length > 100"
    :rows="100"
    :row-class="({ id }: Member) => (id === chosenId ? 'chosen' : '')"
  >
    <Column field="name" :header="t('classes.name')" sortable>
      <template #body="{ data }">
        <Button
          class="who"
          :label="data.name"
          variant="text"
          severity="secondary"
          :aria-expanded="data.id === chosenId"
          dir="auto"
          @click="emit('choose', data.id)"
        />
      </template>
    </Column>
    <Column field="signIn" :header="t('classes.signIn')" sortable>
      <template #body="{ data }">
        <span v-if="data.signIn" class="mono small">{{ data.signIn }}</span>
      </template>
    </Column>
    <Column v-if="school.groups.length > 0" :header="t('classes.groups')">
      <template #body="{ data }">
        <span dir="auto">{{ groupsOf(data) }}</span>
      </template>
    </Column>
    <Column field="card" :header="t('classes.comesIn')" sortable>
      <template #body="{ data }">{{ t(`classes.card.${data.card}`) }}</template>
    </Column>
    <Column field="lastSeenAt" :header="t('assign.lastSeen')" sortable>
      <template #body="{ data }">
        <span v-if="data.lastSeenAt">{{ writeMoment(new Date(data.lastSeenAt)) }}</span>
      </template>
    </Column>
  </DataTable>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  margin-bottom: 12px;
}
.tools > :first-child {
  flex: 0 1 260px;
}
.who {
  padding: 4px 6px;
  margin-inline-start: -6px;
  text-align: start;
}
.who :deep(.p-button-label) {
  color: var(--ink);
  font-weight: 600;
}
:deep(tr.chosen) {
  background: var(--fern-soft);
}
.small {
  font-size: 13.5px;
}
</style>
