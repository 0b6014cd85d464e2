<script setup lang="ts">
// A deck on the bench: the slide that is picked, all of them below it, and where new ones come from.
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { inOrder } from '@fernbrake/core/fields'
import { edits, type DeckPart } from '@fernbrake/core/lesson'
import { SlidePicture } from '@fernbrake/player'
import CheckField from '../../CheckField.vue'
import IntakeHere from '../../placing/IntakeHere.vue'
import RichField from '../../questions/RichField.vue'
import WordsField from '../../WordsField.vue'
import { usePlaces, useRights, useBench } from '../../useBench.ts'
import PartSheet from '../PartSheet.vue'
import PartTitle from '../PartTitle.vue'
import ThingSheet from '../ThingSheet.vue'
import ThingsDesk from '../ThingsDesk.vue'
import { useThings } from '../useThings.ts'
import PagesDrawn from './PagesDrawn.vue'

const props = defineProps<{ part: DeckPart; covered: boolean }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { t } = useI18n()
const { set } = useThings(() => props.part)
const picked = places.thingId
const slides = computed(() => inOrder(Object.values(props.part.slides)))
const slide = computed(() => props.part.slides[picked.value ?? ''] ?? null)
const shown = computed(() => slide.value ?? slides.value[0] ?? null)
const order = computed(() => slides.value.map(({ id }) => id))
const nameOf = (index: number) =>
  t('player.part.slideOf', { number: index + 1, count: slides.value.length })
const at = computed(() => order.value.indexOf(shown.value?.id ?? ''))

const place = computed(
  () => ({ at: 'slides', partId: props.part.id, afterId: picked.value }) as const,
)
const documentId = computed(() => slides.value.find(({ page }) => page !== undefined)?.mediaId)
const offer = (offers: string | null) =>
  bench.draft.make(edits.setPart, { partId: props.part.id, change: { offers } })

const dragged = ref<string | null>(null)
const over = ref<string | null>(null)
function drop(beforeId: string | null): void {
  const thingId = dragged.value
  dragged.value = over.value = null
  if (thingId) bench.draft.make(edits.placeThing, { partId: props.part.id, thingId, beforeId })
}
</script>

<template>
  <ThingsDesk
    :label="t('parts.kind.deck')"
    :covered="covered"
    :is-there="picked === null || slide !== null"
    :question-id="null"
  >
    <PartTitle :part="part" :facts="t('parts.slides', slides.length)" />
    <SlidePicture v-if="shown" :key="shown.id" :slide="shown" />
    <p v-else class="empty">{{ t('parts.noSlides') }}</p>
    <ol
      class="strip"
      :aria-label="t('player.part.slides')"
      @dragover.prevent
      @drop.prevent="drop(over)"
    >
      <li
        v-for="(one, index) in slides"
        :key="one.id"
        :draggable="rights.canEdit.value"
        :class="{ over: over === one.id && dragged !== one.id }"
        @dragstart="dragged = one.id"
        @dragend="dragged = over = null"
        @dragenter="over = one.id"
      >
        <button
          type="button"
          :aria-pressed="one.id === picked"
          :data-picked="one.id === picked || undefined"
          :aria-label="one.title ? `${index + 1}: ${one.title}` : nameOf(index)"
          @click="picked = one.id"
        >
          <SlidePicture :slide="one" small />
          <span>{{ index + 1 }}</span>
        </button>
      </li>
    </ol>
    <PagesDrawn :place="place" />
    <div v-if="rights.canEdit.value" class="adds">
      <IntakeHere kind="picture" :place="place" several />
      <IntakeHere kind="document" :place="place" />
    </div>
    <template #sheet>
      <ThingSheet
        v-if="slide"
        :key="slide.id"
        :part="part"
        :thing-id="slide.id"
        :title="t('player.part.slideOf', { number: at + 1, count: slides.length })"
        :order="order"
      >
        <WordsField
          :label="t('parts.slideTitle')"
          :text="slide.title"
          :max="200"
          @change="set(slide.id, { title: $event })"
        />
        <RichField
          :label="t('parts.notes')"
          :text="slide.notes"
          :max="20000"
          :rows="5"
          @change="set(slide.id, { notes: $event })"
        />
        <WordsField
          :label="t('shelf.field.alternative')"
          :text="slide.alternative"
          :max="5000"
          :rows="3"
          @change="set(slide.id, { alternative: $event })"
        />
      </ThingSheet>
      <PartSheet v-else :part="part" :help="t('parts.help.deck')">
        <CheckField
          v-if="documentId || part.offers"
          :label="t('parts.offersDocument')"
          :checked="part.offers !== null"
          @change="offer($event ? (documentId ?? null) : null)"
        />
        <a v-if="part.offers" :href="mediaFileAddress(part.offers, 'original')" download>{{
          t('shelf.download')
        }}</a>
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
.strip {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 8px;
  margin: 12px 0 0;
  padding: 0;
  list-style: none;
}
.strip button {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 3px;
  border: 2px solid transparent;
  background: none;
  color: var(--ink-2);
  font: inherit;
  font-family: var(--mono);
  font-size: 12.5px;
  cursor: pointer;
}
.strip button:hover {
  background: var(--sunk);
}
.strip [aria-pressed='true'] {
  border-color: var(--fern);
  background: var(--surface);
}
/* Where what is dragged would come to stand. */
.strip .over {
  box-shadow: inset 3px 0 0 var(--fern);
}
.adds {
  display: grid;
  gap: 8px;
  margin-top: 14px;
}
</style>
