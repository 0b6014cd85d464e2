<script setup lang="ts">
// A still as a learner explores it: the picture, and beside it the list of its pins or what one of them opens.
import { computed, nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { inOrder, isBlank } from '@fernbrake/core/fields'
import type { StillPart } from '@fernbrake/core/lesson'
import TextView from '../../questions/TextView.vue'
import type { ShownWay } from '../../ui/partsState.ts'
import PartFrame from '../PartFrame.vue'
import type { PartProps } from '../partProps.ts'
import { usePart } from '../usePart.ts'
import PinMark from './PinMark.vue'
import PinSheet from './PinSheet.vue'
import StillPicture from './StillPicture.vue'

const props = defineProps<PartProps & { part: StillPart }>()
const emit = defineEmits<{
  pickPart: [partId: string]
  take: [way: ShownWay]
  toPart: [partId: string]
}>()
const { t } = useI18n()
const sitting = usePart(props.host, props.opened, props.part)
const pins = inOrder(Object.values(props.part.pins))
const address = computed(() => {
  const { mediaId } = props.part
  return mediaId === null ? null : (props.opened.staged?.[mediaId] ?? null)
})
const openId = ref<string | null>(null)
const open = computed(() => pins.find(({ id }) => id === openId.value) ?? null)
const nameOf = (pin: (typeof pins)[number]) =>
  pin.name || t('player.part.pin', { number: pins.indexOf(pin) + 1 })

async function pick(pinId: string): Promise<void> {
  openId.value = openId.value === pinId ? null : pinId
  if (openId.value === null) return
  sitting.see(pinId)
  await nextTick()
  const sheet = document.getElementById('pin-sheet')
  sheet?.focus({ preventScroll: true })
  // On a narrow screen it opens below the picture.
  sheet?.scrollIntoView({ block: 'nearest' })
}
async function close(): Promise<void> {
  const closed = openId.value
  openId.value = null
  await nextTick()
  document.querySelector<HTMLElement>(`[data-pin="${closed}"]`)?.focus({ preventScroll: true })
}
</script>

<template>
  <PartFrame
    v-bind="props"
    :title="part.title"
    :part-id="part.id"
    wide
    @pick-part="emit('pickPart', $event)"
    @take="emit('take', $event)"
  >
    <TextView v-if="!isBlank(part.text)" class="said" :text="part.text" />
    <div @keydown.esc="openId && close()">
      <StillPicture
        v-if="address"
        :still="part"
        :address="address"
        :open-id="openId"
        :seen="sitting.seen"
        @pick="pick"
      />
      <p v-else>{{ t('player.mediumMissing') }}</p>
    </div>
    <template #beside>
      <PinSheet
        v-if="open"
        :key="open.id"
        :pin="open"
        :name="nameOf(open)"
        :parts="parts"
        @close="close"
        @to-part="emit('toPart', $event)"
        @keydown.esc="close"
      />
      <section v-if="pins.length > 0" class="pins">
        <h2>{{ t('player.part.pins') }}</h2>
        <p v-if="sitting.seen.size > 0" class="count">
          {{ t('player.part.pinsOpened', { n: sitting.seen.size, all: pins.length }) }}
        </p>
        <ol>
          <li v-for="(pin, index) in pins" :key="pin.id">
            <button type="button" :aria-expanded="pin.id === openId" @click="pick(pin.id)">
              <PinMark :pin="pin" :number="index + 1" :seen="sitting.seen.has(pin.id)" />
              <span dir="auto">{{ nameOf(pin) }}</span>
              <span v-if="sitting.seen.has(pin.id)" class="visually-hidden">{{
                t('player.part.opened')
              }}</span>
            </button>
          </li>
        </ol>
      </section>
    </template>
  </PartFrame>
</template>

<style scoped>
.said {
  display: block;
  max-width: 70ch;
  font-family: var(--reading);
  font-size: 17px;
  line-height: 1.5;
}
.pins {
  padding: 18px 0 6px;
}
h2,
.count {
  padding: 0 24px 6px;
  color: var(--ink-2);
  font-size: 13.5px;
  font-weight: 600;
}
.count {
  font-weight: 400;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li button {
  display: flex;
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 48px;
  padding: 4px 24px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
li button:hover {
  background: var(--ground);
}
li button:focus-visible {
  outline-offset: -3px;
}
li svg {
  flex: none;
  width: 30px;
  height: 30px;
  margin: 0;
}
[aria-expanded='true'] {
  background: var(--fern-soft);
}
</style>
