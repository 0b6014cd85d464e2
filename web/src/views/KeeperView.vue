<script setup lang="ts">
// The keeper's page: disk space, and accounts with what can be done about each.
import Button from 'primevue/button'
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { computed, ref, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import type { KeptPerson } from '@fernbrake/core/contract'
import { LITTLE_FREE_BYTES } from '@fernbrake/core/media'
import { call } from '../api/client.ts'
import NewPerson from '../keeper/NewPerson.vue'
import PersonSheet from '../keeper/PersonSheet.vue'
import BesideSheet from '../ui/BesideSheet.vue'
import { writeDay } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t, n } = useI18n()
const { value, error, reload } = useLoaded(() => call('keeperOverview'))
const sought = ref('')
const chosenId = ref<string | null>(null)
const adding = ref(false)
const said = ref('')
const megabytes = (bytes: number) => n(bytes / 1_000_000, { maximumFractionDigits: 1 })
const people = computed(() => {
  const words = sought.value.trim().toLowerCase()
  return (value.value?.people ?? []).filter(
    ({ name, signIn }) =>
      name.toLowerCase().includes(words) || (signIn ?? '').toLowerCase().includes(words),
  )
})
const chosen = computed(() => value.value?.people.find(({ id }) => id === chosenId.value) ?? null)
/** What takes the space, each with its share of what is taken. */
const uses = computed(() => {
  const { mediaBytes = 0, handedBytes = 0, databaseBytes = 0, freeBytes = 0 } = value.value ?? {}
  return [
    { key: 'media', bytes: mediaBytes },
    { key: 'handed', bytes: handedBytes },
    { key: 'database', bytes: databaseBytes },
    { key: 'free', bytes: freeBytes },
  ]
})

const isShort = computed(() => value.value !== null && value.value.freeBytes < LITTLE_FREE_BYTES)

function choose(person: KeptPerson): void {
  chosenId.value = chosenId.value === person.id ? null : person.id
  adding.value = false
  said.value = ''
}
function put(person: KeptPerson): void {
  const others = value.value!.people.filter(({ id }) => id !== person.id)
  const isKnown = others.length < value.value!.people.length
  value.value = {
    ...value.value!,
    people: isKnown
      ? value.value!.people.map((one) => (one.id === person.id ? person : one))
      : [person, ...others],
  }
}
function gone(person: KeptPerson): void {
  said.value = t('keeper.removed', { name: person.name })
  chosenId.value = null
  void reload()
}
watchEffect(() => (document.title = t('keeper.title')))
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" :height="240" @retry="reload">
    <template #head>
      <h1>{{ t('keeper.title') }}</h1>
    </template>
    <template v-if="value">
      <dl class="space">
        <div v-for="use in uses" :key="use.key" :class="use.key">
          <dd>{{ t('keeper.megabytes', { n: megabytes(use.bytes) }) }}</dd>
          <dt>{{ t(`keeper.use.${use.key}`) }}</dt>
        </div>
      </dl>
      <p v-if="value?.isReadOnly" class="notice" role="alert">{{ t('keeper.readOnly') }}</p>
      <p v-else-if="isShort" class="notice straw" role="status">{{ t('keeper.littleRoom') }}</p>
      <div class="tools">
        <input
          v-model="sought"
          type="search"
          :placeholder="t('keeper.find')"
          :aria-label="t('keeper.find')"
        />
        <span class="muted" role="status">{{ t('keeper.count', people.length) }}</span>
        <Button
          :label="t('keeper.add')"
          :aria-expanded="adding"
          @click="((adding = !adding), (chosenId = null))"
        />
      </div>
      <p v-if="said" class="notice fern" role="status">{{ said }}</p>
      <BesideSheet :open="adding || chosen !== null">
        <DataTable
          :value="people"
          data-key="id"
          size="small"
          removable-sort
          :paginator="people.length > 50"
          :rows="50"
        >
          <Column field="name" :header="t('keeper.name')" sortable>
            <template #body="{ data }">
              <button type="button" class="link-button" dir="auto" @click="choose(data)">
                {{ data.name }}
              </button>
            </template>
          </Column>
          <Column field="signIn" :header="t('keeper.signIn')" sortable>
            <template #body="{ data }">
              <span class="address">{{ data.signIn }}</span>
            </template>
          </Column>
          <Column field="role" :header="t('keeper.role')" sortable>
            <template #body="{ data }">{{ t(`signIn.role.${data.role}`) }}</template>
          </Column>
          <Column field="bytes" :header="t('keeper.space')" sortable>
            <template #body="{ data }">
              <span v-if="data.bytes > 0" class="mono">{{
                t('keeper.megabytes', { n: megabytes(data.bytes) })
              }}</span>
            </template>
          </Column>
          <Column field="createdAt" :header="t('keeper.since')" sortable>
            <template #body="{ data }">{{ writeDay(new Date(data.createdAt)) }}</template>
          </Column>
        </DataTable>
        <template #sheet>
          <NewPerson v-if="adding" @made="put" @close="adding = false" />
          <PersonSheet
            v-else-if="chosen"
            :key="chosen.id"
            :person="chosen"
            @changed="put"
            @gone="gone"
            @close="chosenId = null"
          />
        </template>
      </BesideSheet>
    </template>
  </ManagedPage>
</template>

<style scoped>
h1 {
  margin-bottom: 16px;
}
.space {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  margin: 0 0 22px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
}
.space div {
  padding: 12px 20px;
}
.space div + div {
  border-inline-start: 1px solid var(--line);
}
dd {
  margin: 0;
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
}
dt {
  color: var(--ink-2);
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 18px;
  margin-bottom: 14px;
}
.tools .muted {
  flex: 1;
}
input[type='search'] {
  width: 300px;
  padding: 8px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.address {
  overflow-wrap: anywhere;
}
.notice {
  margin-bottom: 12px;
}
</style>
