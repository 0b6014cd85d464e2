<script setup lang="ts">
// A still on the bench: the picture with its pins, to be placed, dragged and nudged; and the sheet of what is picked.
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { inOrder } from '@fernbrake/core/fields'
import { edits, opensNothing, USUAL_PIN, type StillPart } from '@fernbrake/core/lesson'
import { followPointer, PinMark, StillPicture } from '@fernbrake/player'
import IntakeHere from '../../placing/IntakeHere.vue'
import RichField from '../../questions/RichField.vue'
import WordsField from '../../WordsField.vue'
import { usePlaces, useRights, useBench } from '../../useBench.ts'
import MediumField from '../MediumField.vue'
import PartSheet from '../PartSheet.vue'
import PartTitle from '../PartTitle.vue'
import ThingsDesk from '../ThingsDesk.vue'
import { focusSheet, useThings } from '../useThings.ts'
import PinSheet from './PinSheet.vue'

const props = defineProps<{ part: StillPart; covered: boolean }>()
const bench = useBench()
const places = usePlaces()
const rights = useRights()
const { t } = useI18n()
const { add, set, remove } = useThings(() => props.part)
const picked = places.thingId
const pins = computed(() => inOrder(Object.values(props.part.pins)))
const pin = computed(() => props.part.pins[picked.value ?? ''] ?? null)
const picture = useTemplateRef('picture')

const change = (fields: Partial<Pick<StillPart, 'mediaId' | 'alternative' | 'text'>>) =>
  bench.draft.make(edits.setPart, { partId: props.part.id, change: fields })
const place = computed(() => ({ at: 'still', partId: props.part.id }) as const)

/** The next press on the picture puts a pin there. */
const placing = ref(false)
function put(x: number, y: number): void {
  placing.value = false
  const last = pins.value.at(-1)
  // A row of pins looks alike until somebody wants it otherwise.
  const look = last
    ? { shape: last.shape, colour: last.colour, symbol: '' }
    : { ...USUAL_PIN, symbol: '' }
  const made = { id: nanoid(), x, y, name: '', ...look, opens: { what: 'text', text: '' } } as const
  if (add('pins', [made])) focusSheet()
}

/** Whole thousandths: finer than a pixel, and short to read in the history. */
const rounded = (share: number) => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000
const DRAG_FROM_PX = 4
/** A pin that is being dragged, and where it is now; it is written once it is let go. */
const dragged = ref<{ id: string; x: number; y: number } | null>(null)
const shown = computed((): StillPart => {
  const at = dragged.value
  const moved = at && props.part.pins[at.id]
  if (!at || !moved) return props.part
  return { ...props.part, pins: { ...props.part.pins, [at.id]: { ...moved, x: at.x, y: at.y } } }
})
/** Two presses on one spot within this time put a pin there, in ms. */
const TWICE_MS = 450
let lastPress = { atMs: -Infinity, x: 0, y: 0 }
function isSecond({ timeStamp, clientX: x, clientY: y }: PointerEvent): boolean {
  const { atMs, x: lastX, y: lastY } = lastPress
  const isIt = timeStamp - atMs < TWICE_MS && Math.hypot(x - lastX, y - lastY) < DRAG_FROM_PX
  lastPress = { atMs: isIt ? -Infinity : timeStamp, x, y }
  return isIt
}
/** Once it is let go: before that, the press would take the focus from the words of the pin again. */
function putAt(event: PointerEvent): void {
  const { x, y } = picture.value!.pointAt(event)
  const end = (_event: PointerEvent, isKept: boolean) => {
    if (isKept) put(rounded(x), rounded(y))
  }
  followPointer(event, { move: () => undefined, end })
}

function press(event: PointerEvent, pinId: string | null): void {
  if (!rights.canEdit.value || event.button !== 0 || !picture.value) return
  if (pinId === null) {
    if (placing.value || isSecond(event)) putAt(event)
    return
  }
  const move = (to: PointerEvent) => {
    const { x, y } = picture.value!.pointAt(to)
    dragged.value = { id: pinId, x: rounded(x), y: rounded(y) }
  }
  const end = (_event: PointerEvent, isKept: boolean) => {
    const at = dragged.value
    dragged.value = null
    if (at && isKept) set(at.id, { x: at.x, y: at.y })
  }
  followPointer(event, { move, end }, { fromPx: DRAG_FROM_PX })
}

