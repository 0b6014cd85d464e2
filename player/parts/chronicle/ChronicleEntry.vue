<script setup lang="ts">
// What happened, in full: when, what, its text, and its picture, sound or film.
import { computed, inject } from 'vue'
import { useI18n } from 'vue-i18n'
import { isBlank } from '@fernbrake/core/fields'
import { ADDRESSES } from '../../questions/answerView.ts'
import TextView from '../../questions/TextView.vue'
import LoadedPicture from '../../ui/LoadedPicture.vue'
import type { ShownItem } from './useChronicle.ts'

const props = defineProps<{ shown: ShownItem; level: 2 | 3 }>()
const { t } = useI18n()
const addresses = inject(ADDRESSES, null)
const medium = computed(() => props.shown.item.medium)
const address = computed(() => medium.value && (addresses?.medium(medium.value.mediaId) ?? null))
</script>

<template>
  <div class="entry">
    <p class="when">
      {{ shown.when
      }}<template v-if="shown.category?.name">
        · <i aria-hidden="true" :style="{ background: shown.category.colour }" /><span dir="auto">{{
          shown.category.name
        }}</span></template
      >
    </p>
    <component :is="`h${level}`" dir="auto">
      {{ shown.item.title || t('player.part.unnamed') }}
    </component>
    <figure v-if="medium && address">
      <LoadedPicture
        v-if="medium.kind === 'picture'"
        :src="address"
        :alt="medium.alternative"
        lazy
      />
      <audio
        v-else-if="medium.kind === 'sound'"
        :src="address"
        :aria-label="medium.caption || shown.item.title"
        controls
        preload="none"
      />
      <video
        v-else
        :src="address"
        :aria-label="medium.caption || shown.item.title"
        controls
        playsinline
        preload="metadata"
      />
      <figcaption v-if="medium.caption || medium.credit">
        <span dir="auto">{{ medium.caption }}</span>
        <small v-if="medium.credit" dir="auto">{{ medium.credit }}</small>
      </figcaption>
    </figure>
    <TextView v-if="!isBlank(shown.item.text)" class="text" :text="shown.item.text" />
  </div>
</template>

<style scoped>
.when {
  color: var(--ink-2);
  font-size: 13.5px;
}
.when i {
  margin-inline-end: 6px;
  display: inline-block;
  width: 10px;
  height: 10px;
}
h2,
h3 {
  margin: 2px 0 8px;
  font-family: var(--reading);
  font-size: 20px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
figure {
  margin: 0 0 10px;
}
figure :deep(img),
video {
  display: block;
  max-width: 100%;
  height: auto;
  max-height: 320px;
}
audio {
  width: 100%;
}
figcaption {
  margin-top: 4px;
  color: var(--ink-2);
  font-size: 13.5px;
}
small {
  display: block;
  font-size: 12.5px;
}
.text {
  display: block;
  max-width: 66ch;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
}
</style>
