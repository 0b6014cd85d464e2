<script setup lang="ts">
// The picture of a slide: a medium of its own, or a page of a document.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Slide } from '@fernbrake/core/lesson'
import { ADDRESSES } from '../../questions/answerView.ts'
import LoadedPicture from '../../ui/LoadedPicture.vue'

const props = defineProps<{ slide: Slide; small?: boolean }>()
const { t } = useI18n()
const addresses = inject(ADDRESSES, null)
const address = computed(() => {
  const { mediaId, page } = props.slide
  return page === undefined ? addresses?.medium(mediaId) : addresses?.page(mediaId, page)
})
</script>

<template>
  <span class="slide" :class="{ small }">
    <LoadedPicture
      v-if="address"
      :src="address"
      :alt="small ? '' : slide.alternative"
      :lazy="small"
      :small="small"
    />
    <span v-else-if="!small" class="missing">{{ t('player.mediumMissing') }}</span>
  </span>
</template>

<style scoped>
/* It keeps its room, so that what stands below does not jump from slide to slide. */
.slide {
  display: grid;
  /* No taller than its room: a page that stands upright is shown whole. */
  grid-template: minmax(0, 1fr) / minmax(0, 1fr);
  place-items: center;
  aspect-ratio: 16 / 9;
  max-height: 66vh;
  width: 100%;
  border: 1px solid var(--line);
  background: var(--sunk);
  overflow: hidden;
}
.slide :deep(img) {
  width: 100%;
  height: 100%;
  object-fit: contain;
}
.missing {
  padding: 20px;
  text-align: center;
}
</style>