const ARROWS: Record<string, [x: number, y: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
/** Arrows move the pin that has the focus; with Shift further. */
function onKey(event: KeyboardEvent): void {
  const pinId = (event.target as HTMLElement).closest<HTMLElement>('[data-pin]')?.dataset.pin
  const moved = pinId && props.part.pins[pinId]
  if (!moved || !rights.canEdit.value || event.altKey || event.ctrlKey || event.metaKey) return
  const arrow = ARROWS[event.key]
  if (event.key === 'Delete')
    remove(
      moved.id,
      pins.value.map(({ id }) => id),
    )
  else if (arrow) {
    const by = event.shiftKey ? 0.05 : 0.005
    set(moved.id, { x: rounded(moved.x + arrow[0] * by), y: rounded(moved.y + arrow[1] * by) })
    picked.value = moved.id
  } else return
  event.preventDefault()
  event.stopPropagation()
}
const nameOf = (index: number) =>
  pins.value[index]!.name || t('player.part.pin', { number: index + 1 })
</script>

<template>
  <ThingsDesk
    :label="t('parts.kind.still')"
    :covered="covered"
    :is-there="picked === null || pin !== null"
    :question-id="pin?.opens.what === 'question' ? pin.opens.questionId : null"
  >
    <PartTitle :part="part" :facts="t('parts.pins', pins.length)" />
    <div v-if="!part.mediaId" class="empty">
      <p>{{ t('parts.noPicture') }}</p>
      <IntakeHere v-if="rights.canEdit.value" kind="picture" :place="place" />
    </div>
    <div v-else class="plane" :class="{ placing }" @keydown="onKey">
      <StillPicture
        ref="picture"
        :still="shown"
        :address="mediaFileAddress(part.mediaId, 'playable')"
        :open-id="picked"
        @pick="picked = $event"
        @press="press"
      />
      <div v-if="rights.canEdit.value" class="tools">
        <Button
          :label="t(placing ? 'parts.placingPin' : 'parts.addPin')"
          :aria-pressed="placing"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="placing = !placing"
        />
        <Button
          :label="t('parts.addPinMiddle')"
          severity="secondary"
          variant="text"
          size="small"
          @click="put(0.5, 0.5)"
        />
        <p class="help" role="status">{{ t(placing ? 'parts.pressPicture' : 'parts.pinKeys') }}</p>
      </div>
      <ol class="pins">
        <li v-for="(one, index) in pins" :key="one.id">
          <button
            type="button"
            :aria-pressed="one.id === picked"
            :data-picked="one.id === picked || undefined"
            @click="picked = one.id"
          >
            <PinMark :pin="one" :number="index + 1" :seen="false" />
            <span dir="auto">{{ nameOf(index) }}</span>
            <span class="what">
              {{ t(`parts.opens.${one.opens.what}`) }}
              <b v-if="opensNothing(one.opens)"> · {{ t('quiz.unready') }}</b>
            </span>
          </button>
        </li>
      </ol>
    </div>
    <template #sheet>
      <PinSheet v-if="pin" :key="pin.id" :part="part" :pin="pin" />
      <PartSheet v-else :part="part" :help="t('parts.help.still')">
        <MediumField
          v-if="part.mediaId"
          :label="t('parts.block.picture')"
          kind="picture"
          :media-id="part.mediaId"
          :place="place"
        />
        <WordsField
          :label="t('shelf.field.alternative')"
          :text="part.alternative"
          :max="1000"
          :rows="2"
          @change="change({ alternative: $event })"
        />
        <RichField
          :label="t('parts.saidAbove')"
          :text="part.text"
          :max="20000"
          :rows="3"
          @change="change({ text: $event })"
        />
      </PartSheet>
    </template>
  </ThingsDesk>
</template>

<style scoped>
.placing :deep(img) {
  cursor: crosshair;
}
.plane :deep(.pin) {
  cursor: grab;
  touch-action: none;
}
.plane :deep([aria-expanded='true']) {
  outline: 2px solid var(--fern);
  outline-offset: -2px;
  background: #fffdf8b3;
}
.empty {
  display: grid;
  gap: 12px;
  padding: 40px 12px;
  border: 1px dashed var(--line-strong);
  justify-items: center;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  margin-top: 8px;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
.pins {
  margin: 14px 0 0;
  padding: 0;
  list-style: none;
}
.pins button {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 100%;
  padding: 4px 8px;
  border: 0;
  border-bottom: 1px solid var(--line);
  border-inline-start: 4px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: start;
  cursor: pointer;
}
.pins button:hover {
  background: var(--sunk);
}
.pins [aria-pressed='true'] {
  border-inline-start-color: var(--fern);
  background: var(--surface);
}
.pins svg {
  flex: none;
  width: 26px;
  height: 26px;
  margin: 0;
}
.what {
  margin-inline-start: auto;
  color: var(--ink-2);
  font-size: 13.5px;
  white-space: nowrap;
}
.what b {
  color: var(--rust);
}
</style>
