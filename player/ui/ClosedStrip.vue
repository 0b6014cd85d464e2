<script setup lang="ts">
// That the class's time for this lesson is over; it may run out while the lesson is open.
import { computed, onScopeDispose, ref } from 'vue'
import { useI18n } from 'vue-i18n'

const props = defineProps<{ closesAt: string }>()
const { t, d } = useI18n()
const closes = computed(() => new Date(props.closesAt))
/** A device that slept looks again when it wakes. */
const EVERY_MS = 15_000
const now = ref(Date.now())
const timer = setInterval(() => (now.value = Date.now()), EVERY_MS)
onScopeDispose(() => clearInterval(timer))
const FORMAT = { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' } as const
</script>

<template>
  <p v-if="now >= closes.getTime()" class="strip" role="status">
    {{ t('player.closed', { when: d(closes, FORMAT) }) }}
  </p>
</template>

<style scoped>
.strip {
  padding: 8px 22px;
  background: var(--straw-soft);
  color: var(--ink);
  font-size: 13.5px;
}
</style>
