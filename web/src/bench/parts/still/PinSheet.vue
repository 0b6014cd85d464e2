<script setup lang="ts">
// The sheet of a pin: its name, what it opens, and how it looks.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder } from '@fernbrake/core/fields'
import {
  edits,
  partsInOrder,
  PIN_SHAPES,
  type Pin,
  type PinOpens,
  type StillPart,
} from '@fernbrake/core/lesson'
import ChoiceField from '../../ChoiceField.vue'
import ColourField from '../../ColourField.vue'
import PageFields from '../../PageFields.vue'
import QuestionEditor from '../../QuestionEditor.vue'
import RichField from '../../questions/RichField.vue'
import SheetFold from '../../SheetFold.vue'
import WordsField from '../../WordsField.vue'
import { useBench } from '../../useBench.ts'
import ThingSheet from '../ThingSheet.vue'
import { blankQuestionHere, useThings } from '../useThings.ts'

const props = defineProps<{ part: StillPart; pin: Pin }>()
const bench = useBench()
const { t } = useI18n()
const things = useThings(() => props.part)
const set = (change: Parameters<typeof things.set>[1]) => things.set(props.pin.id, change)
const order = computed(() => inOrder(Object.values(props.part.pins)).map(({ id }) => id))
const WHAT = ['text', 'question', 'link', 'part'] as const
const opens = (change: PinOpens) => set({ opens: change })

/** What it opens instead; what was written for the other is let go, and undo brings it back. */
function open(what: (typeof WHAT)[number]): void {
  const { opens: now } = props.pin
  if (now.what === what) return
  const where = { partId: props.part.id, pinId: props.pin.id }
  const asks = what === 'question' ? blankQuestionHere() : undefined
  const made: Record<typeof what, PinOpens> = {
    text: { what: 'text', text: '' },
    question: { what: 'question', questionId: asks?.questionId ?? '' },
    link: { what: 'link', address: null, title: '', opens: 'inside' },
    part: { what: 'part', partId: null },
  }
  bench.draft.make(edits.setPinOpens, { ...where, opens: made[what], ...(asks ? { asks } : {}) })
}

const NONE = 'none'
const others = computed(() =>
  partsInOrder(bench.lesson.value)
    .filter(({ id }) => id !== props.part.id)
    .map(({ id, title }) => ({ value: id, label: title || t('bench.untitled') })),
)
</script>

<template>
  <ThingSheet :part="part" :thing-id="pin.id" :title="t('parts.pin')" :order="order">
    <WordsField
      :label="t('parts.pinName')"
      :text="pin.name"
      :max="200"
      @change="set({ name: $event })"
    />
    <ChoiceField
      :label="t('parts.opensLabel')"
      :value="pin.opens.what"
      :choices="WHAT.map((value) => ({ value, label: t(`parts.opens.${value}`) }))"
      @change="open"
    />
    <RichField
      v-if="pin.opens.what === 'text'"
      :label="t('parts.opensText')"
      :text="pin.opens.text"
      :max="20000"
      :rows="5"
      @change="opens({ what: 'text', text: $event })"
    />
    <QuestionEditor
      v-else-if="pin.opens.what === 'question'"
      :question-id="pin.opens.questionId"
      :cue="null"
    />
    <template v-else-if="pin.opens.what === 'link'">
      <PageFields
        :label="t('parts.address')"
        :address="pin.opens.address"
        :opens="pin.opens.opens"
        @change="pin.opens.what === 'link' && opens({ ...pin.opens, ...$event })"
        @found="
          pin.opens.what === 'link' &&
          (pin.opens.title || opens({ ...pin.opens, title: $event.slice(0, 200) }))
        "
      />
      <WordsField
        :label="t('parts.mediumTitle')"
        :text="pin.opens.title"
        :max="200"
        @change="pin.opens.what === 'link' && opens({ ...pin.opens, title: $event })"
      />
    </template>
    <ChoiceField
      v-else
      :label="t('parts.opensPart')"
      :value="pin.opens.partId ?? NONE"
      :choices="[{ value: NONE, label: t('parts.noPart') }, ...others]"
      @change="opens({ what: 'part', partId: $event === NONE ? null : $event })"
    />
    <SheetFold name="pinLook" :title="t('parts.howItLooks')" :holds="t(`parts.shape.${pin.shape}`)">
      <div class="pair">
        <ChoiceField
          :label="t('parts.shapeLabel')"
          :value="pin.shape"
          :choices="PIN_SHAPES.map((value) => ({ value, label: t(`parts.shape.${value}`) }))"
          @change="set({ shape: $event })"
        />
        <ColourField
          :label="t('parts.colour')"
          :colour="pin.colour"
          usual="#24603F"
          @change="$event && set({ colour: $event })"
        />
      </div>
      <WordsField
        :label="t('parts.symbol')"
        :text="pin.symbol"
        :max="3"
        @change="set({ symbol: $event })"
      />
    </SheetFold>
  </ThingSheet>
</template>
