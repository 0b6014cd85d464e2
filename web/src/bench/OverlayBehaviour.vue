<script setup lang="ts">
// When an overlay shows besides its time, how it comes and goes, and what a click on it does.
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  edits,
  formOf,
  opensOf,
  type OverlayAction,
  type OverlayCue,
  type Shown,
  type Transition,
} from '@fernbrake/core/lesson'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import PageFields from './PageFields.vue'
import SheetFold from './SheetFold.vue'
import TimeField from './TimeField.vue'
import WordsField from './WordsField.vue'
import { usePlayhead, useRights, useBench } from './useBench.ts'
import { useOtherParts } from './useOtherParts.ts'
import { useCueChoices } from './useCueChoices.ts'

const props = defineProps<{ cue: OverlayCue }>()
const bench = useBench()
const playhead = usePlayhead()
const rights = useRights()
const { draft } = bench
const { t } = useI18n()
const cueId = computed(() => props.cue.id)
const shown = computed(() => props.cue.shown ?? null)
const action = computed(() => props.cue.action ?? null)
/** These have their own thing to press. */
const isOwn = computed(() => ['link', 'sound', 'web'].includes(formOf(props.cue)))

const questions = useCueChoices(({ kind }) => kind === 'question')
const countdowns = useCueChoices(
  (cue) => (cue.kind === 'fork' || cue.kind === 'question') && (cue.countdownMs ?? null) !== null,
)
const whens = computed(() =>
  (['time', 'always', 'untilAnswered', 'afterAnswered', 'countdown'] as const)
    .filter((when) => when !== 'countdown' || countdowns.value.length > 0)
    .filter((when) => !when.endsWith('Answered') || questions.value.length > 0)
    .map((value) => ({ value, label: t(`overlay.when.${value}`) })),
)
function setShown(value: Shown | null): void {
  draft.make(edits.setOverlayShown, { cueId: cueId.value, shown: value })
}
function pickWhen(when: 'time' | Shown['when']): void {
  if (when === 'time') setShown(null)
  else if (when === 'always') setShown({ when })
  else if (when === 'countdown')
    setShown({ when, cueId: countdowns.value[0]!.value, fromShare: 0.5, toShare: 1 })
  else setShown({ when, cueId: questions.value[0]!.value })
}

const ENDS = ['comes', 'goes'] as const
const WAYS = ['none', 'fade', 'slide', 'grow'] as const
const SIDES = ['left', 'right', 'top', 'bottom'] as const
const ways = computed(() => WAYS.map((value) => ({ value, label: t(`overlay.way.${value}`) })))
const sides = computed(() => SIDES.map((value) => ({ value, label: t(`overlay.side.${value}`) })))
const USUAL: Transition = { way: 'fade', side: 'left', ms: 400 }
function setTransition(at: (typeof ENDS)[number], change: Partial<Transition> | null): void {
  const transition = change && { ...USUAL, ...props.cue[at], ...change }
  draft.make(edits.setTransition, { cueId: cueId.value, at, transition })
}

const parts = useOtherParts(() => props.cue.partId)
const deeds = computed(() =>
  (['nothing', 'time', 'part', 'text', 'address', 'question'] as const)
    .filter((does) => does !== 'question' || questions.value.length > 0)
    .filter((does) => does !== 'part' || parts.value.length > 0)
    .map((value) => ({ value, label: t(`overlay.does.${value}`) })),
)
function setAction(value: OverlayAction | null): void {
  draft.make(edits.setOverlayAction, { cueId: cueId.value, action: value })
}
function pickDeed(does: 'nothing' | OverlayAction['does']): void {
  const pauses = action.value?.pauses ?? true
  if (does === 'nothing') setAction(null)
  else if (does === 'time') setAction({ does, atMs: playhead.mediaMs.value, pauses: false })
  else if (does === 'part') setAction({ does, partId: parts.value[0]!.value, pauses: false })
  else if (does === 'text') setAction({ does, text: '', pauses })
  else if (does === 'question') setAction({ does, cueId: questions.value[0]!.value, pauses })
  else setAction({ does, address: null, pauses })
}
</script>

