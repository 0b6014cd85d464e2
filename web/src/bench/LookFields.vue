<script setup lang="ts">
// How an overlay looks; looks can be copied, and kept in the lesson under a name.
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { edits, lookOf, type OverlayCue, type OverlayLook } from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import ColourField from './ColourField.vue'
import NumberField from './NumberField.vue'
import SheetFold from './SheetFold.vue'
import { useCueActs, useRights, useSelection, useBench } from './useBench.ts'

const props = defineProps<{ cue: OverlayCue }>()
const bench = useBench()
const acts = useCueActs()
const rights = useRights()
const selection = useSelection()
const { draft } = bench
const { t } = useI18n()
const look = computed(() => lookOf(props.cue.look))
const ALIGNS = ['start', 'centre', 'end'] as const
const FONTS = ['interface', 'reading', 'mono'] as const
const aligns = computed(() => ALIGNS.map((value) => ({ value, label: t(`sheet.align.${value}`) })))
const fonts = computed(() => FONTS.map((value) => ({ value, label: t(`overlay.fonts.${value}`) })))
const USUAL_BORDER = { colour: '#17231C', width: 0.005 }
const percent = (share: number) => Math.round(share * 1000) / 10
/** All overlays that are selected take a look together. */
const cueIds = computed(() =>
  selection.selectedCues.value.flatMap(({ id, kind }) => (kind === 'overlay' ? [id] : [])),
)
const named = computed(() =>
  Object.values(bench.lesson.value.looks ?? {}).sort((a, b) => a.name.localeCompare(b.name)),
)
const name = ref('')

function setLook(change: Partial<OverlayLook>): void {
  draft.make(edits.setOverlayLook, { cueId: props.cue.id, look: change })
}
function setBorder(change: Partial<typeof USUAL_BORDER> | null): void {
  setLook({ border: change && { ...USUAL_BORDER, ...look.value.border, ...change } })
}
function apply(given: OverlayLook): void {
  draft.make(edits.applyLook, { cueIds: cueIds.value, look: given })
}
function keep(): void {
  const wanted = name.value.trim()
  if (wanted === '') return
  const same = named.value.find((one) => one.name === wanted)
  draft.make(edits.keepLook, { id: same?.id ?? nanoid(), name: wanted, look: props.cue.look })
  name.value = ''
}
</script>

<template>
  <SheetFold name="look" :title="t('sheet.look')">
    <div class="pair">
      <ColourField
        :label="t('sheet.ink')"
        :colour="look.ink"
        usual="#17231C"
        @change="setLook({ ink: $event! })"
      />
      <ColourField
        :label="t('sheet.fill')"
        :colour="look.fill"
        usual="#FFFDF8"
        :none-label="t('sheet.noFill')"
        @change="setLook({ fill: $event })"
      />
      <NumberField
        :label="t('sheet.size')"
        :value="percent(look.size)"
        :min="2"
        :max="30"
        :fraction-digits="1"
        suffix=" %"
        @change="setLook({ size: $event / 100 })"
      />
      <ChoiceField
        :label="t('sheet.alignment')"
        :value="look.align"
        :choices="aligns"
        @change="setLook({ align: $event })"
      />
      <ChoiceField
        :label="t('overlay.font')"
        :value="look.font"
        :choices="fonts"
        @change="setLook({ font: $event })"
      />
      <NumberField
        :label="t('overlay.opacity')"
        :value="Math.round(look.opacity * 100)"
        :min="10"
        :max="100"
        suffix=" %"
        @change="setLook({ opacity: $event / 100 })"
      />
      <ColourField
        :label="t('overlay.border')"
        :colour="look.border?.colour ?? null"
        :usual="USUAL_BORDER.colour"
        :none-label="t('sheet.noFill')"
        @change="setBorder($event === null ? null : { colour: $event })"
      />
      <NumberField
        v-if="look.border"
        :label="t('overlay.borderWidth')"
        :value="percent(look.border.width)"
        :min="0.1"
        :max="5"
        :fraction-digits="1"
        suffix=" %"
        @change="setBorder({ width: $event / 100 })"
      />
      <NumberField
        :label="t('overlay.corner')"
        :value="percent(look.corner)"
        :min="0"
        :max="50"
        :fraction-digits="1"
        suffix=" %"
        @change="setLook({ corner: $event / 100 })"
      />
    </div>
    <div v-if="rights.canEdit.value" class="looks">
      <Button
        :label="t('overlay.copyLook')"
        size="small"
        severity="secondary"
        variant="text"
        @click="acts.copiedLook.value = { ...cue.look }"
      />
      <Button
        :label="t('overlay.pasteLook')"
        size="small"
        severity="secondary"
        variant="text"
        :disabled="acts.copiedLook.value === null"
        @click="apply(acts.copiedLook.value!)"
      />
      <span v-for="one in named" :key="one.id" class="named">
        <button
          type="button"
          :style="{ color: one.look.ink, background: one.look.fill ?? 'transparent' }"
          @click="apply(one.look)"
        >
          {{ one.name }}
        </button>
        <Button
          :label="t('overlay.removeLook')"
          :aria-label="t('overlay.removeLookLong', { name: one.name })"
          size="small"
          severity="secondary"
          variant="text"
          @click="draft.make(edits.removeLook, { id: one.id })"
        />
      </span>
      <form @submit.prevent="keep">
        <InputText
          v-model="name"
          size="small"
          :maxlength="60"
          :aria-label="t('overlay.lookName')"
          :placeholder="t('overlay.lookName')"
        />
        <Button
          type="submit"
          :label="t('overlay.keepLook')"
          size="small"
          severity="secondary"
          variant="outlined"
          :disabled="name.trim() === ''"
        />
      </form>
    </div>
  </SheetFold>
</template>

<style scoped>
.looks,
.looks form,
.named {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.looks form {
  width: 100%;
}
.named > button {
  min-height: 30px;
  padding: 2px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
</style>
