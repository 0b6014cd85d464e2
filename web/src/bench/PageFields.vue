<script setup lang="ts">
// A page of the web: its address, whether it answers, and where it opens. It is looked at as soon as it is named.
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { PageCheck } from '@fernbrake/core/contract'
import type { Opens } from '@fernbrake/core/fields'
import { call } from '../api/client.ts'
import AddressField from './AddressField.vue'
import ChoiceField from './ChoiceField.vue'
import { useRights } from './useBench.ts'

const props = defineProps<{ label: string; address: string | null; opens: Opens }>()
const emit = defineEmits<{
  change: [page: { address: string | null; opens: Opens }]
  /** What the page calls itself. */
  found: [title: string]
}>()
const rights = useRights()
const { t } = useI18n()
const found = ref<PageCheck | 'unreachable' | null>(null)
const looking = ref(false)
let asked = 0
const ways = computed(() =>
  (['inside', 'newTab'] as const).map((value) => ({ value, label: t(`page.opens.${value}`) })),
)
const isGood = computed(() => typeof found.value === 'object' && found.value?.finding === 'inside')

/** Looks at a page; where it was just named, what is found decides where it opens. */
async function look(address: string, decides: boolean): Promise<void> {
  const mine = (asked += 1)
  looking.value = true
  found.value = null
  const answer = await call('checkPage', { body: { address } }).catch(() => 'unreachable' as const)
  if (mine !== asked) return
  looking.value = false
  found.value = answer
  if (answer !== 'unreachable' && answer.title) emit('found', answer.title)
  const isFramed = answer !== 'unreachable' && answer.finding === 'inside'
  const isRefused = answer !== 'unreachable' && answer.finding === 'newTab'
  const opens = isFramed ? 'inside' : isRefused ? 'newTab' : props.opens
  if (decides && props.address === address && opens !== props.opens)
    emit('change', { address, opens })
}
function name(typed: string): void {
  emit('change', { address: typed || null, opens: props.opens })
  if (typed) void look(typed, true)
}
// What was found belongs to the address it was found at: undo, or somebody else, may have brought another.
watch(
  () => props.address,
  () => {
    if (looking.value) return
    found.value = null
  },
)
</script>

<template>
  <AddressField :label="label" :address="address ?? ''" @change="name" />
  <p v-if="looking" role="status">{{ t('page.looking') }}</p>
  <p
    v-else-if="found"
    class="notice"
    :class="isGood ? 'fern' : 'straw'"
    role="status"
    data-test="page-found"
  >
    <template v-if="found === 'unreachable'">{{ t('page.found.unreachable') }}</template>
    <template v-else>
      {{ t(`page.found.${found.finding}`, { status: found.status ?? '' }) }}
      <b v-if="found.title" dir="auto">{{ found.title }}</b>
    </template>
  </p>
  <Button
    v-if="address && !looking && rights.canEdit.value"
    class="look"
    :label="t('page.look')"
    size="small"
    severity="secondary"
    variant="text"
    @click="look(address, false)"
  />
  <ChoiceField
    v-if="address"
    :label="t('page.opensLabel')"
    :value="opens"
    :choices="ways"
    @change="emit('change', { address, opens: $event })"
  />
</template>

<style scoped>
.look {
  align-self: start;
}
.notice b {
  display: block;
}
</style>
