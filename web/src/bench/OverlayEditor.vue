<script setup lang="ts">
// Editing a text overlay: words, time, place, look.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { boxOnStage, edits, type OverlayCue } from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { useBench } from './useBench.ts'

const props = defineProps<{ cue: OverlayCue }>()
const bench = useBench()
const { t } = useI18n()
const { draft } = bench
const SIDES = ['x', 'y', 'width', 'height'] as const
const ALIGNS = ['start', 'centre', 'end'] as const
const aligns = computed(() => ALIGNS.map((value) => ({ value, label: t(`sheet.align.${value}`) })))

function setBox(side: (typeof SIDES)[number], percent: number): void {
  draft.make(edits.setOverlayBox, {
    cueId: props.cue.id,
    box: boxOnStage({ ...props.cue.box, [side]: percent / 100 }),
  })
}
function setLook(look: Partial<OverlayCue['look']>): void {
  draft.make(edits.setOverlayLook, { cueId: props.cue.id, look })
}
function setSpan(part: { fromMs?: number; toMs?: number }): void {
  const { fromMs, toMs } = props.cue
  draft.make(edits.setOverlaySpan, { cueId: props.cue.id, fromMs, toMs, ...part })
}
const valueOf = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <div class="sheet-form">
    <WordsField
      :label="t('sheet.words')"
      :text="cue.text"
      :max="1000"
      :rows="2"
      @change="draft.make(edits.setOverlayText, { cueId: cue.id, text: $event })"
    />
    <div class="pair">
      <TimeField :label="t('sheet.comes')" :ms="cue.fromMs" @change="setSpan({ fromMs: $event })" />
      <TimeField :label="t('sheet.goes')" :ms="cue.toMs" @change="setSpan({ toMs: $event })" />
    </div>
    <fieldset>
      <legend>{{ t('sheet.place') }}</legend>
      <div class="pair four">
        <NumberField
          v-for="side in SIDES"
          :key="side"
          :label="t(`sheet.side.${side}`)"
          :value="Math.round(cue.box[side] * 1000) / 10"
          :min="side === 'width' || side === 'height' ? 1 : 0"
          :max="100"
          :fraction-digits="1"
          suffix=" %"
          @change="setBox(side, $event)"
        />
      </div>
    </fieldset>
    <fieldset>
      <legend>{{ t('sheet.look') }}</legend>
      <div class="pair">
        <div class="field">
          <label for="ink">{{ t('sheet.ink') }}</label>
          <input
            id="ink"
            type="color"
            :value="cue.look.ink"
            :disabled="!bench.canEdit.value"
            @input="setLook({ ink: valueOf($event) })"
          />
        </div>
        <div class="field">
          <label for="fill">{{ t('sheet.fill') }}</label>
          <span class="fill">
            <input
              id="fill"
              type="color"
              :value="cue.look.fill ?? '#fffdf8'"
              :disabled="!bench.canEdit.value"
              @input="setLook({ fill: valueOf($event) })"
            />
            <label class="check">
              <input
                type="checkbox"
                :checked="cue.look.fill === null"
                :disabled="!bench.canEdit.value"
                @change="
                  setLook({ fill: ($event.target as HTMLInputElement).checked ? null : '#FFFDF8' })
                "
              />
              {{ t('sheet.noFill') }}
            </label>
          </span>
        </div>
        <NumberField
          :label="t('sheet.size')"
          :value="Math.round(cue.look.size * 1000) / 10"
          :min="2"
          :max="30"
          :fraction-digits="1"
          suffix=" %"
          @change="setLook({ size: $event / 100 })"
        />
        <ChoiceField
          :label="t('sheet.alignment')"
          :value="cue.look.align"
          :choices="aligns"
          @change="setLook({ align: $event })"
        />
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
.pair.four {
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
input[type='color'] {
  width: 56px;
  height: 34px;
  padding: 2px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: #fff;
}
.fill {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