<template>
  <SheetFold
    name="shows"
    :title="t('overlay.shows')"
    :holds="shown ? t(`overlay.when.${shown.when}`) : undefined"
  >
    <ChoiceField
      :label="t('overlay.whenLabel')"
      :value="shown?.when ?? 'time'"
      :choices="whens"
      @change="pickWhen"
    />
    <ChoiceField
      v-if="shown?.when === 'untilAnswered' || shown?.when === 'afterAnswered'"
      :label="t('fork.whichQuestion')"
      :value="shown.cueId"
      :choices="questions"
      @change="setShown({ ...shown, cueId: $event })"
    />
    <template v-if="shown?.when === 'countdown'">
      <ChoiceField
        :label="t('overlay.whichFork')"
        :value="shown.cueId"
        :choices="countdowns"
        @change="setShown({ ...shown, cueId: $event })"
      />
      <div class="pair">
        <NumberField
          :label="t('overlay.fromShare')"
          :value="Math.round(shown.fromShare * 100)"
          :min="0"
          :max="Math.round(shown.toShare * 100) - 1"
          suffix=" %"
          @change="setShown({ ...shown, fromShare: $event / 100 })"
        />
        <NumberField
          :label="t('overlay.toShare')"
          :value="Math.round(shown.toShare * 100)"
          :min="Math.round(shown.fromShare * 100) + 1"
          :max="100"
          suffix=" %"
          @change="setShown({ ...shown, toShare: $event / 100 })"
        />
      </div>
    </template>
    <div v-for="at in ENDS" :key="at" class="pair three">
      <ChoiceField
        :label="t(`overlay.${at}`)"
        :value="cue[at]?.way ?? 'none'"
        :choices="ways"
        @change="setTransition(at, $event === 'none' ? null : { way: $event })"
      />
      <ChoiceField
        v-if="cue[at]?.way === 'slide'"
        :label="t(`overlay.sideOf.${at}`)"
        :value="cue[at]!.side"
        :choices="sides"
        @change="setTransition(at, { side: $event })"
      />
      <NumberField
        v-if="cue[at]"
        :label="t('overlay.lasts')"
        :value="cue[at]!.ms"
        :min="50"
        :max="5000"
        suffix=" ms"
        @change="setTransition(at, { ms: $event })"
      />
    </div>
  </SheetFold>
  <SheetFold
    v-if="!isOwn"
    name="onPress"
    :title="t('overlay.onClick')"
    :holds="action ? t(`overlay.does.${action.does}`) : undefined"
  >
    <ChoiceField
      :label="t('overlay.doesLabel')"
      :value="action?.does ?? 'nothing'"
      :choices="deeds"
      @change="pickDeed"
    />
    <TimeField
      v-if="action?.does === 'time'"
      :label="t('fork.toTime')"
      :ms="action.atMs"
      @change="setAction({ ...action, atMs: $event })"
    />
    <ChoiceField
      v-if="action?.does === 'part'"
      :label="t('fork.toPart')"
      :value="action.partId"
      :choices="parts"
      @change="setAction({ ...action, partId: $event })"
    />
    <WordsField
      v-if="action?.does === 'text'"
      :label="t('overlay.shownWords')"
      :text="action.text"
      :max="2000"
      :rows="3"
      @change="setAction({ ...action, text: $event })"
    />
    <PageFields
      v-if="action?.does === 'address'"
      :label="t('overlay.address')"
      :address="action.address"
      :opens="opensOf(action)"
      @change="setAction({ ...action, ...$event })"
    />
    <ChoiceField
      v-if="action?.does === 'question'"
      :label="t('fork.whichQuestion')"
      :value="action.cueId"
      :choices="questions"
      @change="setAction({ ...action, cueId: $event })"
    />
    <label v-if="action && action.does !== 'address'" class="check">
      <Checkbox
        :model-value="action.pauses"
        binary
        :disabled="!rights.canEdit.value"
        @update:model-value="setAction({ ...action, pauses: $event })"
      />
      {{ t('overlay.pauses') }}
    </label>
  </SheetFold>
</template>

<style scoped>
.pair.three {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
</style>
