<script setup lang="ts">
// The keeper's page: accounts and disk space.
import Column from 'primevue/column'
import DataTable from 'primevue/datatable'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import { writeDay } from '../ui/dates.ts'
import AppBar from '../ui/AppBar.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t, n } = useI18n()
const { value, error, loading, reload } = useLoaded(() => call('keeperOverview'))
const megabytes = (bytes: number) => n(bytes / 1_000_000, { maximumFractionDigits: 1 })
</script>

<template>
  <AppBar />
  <main class="page">
    <h1>{{ t('keeper.title') }}</h1>
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading" role="status" :aria-label="t('app.loading')">
      <div class="skeleton bone" />
    </div>
    <template v-else-if="value">
      <p class="space">
        {{
          t('keeper.space', {
            used: megabytes(value.mediaBytes),
            files: value.mediaFiles,
            free: megabytes(value.freeBytes),
          })
        }}
      </p>
      <DataTable
        :value="value.people"
        data-key="id"
        size="small"
        :paginator="value.people.length > 50"
        :rows="50"
      >
        <Column field="name" :header="t('keeper.name')" sortable />
        <Column field="email" :header="t('keeper.email')" sortable />
        <Column field="role" :header="t('keeper.role')" sortable>
          <template #body="{ data }">{{ t(`signIn.role.${data.role}`) }}</template>
        </Column>
        <Column field="createdAt" :header="t('keeper.since')" sortable>
          <template #body="{ data }">{{ writeDay(new Date(data.createdAt)) }}</template>
        </Column>
      </DataTable>
    </template>
  </main>
</template>

<style scoped>
.space {
  margin: 12px 0 24px;
  color: var(--ink-2);
}
.bone {
  height: 240px;
}
</style>
