<script setup lang="ts">
// A file that a learner handed in: seen or heard in place where the browser can, else fetched.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { FileTaken } from '@fernbrake/core/contract'

const props = defineProps<{
  file: FileTaken
  /** Where the files of its attempt are. */
  folder: string
  large?: boolean
}>()
const { t } = useI18n()
const address = computed(() => `${props.folder}/${props.file.id}`)
const sort = computed(() => props.file.contentType.split('/')[0])
/** Some formats, such as those of phone cameras, are not shown by every browser; they can still be fetched. */
const cannotShow = ref(false)
</script>

<template>
  <figure :class="{ large }">
    <template v-if="!cannotShow">
      <img
        v-if="sort === 'image'"
        :src="address"
        :alt="t('results.handedPicture', { name: file.name })"
        loading="lazy"
        @error="cannotShow = true"
      />
      <audio
        v-else-if="sort === 'audio'"
        :src="address"
        controls
        preload="none"
        :aria-label="file.name"
      />
      <video
        v-else-if="sort === 'video'"
        :src="address"
        controls
        preload="metadata"
        :aria-label="file.name"
      />
    </template>
    <figcaption>
      <a :href="address" :download="file.name" dir="auto">{{ file.name }}</a>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 4px 0 8px;
}
img,
video {
  display: block;
  max-width: 100%;
  max-height: 240px;
}
.large img,
.large video {
  max-height: 62vh;
}
audio {
  display: block;
  width: min(360px, 100%);
}
a {
  color: var(--slate);
  overflow-wrap: anywhere;
}
</style>
