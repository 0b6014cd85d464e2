<script setup lang="ts">
// The sheet of a block: what it shows, then how it stands on the page.
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import {
  blocksAt,
  blocksInOrder,
  COLUMN_SIDES,
  edits,
  TONES,
  type PageBlock,
  type PagePart,
} from '@fernbrake/core/lesson'
import CheckField from '../../CheckField.vue'
import ChoiceField from '../../ChoiceField.vue'
import PageFields from '../../PageFields.vue'
import QuestionEditor from '../../QuestionEditor.vue'
import RichField from '../../questions/RichField.vue'
import SheetFold from '../../SheetFold.vue'
import WordsField from '../../WordsField.vue'
import { useBench } from '../../useBench.ts'
import MediumField from '../MediumField.vue'
import StretchField from '../StretchField.vue'
import ThingSheet from '../ThingSheet.vue'
import { useThings } from '../useThings.ts'

const props = defineProps<{ part: PagePart; block: PageBlock }>()
const bench = useBench()
const { t } = useI18n()
const things = useThings(() => props.part)
const set = (change: Parameters<typeof things.set>[1]) => things.set(props.block.id, change)
const order = computed(() => blocksAt(props.part, props.block.inside).map(({ id }) => id))
const MEDIUM = { picture: 'picture', sound: 'sound', film: 'film', file: 'document' } as const

const USUAL = 'usual'
const choices = <T extends string>(of: string, values: readonly T[]) =>
  [USUAL, ...values].map((value) => ({ value, label: t(`parts.${of}.${value}`) }))
const LOOKS = [
  { name: 'tone', values: TONES },
  { name: 'width', values: ['narrow', 'wide'] },
  { name: 'align', values: ['centre', 'end'] },
] as const
const setLook = (name: string, value: string) =>
  set({ [name]: value === USUAL ? undefined : value } as never)

/** What differs from how blocks usually stand. */
const standsHold = computed(() =>
  LOOKS.flatMap(({ name }) => {
    const value = props.block[name]
    return value ? [t(`parts.${name}.${value}`)] : []
  })
    .concat(props.block.note ? [t('fold.note')] : [])
    .join(' · '),
)

/** The places that it can stand in: the page itself, and both sides of all columns. */
const PAGE = 'page'
const places = computed(() => {
  const columns = blocksInOrder(props.part).filter(({ kind }) => kind === 'columns')
  return [
    { value: PAGE, label: t('parts.onPage') },
    ...columns.flatMap(({ id }, index) =>
      COLUMN_SIDES.map((side) => ({
        value: `${id} ${side}`,
        label: t(`parts.inColumn.${side}`, { number: index + 1 }, columns.length > 1 ? 2 : 1),
      })),
    ),
  ]
})
const place = computed(() => {
  const { inside } = props.block
  return inside ? `${inside.columnsId} ${inside.side}` : PAGE
})
function putInto(value: string): void {
  const [columnsId, side] = value.split(' ') as [string, 'first' | 'second']
  bench.draft.make(edits.placeThing, {
    partId: props.part.id,
    thingId: props.block.id,
    beforeId: null,
    inside: value === PAGE ? null : { columnsId, side },
  })
}
</script>

<template>
  <ThingSheet
    :part="part"
    :thing-id="block.id"
    :title="t(`parts.block.${block.kind}`)"
    :order="order"
  >
    <RichField
      v-if="block.kind === 'text'"
      :label="t('parts.text')"
      :text="block.text"
      :max="20000"
      :rows="8"
      @change="set({ text: $event })"
    />
    <template v-else-if="block.kind === 'heading'">
      <WordsField
        :label="t('parts.block.heading')"
        :text="block.words"
        :max="300"
        @change="set({ words: $event })"
      />
      <ChoiceField
        :label="t('parts.levelLabel')"
        :value="String(block.level)"
        :choices="['2', '3'].map((value) => ({ value, label: t(`parts.level.${value}`) }))"
        @change="set({ level: Number($event) as 2 | 3 })"
      />
    </template>
    <template v-else-if="block.kind === 'fact'">
      <WordsField
        :label="t('parts.factTitle')"
        :text="block.title"
        :max="200"
        @change="set({ title: $event })"
      />
      <RichField
        :label="t('parts.text')"
        :text="block.text"
        :max="20000"
        :rows="4"
        @change="set({ text: $event })"
      />
    </template>
    <template v-else-if="'mediaId' in block">
      <MediumField
        :label="t(`parts.block.${block.kind}`)"
        :kind="MEDIUM[block.kind]"
        :media-id="block.mediaId"
        :place="{ at: 'block', partId: part.id, thingId: block.id }"
      />
      <template v-if="block.kind === 'picture'">
        <WordsField
          :label="t('shelf.field.alternative')"
          :text="block.alternative"
          :max="1000"
          :rows="2"
          @change="set({ alternative: $event })"
        />
        <WordsField
          :label="t('parts.caption')"
          :text="block.caption"
          :max="1000"
          :rows="2"
          @change="set({ caption: $event })"
        />
      </template>
      <WordsField
        v-else
        :label="t('parts.mediumTitle')"
        :text="block.title"
        :max="200"
        @change="set({ title: $event })"
      />
    </template>
    <StretchField
      v-else-if="block.kind === 'stretch'"
      :label="t('parts.block.stretch')"
      :stretch="block.stretch"
      @change="set({ stretch: $event })"
    />
    <template v-else-if="block.kind === 'web'">
      <PageFields
        :label="t('parts.address')"
        :address="block.address"
        :opens="block.opens"
        @change="set($event)"
        @found="block.title || set({ title: $event.slice(0, 200) })"
      />
      <WordsField
        :label="t('parts.mediumTitle')"
        :text="block.title"
        :max="200"
        @change="set({ title: $event })"
      />
    </template>
    <QuestionEditor
      v-else-if="block.kind === 'question'"
      :question-id="block.questionId"
      :cue="null"
    />
    <template v-else>
      <ChoiceField
        :label="t('parts.splitLabel')"
        :value="block.split"
        :choices="
          (['halves', 'firstWide', 'secondWide'] as const).map((value) => ({
            value,
            label: t(`parts.split.${value}`),
          }))
        "
        @change="set({ split: $event })"
      />
      <CheckField
        :label="t('parts.stays')"
        :checked="block.stays"
        @change="set({ stays: $event })"
      />
    </template>
    <SheetFold
      v-if="block.kind !== 'columns'"
      name="stands"
      :title="t('parts.howItStands')"
      :holds="standsHold"
    >
      <ChoiceField
        v-if="places.length > 1"
        :label="t('parts.placeLabel')"
        :value="place"
        :choices="places"
        @change="putInto"
      />
      <div class="pair">
        <ChoiceField
          v-for="look in LOOKS"
          :key="look.name"
          :label="t(`parts.${look.name}Label`)"
          :value="block[look.name] ?? USUAL"
          :choices="choices(look.name, look.values)"
          @change="setLook(look.name, $event)"
        />
      </div>
      <WordsField
        :label="t('parts.note')"
        :text="block.note ?? ''"
        :max="1000"
        :rows="2"
        @change="set({ note: $event.trim() === '' ? undefined : $event })"
      />
    </SheetFold>
  </ThingSheet>
</template>
