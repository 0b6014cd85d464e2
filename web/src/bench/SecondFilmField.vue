<script setup lang="ts">
// Which second film an overlay shows, and from where in it.
import Checkbox from 'primevue/checkbox'
import { watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import type { OverlayForm } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import IntakeHere from './placing/IntakeHere.vue'
import FitField from './FitField.vue'
import TimeField from './TimeField.vue'
import { useLoaded } from '../ui/useLoaded.ts'
import { useRights } from './useBench.ts'

const props = defineProps<{ cueId: string; content: Extract<OverlayForm, { form: 'film' }> }>()
const emit = defineEmits<{ change: [content: OverlayForm] }>()
const rights = useRights()
const { t } = useI18n()
/** The second film itself, for its length. */
const media = useLoaded(async () => {
  const { mediaId } = props.content
  return mediaId ? call('media', { params: { mediaId } }) : null
})
watch(
  () => props.content.mediaId,
  () => void media.reload(),
)
</script>

<template>
  <fieldset>
    <legend>{{ t('secondFilm.film') }}</legend>
    <img
      v-if="content.mediaId"
      class="shown"
      :src="mediaFileAddress(content.mediaId, 'poster')"
      alt=""
    />
    <IntakeHere v-if="rights.canEdit.value" kind="film" :place="{ at: 'overlay', cueId }" />
    <TimeField
      :label="t('secondFilm.from')"
      :ms="content.startMs"
      :most-ms="media.value.value?.durationMs ?? Infinity"
      @change="emit('change', { ...content, startMs: $event })"
    />
    <FitField :fit="content.fit" @change="emit('change', { ...content, fit: $event })" />
    <label class="check">
      <Checkbox
        :model-value="content.sound"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="emit('change', { ...content, sound: $event })"
      />
      {{ t('secondFilm.sound') }}
    </label>
  </fieldset>
</template>
