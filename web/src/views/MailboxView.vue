<script setup lang="ts">
// The stand-in mailbox: what would have been sent, to whom, with which files.
import { computed, ref, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../api/client.ts'
import { writeDayAndTime } from '../ui/dates.ts'
import ManagedPage from '../ui/ManagedPage.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const { t } = useI18n()
const { value, error, reload } = useLoaded(() => call('mailbox'))
const openId = ref<string | null>(null)
const mails = computed(() => value.value?.mails ?? [])
const open = computed(
  () => mails.value.find(({ id }) => id === openId.value) ?? mails.value[0] ?? null,
)
watchEffect(() => (document.title = t('mailbox.title')))
</script>

<template>
  <ManagedPage :error="error" :ready="value !== null" :height="300" @retry="reload">
    <template #head>
      <h1>{{ t('mailbox.title') }}</h1>
      <p class="muted help">{{ t('mailbox.help') }}</p>
    </template>
    <p v-if="!open" class="empty">{{ t('mailbox.none') }}</p>
    <div v-else class="box">
      <ul>
        <li v-for="mail in mails" :key="mail.id">
          <button type="button" :aria-current="mail.id === open.id" @click="openId = mail.id">
            <b dir="auto">{{ mail.subject }}</b>
            <span class="muted">{{ mail.recipient }}</span>
            <small class="muted">{{ writeDayAndTime(new Date(mail.madeAt)) }}</small>
          </button>
        </li>
      </ul>
      <article :aria-label="open.subject">
        <h2 dir="auto">{{ open.subject }}</h2>
        <p class="muted">
          {{ t('mailbox.to', { address: open.recipient }) }} ·
          {{ writeDayAndTime(new Date(open.madeAt)) }}
        </p>
        <p class="body" dir="auto">{{ open.body }}</p>
        <ul v-if="open.files.length > 0" class="files">
          <li v-for="(file, at) in open.files" :key="at">
            <a :href="`/api/mailbox/${open.id}/files/${at}`" :download="file.name">{{
              file.name
            }}</a>
          </li>
        </ul>
      </article>
    </div>
  </ManagedPage>
</template>

<style scoped>
.help {
  margin: 4px 0 18px;
}
.box {
  display: grid;
  grid-template-columns: minmax(220px, 340px) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}
.box > ul,
.files {
  margin: 0;
  padding: 0;
  list-style: none;
}
.box > ul {
  max-height: 70vh;
  border: 1px solid var(--line);
  background: var(--surface);
  overflow-y: auto;
}
button {
  display: flex;
  flex-direction: column;
  width: 100%;
  padding: 10px 14px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
button[aria-current='true'] {
  background: var(--fern-soft);
}
article {
  padding: 18px 24px;
  border: 1px solid var(--line);
  background: var(--surface);
}
.files a {
  display: inline-block;
  padding: 4px 0;
}
.body {
  max-width: 70ch;
  margin: 14px 0;
  font-family: var(--reading);
  white-space: pre-line;
}
@media (max-width: 800px) {
  .box {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
