<script setup lang="ts">
// Editing an overlay: what it is and says, when it shows, where it lies, how it looks and what a click on it does.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  edits,
  formOf,
  opensOf,
  OVERLAY_FORMS,
  showsWords,
  usualContent,
  type OverlayCue,
  type OverlayForm,
  type OverlayFormName,
} from '@fernbrake/core/lesson'
import ArrangeBar from './ArrangeBar.vue'
import CalmSpotPanel from './CalmSpotPanel.vue'
import ChoiceField from './ChoiceField.vue'
import LookFields from './LookFields.vue'
import OverlayBehaviour from './OverlayBehaviour.vue'
import PageFields from './PageFields.vue'
import PictureField from './PictureField.vue'
import PlaceFields from './PlaceFields.vue'
import SecondFilmField from './SecondFilmField.vue'
import SoundField from './SoundField.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { usePlayhead, useRights, useBench } from './useBench.ts'

const props = defineProps<{ cue: OverlayCue }>()
const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const { t } = useI18n()
const { draft } = bench
const form = computed(() => formOf(props.cue))
const forms = computed(() =>
  OVERLAY_FORMS.map((value) => ({ value, label: t(`overlay.form.${value}`) })),
)
const cueId = computed(() => props.cue.id)

const wordsLabel = computed(() => {
  if (form.value === 'web') return t('overlay.pageWords')
  return showsWords(form.value) ? t('sheet.words') : t('overlay.alternative')
})
function becomeForm(name: OverlayFormName): void {
  const unwritten = t('bench.newOverlay')
  draft.make(edits.setOverlayForm, { cueId: cueId.value, content: usualContent(name), unwritten })
}
function setContent(content: OverlayForm): void {
  draft.make(edits.setOverlayForm, { cueId: cueId.value, content })
}
/** Up to its going it only gets shorter; after that it stays as long as it was, as far as the film reaches. */
const latestMs = computed(() => {
  const { fromMs, toMs } = props.cue
  return Math.max(toMs - 1, playhead.durationMs.value - (toMs - fromMs))
})
/** Whoever lets it come only after it would have gone moves all of it. */
function comeAt(fromMs: number): void {
  if (fromMs < props.cue.toMs) setSpan({ fromMs })
  else draft.make(edits.moveCue, { cueId: cueId.value, toMs: fromMs })
}
function setSpan(part: { fromMs?: number; toMs?: number }): void {
  const { fromMs, toMs } = props.cue
  draft.make(edits.setOverlaySpan, { cueId: cueId.value, fromMs, toMs, ...part })
}
</script>

<template>
  <div class="sheet-form">
    <ChoiceField
      :label="t('overlay.whatItIs')"
      :value="form"
      :choices="forms"
      @change="becomeForm($event)"
    />
    <WordsField
      v-if="cue.content?.form === 'panel'"
      :label="t('overlay.panelTitle')"
      :text="cue.content.title"
      :max="200"
      @change="setContent({ form: 'panel', title: $event })"
    />
    <WordsField
      :label="wordsLabel"
      :text="cue.text"
      :max="1000"
      :rows="2"
      data-focus="first"
      @change="draft.make(edits.setOverlayText, { cueId, text: $event })"
    />
    <PageFields
      v-if="cue.content?.form === 'link' || cue.content?.form === 'web'"
      :key="cue.content.form"
      :label="t('overlay.address')"
      :address="cue.content.address"
      :opens="opensOf(cue.content)"
      @change="setContent({ ...cue.content, ...$event })"
    />
    <SoundField v-if="cue.content?.form === 'sound'" :cue="cue" :content="cue.content" />
    <SecondFilmField
      v-if="cue.content?.form === 'film'"
      :cue-id="cueId"
      :content="cue.content"
      @change="setContent"
    />
    <PictureField
      v-if="cue.content?.form === 'picture'"
      :cue-id="cueId"
      :content="cue.content"
      @change="setContent"
    />
    <div class="pair">
      <TimeField :label="t('sheet.comes')" :ms="cue.fromMs" :most-ms="latestMs" @change="comeAt" />
      <TimeField
        :label="t('sheet.goes')"
        :ms="cue.toMs"
        :after-ms="cue.fromMs"
        @change="setSpan({ toMs: $event })"
      />
    </div>
    <CalmSpotPanel v-if="showsWords(form)" :cue="cue" />
    <ArrangeBar v-if="rights.canEdit.value" />
    <LookFields :cue="cue" />
    <OverlayBehaviour :cue="cue" />
    <PlaceFields :cue="cue" />
  </div>
</template>
