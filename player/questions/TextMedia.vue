<script setup lang="ts">
// A picture, a sound, a stretch of film or a page of the web in a text.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Block } from '@fernbrake/core/fields'
import { clockTime } from '@fernbrake/core/media'
import PageCard from '../pages/PageCard.vue'
import { ADDRESSES, STRETCHES } from './answerView.ts'

const props = defineProps<{
  block: Extract<Block, { block: 'picture' | 'sound' | 'stretch' | 'page' }>
}>()
const { t } = useI18n()
const addresses = inject(ADDRESSES, null)
const playing = inject(STRETCHES, null)
const still = computed(() => {
  const { block } = props
  return block.block === 'stretch' ? (addresses?.still(block.partId) ?? null) : null
})
const address = computed(() => {
  const { block } = props
  if (block.block === 'page') return null
  if (block.block !== 'stretch') return addresses?.medium(block.mediaId) ?? null
  const film = addresses?.film(block.partId) ?? null
  return film && `${film}#t=${block.fromMs / 1000},${block.toMs / 1000}`
})
</script>

<template>
  <PageCard v-if="block.block === 'page'" :block="block" />
  <component :is="playing.view" v-else-if="playing && block.block === 'stretch'" :stretch="block" />
  <span v-else class="medium">
    <img v-if="address === null && still" :src="still" alt="" />
    <span v-else-if="address === null" class="missing">{{ t('player.mediumMissing') }}</span>
    <img v-else-if="block.block === 'picture'" :src="address" :alt="block.alternative" />
    <template v-else-if="block.block === 'sound'">
      <span dir="auto">{{ block.title }}</span>
      <audio :src="address" :aria-label="block.title" controls preload="none" />
    </template>
    <video
      v-else
      :src="address"
      :aria-label="
        t('player.stretch', { from: clockTime(block.fromMs), to: clockTime(block.toMs) })
      "
      controls
      playsinline
      preload="metadata"
    />
  </span>
</template>

<style scoped>
.medium {
  display: block;
  margin: 6px 0;
}
img,
video {
  display: block;
  max-width: 100%;
  max-height: 320px;
}
audio {
  display: block;
  width: 100%;
}
.missing {
  color: var(--ink-2);
  font-size: 13.5px;
}
</style>
