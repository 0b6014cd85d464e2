<script setup lang="ts">
// A report to take along as a file, or to send by mail.
import Button from 'primevue/button'
import { nextTick, ref, useId, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { ReportFormat, ReportName } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import { useSession } from '../stores/session.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useAct } from '../ui/useAct.ts'
import FormatLinks from './FormatLinks.vue'
import type { ReportSource } from './useReport.ts'

const props = defineProps<
  ReportSource & { report: ReportName; edition?: number | undefined; empty?: boolean }
>()
const { t } = useI18n()
const session = useSession()
const id = useId()
const mailing = ref(false)
const sent = ref(0)
const { busy: sending, fault, act } = useAct()
const to = ref(session.person?.email ?? '')
const field = useTemplateRef('field')

function addressOf(format: ReportFormat): string {
  const { source, sourceId, report, edition } = props
  const query = new URLSearchParams({ format, ...(edition ? { edition: String(edition) } : {}) })
  return `/api/results/${source}/${sourceId}/files/${report}?${query.toString()}`
}
async function open(): Promise<void> {
  mailing.value = !mailing.value
  sent.value = 0
  await nextTick()
  field.value?.focus()
}
async function send(): Promise<void> {
  const addresses = to.value.split(/[\s,;]+/).filter(Boolean)
  if (addresses.length === 0) return
  const { source, sourceId, edition } = props
  await act(async () => {
    const body = { to: addresses, ...(edition ? { edition } : {}) }
    sent.value = (await call('mailReport', { params: { source, sourceId }, body })).sent
    mailing.value = false
  })
}
</script>

<template>
  <div class="files">
    <FormatLinks :address-of="addressOf" />
    <Button
      :label="t('reports.mail')"
      size="small"
      severity="secondary"
      variant="outlined"
      :aria-expanded="mailing"
      @click="open"
    />
    <form v-if="mailing" class="mail" @submit.prevent="send">
      <label :for="`${id}-to`">{{ t('reports.to') }}</label>
      <input
        :id="`${id}-to`"
        ref="field"
        v-model="to"
        type="text"
        inputmode="email"
        autocomplete="email"
        :aria-describedby="`${id}-help`"
      />
      <Button type="submit" :label="t('reports.send')" size="small" :loading="sending" />
      <small :id="`${id}-help`" class="muted">{{ t('reports.mailHelp') }}</small>
    </form>
    <FaultNotice v-if="fault" :error="fault" @retry="send" />
    <p v-if="sent > 0" class="notice fern" role="status">
      {{ t('reports.sent', sent) }}
      <RouterLink to="/stand-ins/mailbox">{{ t('reports.toMailbox') }}</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.files {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
}
.mail {
  display: grid;
  grid-template-columns: auto minmax(180px, 320px) auto;
  gap: 6px 10px;
  align-items: center;
  flex-basis: 100%;
  justify-content: end;
}
.mail input {
  padding: 6px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
.mail small {
  grid-column: 2 / -1;
}
.notice {
  flex-basis: 100%;
}
</style>
