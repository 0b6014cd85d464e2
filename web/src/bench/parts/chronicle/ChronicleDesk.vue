<script setup lang="ts">
// A chronicle on the bench: drawn along time as learners see it, the same as a list, and the sheet of what is picked.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, toRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { endsTooSoon } from '@fernbrake/core/chronicle'
import { edits, type ChroniclePart } from '@fernbrake/core/lesson'
import { ChronicleDrawing, useChronicle } from '@fernbrake/player'
import ChoiceField from '../../ChoiceField.vue'
import RichField from '../../questions/RichField.vue'
import { usePlaces, useRights, useBench } from '../../useBench.ts'
import MediumField from '../MediumField.vue'
import PartSheet from '../PartSheet.vue'
import PartTitle from '../PartTitle.vue'
import ThingsDesk from '../ThingsDesk.vue'
import { focusSheet, useThings } from '../useThings.ts'
import CategoriesField from './CategoriesField.vue'
import ItemSheet from './ItemSheet.vue'

const props = defineProps<{ part: ChroniclePart; covered: boolean }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { t } = useI18n()
const { add } = useThings(() => props.part)
const picked = places.thingId
const { items } = useChronicle(toRef(props, 'part'))
const item = computed(() => props.part.items[picked.value ?? ''] ?? null)
const order = computed(() => items.value.map(({ item: one }) => one.id))

const change = (fields: Partial<Pick<ChroniclePart, 'text' | 'background' | 'opensAs'>>) =>
  bench.draft.make(edits.setPart, { partId: props.part.id, change: fields })

/** What follows mostly happened a little later than what is picked, or than the last. */
function addItem(): void {
  const before = item.value ?? items.value.at(-1)?.item ?? null
  const { year } = before?.from ?? { year: new Date().getFullYear() }
  const categoryId = before?.categoryId ?? null
  const made = { id: nanoid(), title: '', from: { year }, until: null, text: '', medium: null }
  if (add('items', [{ ...made, categoryId }])) focusSheet()
}
</script>

<template>
  <ThingsDesk
    :label="t('parts.kind.chronicle')"
    :covered="covered"
    :is-there="picked === null || item !== null"
    :question-id="null"
  >
    <PartTitle :part="part" :facts="t('parts.items', items.length)" />
    <ChronicleDrawing
      v-if="items.length > 0"
      :part="part"
      :open-id="picked"
      :background="part.background ? mediaFileAddress(part.background.mediaId, 'playable') : null"
      @pick="picked = $event"
    />
    <p v-else class="empty">{{ t('parts.noItems') }}</p>
    <ol class="list">
      <li v-for="{ item: one, when, category } in items" :key="one.id">
        <button
          type="button"
          :aria-pressed="one.id === picked"
          :data-picked="one.id === picked || undefined"
          :style="{ borderInlineStartColor: category?.colour ?? 'var(--fern)' }"
          @click="picked = one.id"
        >
          <span class="when">{{ when }}</span>
          <span class="name" :class="{ none: !one.title }" dir="auto">{{
            one.title || t('player.part.unnamed')
          }}</span>
          <b v-if="endsTooSoon(one)">{{ t('parts.endsTooSoonShort') }}</b>
        </button>
      </li>
    </ol>
    <Button
      v-if="rights.canEdit.value"
      class="add"
      :label="t('parts.addItem')"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="addItem"
    />
    <template #sheet>
      <ItemSheet v-if="item" :key="item.id" :part="part" :item="item" :order="order" />
      <PartSheet v-else :part="part" :help="t('parts.help.chronicle')">
        <RichField
          :label="t('parts.saidAbove')"
          :text="part.text"
          :max="20000"
          :rows="3"
          @change="change({ text: $event })"
        />
        <ChoiceField
          :label="t('parts.opensAsLabel')"
          :value="part.opensAs"
          :choices="
            (['drawing', 'list'] as const).map((value) => ({
              value,
              label: t(`player.part.as.${value}`),
            }))
          "
          @change="change({ opensAs: $event })"
        />
        <CategoriesField :part="part" />
        <MediumField
          :label="t('parts.background')"
          kind="picture"
          :media-id="part.background?.mediaId ?? null"
          :place="{ at: 'background', partId: part.id }"
        >
          <Button
            v-if="part.background && rights.canEdit.value"
            :label="t('parts.noBackground')"
            severity="secondary"
            variant="text"
            size="small"
            @click="change({ background: null })"
          />
        </MediumField>
      </PartSheet>
    </template>
  </ThingsDesk>
</template>

<style scoped>
.empty {
  padding: 40px 12px;
  border: 1px dashed var(--line-strong);
  text-align: center;
}
.list {
  margin: 14px 0;
  padding: 0;
  list-style: none;
}
.list button {
  display: grid;
  grid-template-columns: 15em minmax(0, 1fr) auto;
  gap: 12px;
  width: 100%;
  padding: 7px 10px;
  border: 0;
  border-bottom: 1px solid var(--line);
  border-inline-start: 4px solid var(--fern);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.list button:hover {
  background: var(--sunk);
}
.list [aria-pressed='true'] {
  background: var(--surface);
  box-shadow: inset 0 0 0 1px var(--fern);
}
.when {
  color: var(--ink-2);
  font-size: 13.5px;
}
.name {
  font-family: var(--reading);
  overflow-wrap: anywhere;
}
.name.none {
  color: var(--ink-3);
  font-style: italic;
}
b {
  color: var(--rust);
  font-size: 13.5px;
}
</style>
