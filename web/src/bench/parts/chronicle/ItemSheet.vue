<script setup lang="ts">
// The sheet of something that happened: when, what, its text and its medium.
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { endsTooSoon } from '@fernbrake/core/chronicle'
import { inOrder } from '@fernbrake/core/fields'
import type { ChronicleItem, ChroniclePart } from '@fernbrake/core/lesson'
import CheckField from '../../CheckField.vue'
import ChoiceField from '../../ChoiceField.vue'
import RichField from '../../questions/RichField.vue'
import WordsField from '../../WordsField.vue'
import { useRights } from '../../useBench.ts'
import MediumField from '../MediumField.vue'
import ThingSheet from '../ThingSheet.vue'
import { useThings } from '../useThings.ts'
import DateFields from './DateFields.vue'

const props = defineProps<{ part: ChroniclePart; item: ChronicleItem; order: readonly string[] }>()
const rights = useRights()
const { t } = useI18n()
const things = useThings(() => props.part)
const set = (change: Parameters<typeof things.set>[1]) => things.set(props.item.id, change)
const NONE = 'none'
const categories = computed(() => [
  { value: NONE, label: t('parts.noCategory') },
  ...inOrder(Object.values(props.part.categories)).map(({ id, name }) => ({
    value: id,
    label: name || t('bench.untitled'),
  })),
])

const KINDS = ['picture', 'sound', 'film'] as const
/** The kind that is offered while there is no medium yet. */
const wanted = ref<(typeof KINDS)[number]>('picture')
const kind = computed(() => props.item.medium?.kind ?? wanted.value)
const setMedium = (change: Partial<NonNullable<ChronicleItem['medium']>>) =>
  props.item.medium && set({ medium: { ...props.item.medium, ...change } })
</script>

<template>
  <ThingSheet
    :part="part"
    :thing-id="item.id"
    :title="t('parts.item')"
    :order="order"
    :moves="false"
  >
    <WordsField
      :label="t('parts.itemTitle')"
      :text="item.title"
      :max="200"
      @change="set({ title: $event })"
    />
    <DateFields :label="t('parts.from')" :date="item.from" @change="set({ from: $event })" />
    <CheckField
      :label="t('parts.lasts')"
      :checked="item.until !== null"
      @change="set({ until: $event ? { ...item.from } : null })"
    />
    <DateFields
      v-if="item.until"
      :label="t('parts.until')"
      :date="item.until"
      @change="set({ until: $event })"
    />
    <p v-if="endsTooSoon(item)" class="notice straw" role="status">{{ t('parts.endsTooSoon') }}</p>
    <ChoiceField
      v-if="categories.length > 1"
      :label="t('parts.category')"
      :value="item.categoryId ?? NONE"
      :choices="categories"
      @change="set({ categoryId: $event === NONE ? null : $event })"
    />
    <RichField
      :label="t('parts.text')"
      :text="item.text"
      :max="20000"
      :rows="4"
      @change="set({ text: $event })"
    />
    <ChoiceField
      v-if="!item.medium"
      :label="t('parts.mediumLabel')"
      :value="wanted"
      :choices="KINDS.map((value) => ({ value, label: t(`shelf.kind.${value}`) }))"
      @change="wanted = $event"
    />
    <MediumField
      :label="t(`shelf.kind.${kind}`)"
      :kind="kind"
      :media-id="item.medium?.mediaId ?? null"
      :place="{ at: 'item', partId: part.id, thingId: item.id, kind }"
    >
      <Button
        v-if="item.medium && rights.canEdit.value"
        :label="t('parts.dropMedium')"
        severity="secondary"
        variant="text"
        size="small"
        @click="set({ medium: null })"
      />
    </MediumField>
    <template v-if="item.medium">
      <WordsField
        v-if="item.medium.kind === 'picture'"
        :label="t('shelf.field.alternative')"
        :text="item.medium.alternative"
        :max="1000"
        :rows="2"
        @change="setMedium({ alternative: $event })"
      />
      <WordsField
        :label="t('parts.caption')"
        :text="item.medium.caption"
        :max="500"
        @change="setMedium({ caption: $event })"
      />
      <WordsField
        :label="t('shelf.field.credit')"
        :text="item.medium.credit"
        :max="500"
        @change="setMedium({ credit: $event })"
      />
    </template>
  </ThingSheet>
</template>
