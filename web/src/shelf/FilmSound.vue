<script setup lang="ts">
// Which of the sounds of a film plays. Another one makes another film of the same file: what shows the first goes on as it is.
import { nanoid } from 'nanoid'
import { computed, shallowRef, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Media } from '@fernbrake/core/contract'
import { call } from '../api/client.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import LabelledSelect from '../ui/LabelledSelect.vue'
import { useAct } from '../ui/useAct.ts'
import { soundName, titleWithSound } from './soundNames.ts'

const props = defineProps<{
  media: Media
  /** What comes of choosing another, said under the list. */
  help: string
  disabled?: boolean
}>()
const emit = defineEmits<{ taken: [media: Media] }>()
const { t } = useI18n()
const id = useId()
const { busy, fault, act } = useAct()
const options = computed(() =>
  props.media.soundTracks.map((track, value) => ({ value, label: soundName(track, value, t) })),
)
const wanted = shallowRef<number | null>(null)
/** The same film for the same wish, however often it is sent. */
const ids = new Map<number, string>()

async function take(track: number): Promise<void> {
  wanted.value = track
  ids.set(track, ids.get(track) ?? nanoid())
  await act(async () => {
    const title = titleWithSound(props.media, track, t)
    const body = { id: ids.get(track)!, track, title }
    emit('taken', await call('takeSoundTrack', { params: { mediaId: props.media.id }, body }))
  })
  if (!fault.value) wanted.value = null
}
</script>

<template>
  <div v-if="options.length > 1" class="sound">
    <LabelledSelect
      :model-value="wanted ?? media.soundTrack ?? 0"
      :label="t('sounds.label')"
      :options="options"
      :disabled="disabled || busy || media.state !== 'ready'"
      :aria-describedby="id"
      @update:model-value="take"
    />
    <p :id="id" class="muted">{{ help }}</p>
    <FaultNotice v-if="fault" :error="fault" @retry="take(wanted!)" />
  </div>
</template>

<style scoped>
.sound {
  display: grid;
  gap: 4px;
}
p {
  margin: 0;
  font-size: 13.5px;
}
</style>
