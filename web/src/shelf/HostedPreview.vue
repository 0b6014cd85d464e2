<script setup lang="ts">
// A film that stays with its host, as the host shows it, with its own buttons.
import { computed, onMounted, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import { hostedFrame } from '@fernbrake/player'

const props = defineProps<{ hosted: NonNullable<Media['hosted']>; title: string }>()
const { t } = useI18n()
const host = computed(() => props.hosted.host || new URL(props.hosted.page).hostname)
const slot = useTemplateRef('slot')
onMounted(() => slot.value?.append(hostedFrame(props.hosted.player, props.title)))
</script>

<template>
  <div>
    <div ref="slot" class="frame" />
    <p class="help">
      {{ t('shelf.hosted', { host: host }) }}
      <a :href="hosted.page" target="_blank" rel="noopener">{{ t('shelf.hostPage') }}</a>
    </p>
  </div>
</template>

<style scoped>
.frame {
  aspect-ratio: 16 / 9;
  background: #000;
}
.frame :deep(iframe) {
  width: 100%;
  height: 100%;
  border: 0;
}
.help {
  margin-top: 6px;
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
