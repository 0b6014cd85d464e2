<script setup lang="ts">
// A page of the web in a sandbox: it can neither reach the lesson nor lead the window away from it.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { hostOf, isSameOrigin } from './webAddress.ts'

const props = defineProps<{ address: string; title: string }>()
const { t } = useI18n()
/** A page of another origin may keep its own; one of ours would get hold of the lesson by it. */
const sandbox = computed(() => {
  const allowed = 'allow-scripts allow-forms allow-popups allow-popups-to-escape-sandbox'
  return isSameOrigin(props.address) ? allowed : `${allowed} allow-same-origin`
})
</script>

<template>
  <iframe
    :key="address"
    :src="address"
    :title="title || hostOf(address) || t('player.openedPage')"
    :sandbox="sandbox"
    referrerpolicy="no-referrer"
    allow="fullscreen 'none'; camera 'none'; microphone 'none'; geolocation 'none'"
  />
</template>

<style scoped>
iframe {
  display: block;
  width: 100%;
  height: 100%;
  border: 0;
  background: #ffffff;
  color-scheme: light;
}
</style>
