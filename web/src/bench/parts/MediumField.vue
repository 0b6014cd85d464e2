<script setup lang="ts">
// The one medium that something shows or offers: what it is now, and another for it.
import { computed, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import SoundPlayer from '../../ui/SoundPlayer.vue'
import { useLoaded } from '../../ui/useLoaded.ts'
import { call } from '../../api/client.ts'
import type { Place } from '../placing/places.ts'
import IntakeHere from '../placing/IntakeHere.vue'
import { useRights } from '../useBench.ts'

const props = defineProps<{
  label: string
  kind: Media['kind']
  mediaId: string | null
  place: Place
}>()
const rights = useRights()
const { t } = useI18n()
const known = useLoaded(async () =>
  props.mediaId ? call('media', { params: { mediaId: props.mediaId } }) : null,
)
const media = computed(() => (known.value.value?.id === props.mediaId ? known.value.value : null))
watch(() => props.mediaId, known.reload)
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <template v-if="mediaId">
      <SoundPlayer
        v-if="kind === 'sound'"
        :src="mediaFileAddress(mediaId, 'playable')"
        :name="media?.title ?? ''"
      />
      <img v-else-if="kind !== 'document'" :src="mediaFileAddress(mediaId, 'poster')" alt="" />
      <p v-if="media" class="title" dir="auto">{{ media.title }}</p>
    </template>
    <p v-else class="none">{{ t('parts.noMedium') }}</p>
    <IntakeHere v-if="rights.canEdit.value" :kind="kind" :place="place" />
    <slot :media="media" />
  </fieldset>
</template>

<style scoped>
img {
  max-width: 100%;
  max-height: 140px;
  align-self: start;
}
.title {
  font-weight: 650;
  overflow-wrap: anywhere;
}
.none {
  color: var(--ink-2);
}
</style>
