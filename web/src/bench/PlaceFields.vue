<script setup lang="ts">
// Where an overlay lies, in numbers, and what it is called on the bench.
import { useI18n } from 'vue-i18n'
import { boxOnStage, edits, type OverlayCue } from '@fernbrake/core/lesson'
import NumberField from './NumberField.vue'
import SheetFold from './SheetFold.vue'
import WordsField from './WordsField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ cue: OverlayCue }>()
const { draft } = useBench()
const { t } = useI18n()
const SIDES = ['x', 'y', 'width', 'height'] as const
const percent = (share: number) => Math.round(share * 1000) / 10

function setBox(side: (typeof SIDES)[number], value: number): void {
  draft.make(edits.setOverlayBox, {
    cueId: props.cue.id,
    box: boxOnStage({ ...props.cue.box, [side]: value / 100 }),
  })
}
function setPoint(side: 'x' | 'y', value: number): void {
  if (props.cue.content?.form !== 'label') return
  const to = { ...props.cue.content.to, [side]: value / 100 }
  draft.make(edits.setOverlayForm, { cueId: props.cue.id, content: { form: 'label', to } })
}
</script>

<template>
  <SheetFold name="place" :title="t('fold.place')" :holds="cue.name">
    <WordsField
      :label="t('overlay.name')"
      :text="cue.name ?? ''"
      :max="80"
      @change="draft.make(edits.nameOverlay, { cueId: cue.id, name: $event })"
    />
    <div class="pair">
      <NumberField
        v-for="side in SIDES"
        :key="side"
        :label="t(`sheet.side.${side}`)"
        :value="percent(cue.box[side])"
        :min="side === 'width' || side === 'height' ? 1 : 0"
        :max="100"
        :fraction-digits="1"
        suffix=" %"
        @change="setBox(side, $event)"
      />
      <NumberField
        :label="t('overlay.rotation')"
        :value="cue.rotation ?? 0"
        :min="-180"
        :max="180"
        :fraction-digits="1"
        suffix=" °"
        @change="draft.make(edits.turnOverlay, { cueId: cue.id, degrees: $event })"
      />
      <template v-if="cue.content?.form === 'label'">
        <NumberField
          v-for="side in ['x', 'y'] as const"
          :key="side"
          :label="t(`overlay.pointAt.${side}`)"
          :value="percent(cue.content.to[side])"
          :min="0"
          :max="100"
          :fraction-digits="1"
          suffix=" %"
          @change="setPoint(side, $event)"
        />
      </template>
    </div>
  </SheetFold>
</template>
