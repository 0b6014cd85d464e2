<script setup lang="ts">
// The classes that somebody teaches, and beginning one.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, shallowRef } from 'vue'
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { LONGEST_TITLE } from '@fernbrake/core/classes'
import { call } from '../api/client.ts'
import AppBar from '../ui/AppBar.vue'
import { writeMoment } from '../ui/dates.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
const router = useRouter()
const { value, error, loading, reload } = useLoaded(() =>
  call('classes').then(({ classes }) => classes),
)
const running = computed(() => value.value?.filter(({ isOver }) => !isOver) ?? [])
const over = computed(() => value.value?.filter(({ isOver }) => isOver) ?? [])
const title = ref('')
const fault = shallowRef<unknown>(null)
const id = nanoid()

async function begin(): Promise<void> {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  fault.value = null
  try {
    await call('createClass', { body: { id, title: title.value.trim(), timeZone } })
    await router.push({ name: 'class', params: { classId: id } })
  } catch (caught) {
    fault.value = caught
  }
}
document.title = t('classes.all')
</script>

<template>
  <AppBar />
  <main class="page">
    <div class="top">
      <h1>{{ t('classes.all') }}</h1>
      <form @submit.prevent="begin">
        <InputText
          v-model="title"
          :maxlength="LONGEST_TITLE"
          dir="auto"
          :aria-label="t('classes.newTitle')"
          :placeholder="t('classes.newTitle')"
        />
        <Button type="submit" :label="t('classes.begin')" :disabled="title.trim() === ''" />
      </form>
    </div>
    <FaultNotice v-if="fault" :error="fault" @retry="begin" />
    <FaultNotice v-if="error" :error="error" @retry="reload" />
    <div v-else-if="loading && !value" role="status" :aria-label="t('app.loading')">
      <div v-for="index in 2" :key="index" class="skeleton bone" />
    </div>
    <p v-else-if="value?.length === 0" class="empty">{{ t('classes.none') }}</p>
    <template v-for="list in [running, over]" :key="Number(list === over)">
      <h2 v-if="list === over && list.length > 0">{{ t('classes.overOnes') }}</h2>
      <ul v-if="list.length > 0" class="classes">
        <li v-for="one in list" :key="one.id">
          <RouterLink :to="{ name: 'class', params: { classId: one.id } }">
            <b dir="auto">{{ one.title }}</b>
            <span class="muted">
              {{ t('classes.people', one.members) }}
              <template v-if="one.groups > 0"
                >· {{ t('classes.groupCount', one.groups) }}&nbsp;</template
              >
              <template v-if="one.lastSeenAt"
                >·
                {{ t('home.lastSeen', { when: writeMoment(new Date(one.lastSeenAt)) }) }}</template
              >
            </span>
          </RouterLink>
          <ul v-if="list === running && one.given.length > 0" class="given">
            <li v-for="{ assignmentId, title: lesson } in one.given" :key="assignmentId">
              <RouterLink
                :to="{ name: 'standing', params: { classId: one.id, assignmentId } }"
                dir="auto"
                >{{ lesson }}</RouterLink
              >
            </li>
          </ul>
        </li>
      </ul>
    </template>
  </main>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
  margin-bottom: 24px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.classes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 16px;
  margin: 0 0 28px;
  padding: 0;
  list-style: none;
}
.given {
  display: grid;
  gap: 4px;
  margin: 8px 0 0;
  padding-inline: 22px 0;
  list-style: none;
}
.classes > li > a {
  display: grid;
  gap: 4px;
  padding: 18px 22px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  text-decoration: none;
}
.classes > li > a:hover {
  border-color: var(--line-strong);
}
.classes b {
  font-family: var(--reading);
  font-size: 21px;
  font-weight: 600;
}
h2 {
  margin-bottom: 12px;
}
.bone {
  height: 84px;
  margin-bottom: 16px;
}
</style>
