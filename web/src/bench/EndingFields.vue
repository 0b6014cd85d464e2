<script setup lang="ts">
// What is said at an end, of the lesson or of a quiz: to all, to those who pass, and by the marks that were reached.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, nextTick, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { bandsInOrder, shareForNew, type Ending, type EndingChange } from '@fernbrake/core/lesson'
import CheckField from './CheckField.vue'
import NumberField from './NumberField.vue'
import SheetFold from './SheetFold.vue'
import { useRights } from './useBench.ts'
import WordsField from './WordsField.vue'

const props = defineProps<{ label: string; ending: Ending }>()
const emit = defineEmits<{ change: [change: EndingChange] }>()
const { t } = useI18n()
const rights = useRights()
const list = useTemplateRef('list')
const USUAL_PASS_SHARE = 0.6
const bands = computed(() => bandsInOrder(props.ending.bands))
const percent = (share: number) => Math.round(share * 100)

function switchPass(on: boolean): void {
  emit('change', { pass: on ? { share: USUAL_PASS_SHARE, message: '' } : null })
}

function addBand(): void {
  const id = nanoid()
  emit('change', { band: { id, from: shareForNew(props.ending) } })
  void nextTick(() =>
    list.value?.querySelector<HTMLElement>(`[data-band="${id}"] textarea`)?.focus(),
  )
}

/** Only the words of one are said where two begin at the same share. */
function isDouble(id: string, from: number): boolean {
  const others = bands.value.filter((band) => band.id !== id).map((band) => band.from)
  return [...others, ...(props.ending.pass ? [props.ending.pass.share] : [])].includes(from)
}
</script>

<template>
  <SheetFold name="ending" :title="t('fold.ending')" :holds="ending.message">
    <WordsField
      :label="label"
      :text="ending.message"
      :max="2000"
      :rows="2"
      @change="emit('change', { message: $event })"
    />
    <CheckField :label="t('sheet.passes')" :checked="ending.pass !== null" @change="switchPass" />
    <div v-if="ending.pass" class="sheet-form">
      <NumberField
        :label="t('sheet.passShare')"
        :value="percent(ending.pass.share)"
        :min="0"
        :max="100"
        suffix=" %"
        @change="emit('change', { pass: { ...ending.pass, share: $event / 100 } })"
      />
      <WordsField
        :label="t('sheet.passMessage')"
        :text="ending.pass.message"
        :max="2000"
        :rows="2"
        @change="emit('change', { pass: { ...ending.pass, message: $event } })"
      />
    </div>
    <fieldset ref="list" class="bands">
      <legend>{{ t('sheet.bands') }}</legend>
      <p v-if="bands.length === 0" class="help">{{ t('sheet.bandsHelp') }}</p>
      <div v-for="{ id, from, message } in bands" :key="id" class="band" :data-band="id">
        <NumberField
          :label="t('sheet.bandFrom')"
          :value="percent(from)"
          :min="0"
          :max="100"
          suffix=" %"
          @change="emit('change', { band: { id, from: $event / 100 } })"
        />
        <WordsField
          :label="t('sheet.bandWords', { percent: percent(from) })"
          :text="message"
          :max="2000"
          :rows="2"
          @change="emit('change', { band: { id, message: $event } })"
        />
        <Button
          :label="t('sheet.removeOption')"
          :aria-label="t('sheet.bandAway', { percent: percent(from) })"
          severity="secondary"
          variant="text"
          size="small"
          :disabled="!rights.canEdit.value"
          @click="emit('change', { bandAway: id })"
        />
        <p v-if="isDouble(id, from)" class="notice straw">{{ t('sheet.bandDouble') }}</p>
      </div>
      <Button
        :label="t('sheet.addBand')"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="!rights.canEdit.value"
        @click="addBand"
      />
    </fieldset>
  </SheetFold>
</template>

<style scoped>
.bands {
  margin: 0;
  padding: 0;
  border: 0;
}
.bands legend {
  margin-bottom: 8px;
  padding: 0;
  font-weight: 650;
}
.band {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr) auto;
  gap: 4px 10px;
  align-items: start;
  margin-bottom: 10px;
}
.band > .p-button {
  margin-top: 24px;
}
.band .notice {
  grid-column: 1 / -1;
  margin: 0;
}
</style>
