<script setup lang="ts">
// Editing a text overlay: words, time, place, look.
import InputNumber from 'primevue/inputnumber'
import Select from 'primevue/select'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { boxOnStage, edits, type OverlayCue } from '@fernbrake/core/lesson'
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
  <div class="editor">
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
        <div v-for="side in SIDES" :key="side" class="field">
          <label :for="`box-${side}`">{{ t(`sheet.side.${side}`) }}</label>
          <InputNumber
            :input-id="`box-${side}`"
            :model-value="Math.round(cue.box[side] * 1000) / 10"
            :min="side === 'width' || side === 'height' ? 1 : 0"
            :max="100"
            :max-fraction-digits="1"
            suffix=" %"
            size="small"
            fluid
            :disabled="!bench.canEdit.value"
            @update:model-value="setBox(side, $event ?? 0)"
          />
        </div>
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
        <div class="field">
          <label for="size">{{ t('sheet.size') }}</label>
          <InputNumber
            input-id="size"
            :model-value="Math.round(cue.look.size * 1000) / 10"
            :min="2"
            :max="30"
            :max-fraction-digits="1"
            suffix=" %"
            size="small"
            fluid
            :disabled="!bench.canEdit.value"
            @update:model-value="setLook({ size: ($event ?? 4.5) / 100 })"
          />
        </div>
        <div class="field">
          <label for="align">{{ t('sheet.alignment') }}</label>
          <Select
            label-id="align"
            :model-value="cue.look.align"
            :options="aligns"
            option-label="label"
            option-value="value"
            size="small"
            :aria-label="t('sheet.alignment')"
            :disabled="!bench.canEdit.value"
            @update:model-value="setLook({ align: $event })"
          />
        </div>
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
.editor {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.four {
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
fieldset {
  display: flex;
  flex-direction: column;
  margin: 0;
  padding: 12px 0 0;
  border: 0;
  border-top: 1px solid var(--line);
  min-width: 0;
}
legend {
  float: left;
  width: 100%;
  padding: 0 0 8px;
  font-weight: 700;
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
.check {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  font-size: 13.5px;
}
</style>
