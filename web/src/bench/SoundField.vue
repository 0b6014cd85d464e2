<script setup lang="ts">
// Which sound an overlay lets hear, and how.
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { edits, type OverlayCue, type OverlayForm } from '@fernbrake/core/lesson'
import SoundPlayer from '../ui/SoundPlayer.vue'
import IntakeHere from './placing/IntakeHere.vue'
import ChoiceField from './ChoiceField.vue'
import WordsField from './WordsField.vue'
import { useRights, useBench } from './useBench.ts'

type Sound = Extract<OverlayForm, { form: 'sound' }>
const props = defineProps<{ cue: OverlayCue; content: Sound }>()
const bench = useBench()
const rights = useRights()
const { t } = useI18n()
const BEGINS = ['withFilm', 'pressed'] as const
const begins = computed(() => BEGINS.map((value) => ({ value, label: t(`sound.begins.${value}`) })))

function change(part: Partial<Omit<Sound, 'form'>>): void {
  const content = { ...props.content, ...part }
  bench.draft.make(edits.setOverlayForm, { cueId: props.cue.id, content })
}
</script>

<template>
  <fieldset>
    <legend>{{ t('sound.sound') }}</legend>
    <SoundPlayer
      v-if="content.mediaId"
      :src="mediaFileAddress(content.mediaId, 'playable')"
      :name="cue.text || t('sound.sound')"
    />
    <IntakeHere
      v-if="rights.canEdit.value"
      kind="sound"
      :place="{ at: 'overlay', cueId: cue.id }"
    />
    <WordsField
      :label="t('shelf.field.said')"
      :text="content.said ?? ''"
      :max="2000"
      :rows="2"
      @change="change({ said: $event })"
    />
    <ChoiceField
      :label="t('sound.beginsLabel')"
      :value="content.begins"
      :choices="begins"
      @change="change({ begins: $event })"
    />
    <label class="check">
      <Checkbox
        :model-value="content.quiets"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="change({ quiets: $event })"
      />
      {{ t('sound.quiets') }}
    </label>
  </fieldset>
</template>
