<script setup lang="ts">
// A quiet strip when something about sending is worth knowing: offline, signed out, or refused.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { HostState } from '../hosts/Host.ts'

const props = defineProps<{ state: HostState }>()
const { t } = useI18n()
const signInAddress = `/sign-in?to=${encodeURIComponent(location.pathname)}`
const sentence = computed(() => {
  const { connection, waiting, unkept, refused } = props.state
  // First, because only now something can be lost.
  if (unkept > 0 && connection !== 'online') return t('player.unkept', unkept)
  if (connection === 'readOnly') return t('player.readOnly', waiting)
  if (connection === 'offline') return t('player.offline', waiting)
  if (connection === 'signedOut') return t('player.signedOut', waiting)
  if (refused.length > 0)
    return t(
      'player.refused',
      { reason: refused.at(-1)!.message, n: refused.length },
      refused.length,
    )
  return null
})
</script>

<template>
  <div role="status" class="strip-place">
    <p v-if="sentence" class="strip">
      {{ sentence }}
      <a v-if="state.connection === 'signedOut'" :href="signInAddress">{{
        t('player.signInAgain')
      }}</a>
    </p>
  </div>
</template>

<style scoped>
.strip {
  padding: 8px 22px;
  background: var(--straw-soft);
  color: var(--ink);
  font-size: 13.5px;
}
.strip a {
  color: inherit;
  margin-inline-start: 8px;
}
</style>
