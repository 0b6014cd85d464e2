<script setup lang="ts">
// Cutting a picture: turning it, choosing a part, and how large it becomes. The picture itself stays as it is.
import Button from 'primevue/button'
import InputNumber from 'primevue/inputnumber'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { mediaFileAddress, type Media } from '@fernbrake/core/contract'
import { cornerDrawn, movedBox, type Corner } from '@fernbrake/core/lesson'
import {
  cutPixels,
  cutSize,
  shapedBox,
  turnedBox,
  turnedSize,
  WHOLE_PICTURE,
  type PictureCut,
} from '@fernbrake/core/media'
import { followPointer } from '@fernbrake/player'
import { call } from '../api/client.ts'
import CornerHandles from '../ui/CornerHandles.vue'
import FaultNotice from '../ui/FaultNotice.vue'
import { nudgeOf } from '../ui/nudge.ts'
import { useLoaded } from '../ui/useLoaded.ts'
import { untilSettled } from './useMediaUpload.ts'

const props = defineProps<{ mediaId: string }>()
const emit = defineEmits<{ asked: [mediaId: string]; made: [media: Media]; close: [] }>()
const { t } = useI18n()
const SHAPES = { free: null, wide: 16 / 9, photo: 4 / 3, square: 1 } as const

const cut = ref<PictureCut>({ ...WHOLE_PICTURE })
/** The first picture: what was cut from it before is where this begins. */
const first = useLoaded(async () => {
  const media = await call('media', { params: { mediaId: props.mediaId } })
  if (!media.cutFrom || !media.cut) return media
  cut.value = media.cut
  return call('media', { params: { mediaId: media.cutFrom } })
})
const source = computed(() => ({
  width: first.value.value?.width ?? 1,
  height: first.value.value?.height ?? 1,
}))
const turned = computed(() => turnedSize(source.value, cut.value.turns))
const size = computed(() => cutSize(source.value, cut.value))
const most = computed(() => cutPixels(source.value, cut.value).width)
const percent = (share: number) => `${share * 100}%`
const frame = computed(() => {
  const { x, y, width, height } = cut.value.box
  return { left: percent(x), top: percent(y), width: percent(width), height: percent(height) }
})

function turn(): void {
  const turns = ((cut.value.turns + 1) % 4) as PictureCut['turns']
  cut.value = { ...cut.value, turns, box: turnedBox(cut.value.box) }
}
function shape(ratio: number | null): void {
  const box = ratio === null ? WHOLE_PICTURE.box : shapedBox(WHOLE_PICTURE.box, turned.value, ratio)
  cut.value = { ...cut.value, box }
}

function onDown(event: PointerEvent, how: 'move' | Corner): void {
  const { box } = cut.value
  const desk = (event.currentTarget as Element).closest('.desk')!
  const move = (to: PointerEvent) => {
    const { width, height } = desk.getBoundingClientRect()
    const [dx, dy] = [(to.clientX - event.clientX) / width, (to.clientY - event.clientY) / height]
    cut.value.box = how === 'move' ? movedBox(box, dx, dy) : cornerDrawn(box, how, dx, dy)
  }
  followPointer(event, { move, end: () => undefined })
}
/** Arrows move the part, with Shift its lower right corner. */
function onKey(event: KeyboardEvent): void {
  const by = nudgeOf(event.key)
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  const { box } = cut.value
  cut.value.box = event.shiftKey ? cornerDrawn(box, 'se', ...by) : movedBox(box, ...by)
}

const making = ref(false)
const failed = ref(false)
/** One id a wish: a repeat after a lost answer finds what was made. */
let wish = { id: nanoid(), cut: '' }
async function make(): Promise<void> {
  const asked = JSON.stringify(cut.value)
  if (wish.cut !== asked) wish = { id: nanoid(), cut: asked }
  making.value = true
  failed.value = false
  try {
    const body = { id: wish.id, cut: cut.value }
    await call('cutPicture', { params: { mediaId: props.mediaId }, body })
    // Whoever waits for it elsewhere need not keep this open.
    emit('asked', wish.id)
    const media = await untilSettled(wish.id)
    if (media.state === 'ready') emit('made', media)
    else failed.value = true
  } catch {
    failed.value = true
  } finally {
    making.value = false
  }
}
</script>

<template>
  <section class="cutter" :aria-label="t('cut.title')" @keydown.esc.stop="emit('close')">
    <FaultNotice v-if="first.error.value" :error="first.error.value" @retry="first.reload" />
    <template v-else-if="first.value.value">
      <p class="help">{{ t('cut.help') }}</p>
      <div class="desk" :style="{ aspectRatio: `${turned.width} / ${turned.height}` }">
        <img
          :src="mediaFileAddress(first.value.value.id, 'playable')"
          :style="{
            transform: `translate(-50%, -50%) rotate(${cut.turns * 90}deg)`,
            width: cut.turns % 2 === 1 ? percent(turned.height / turned.width) : '100%',
          }"
          alt=""
          draggable="false"
        />
        <div
          class="part"
          :style="frame"
          tabindex="0"
          role="group"
          :aria-label="t('cut.part', { width: size.width, height: size.height })"
          @pointerdown="onDown($event, 'move')"
          @keydown="onKey"
        >
          <CornerHandles @down="onDown" />
        </div>
      </div>
      <div class="buttons">
        <Button
          v-for="(ratio, name) in SHAPES"
          :key="name"
          :label="t(`cut.shape.${name}`)"
          size="small"
          severity="secondary"
          variant="text"
          @click="shape(ratio)"
        />
        <Button
          :label="t('cut.turn')"
          size="small"
          severity="secondary"
          variant="text"
          @click="turn"
        />
      </div>
      <div class="size">
        <label for="cut-width">{{ t('cut.width') }}</label>
        <InputNumber
          input-id="cut-width"
          :model-value="size.width"
          :min="Math.min(8, most)"
          :max="most"
          size="small"
          @update:model-value="cut = { ...cut, width: $event >= most ? null : $event }"
        />
        <span class="mono">{{ size.width }} × {{ size.height }}</span>
      </div>
      <p v-if="failed" class="notice" role="alert">{{ t('cut.failed') }}</p>
    </template>
    <div class="buttons">
      <Button
        :label="t('cut.make')"
        size="small"
        :loading="making"
        :disabled="!first.value.value"
        @click="make"
      />
      <Button
        :label="t('cut.cancel')"
        size="small"
        severity="secondary"
        variant="text"
        :disabled="making"
        @click="emit('close')"
      />
    </div>
  </section>
</template>

<style scoped>
.cutter {
  display: grid;
  gap: 10px;
}
.help {
  color: var(--ink-2);
  font-size: 13.5px;
}
.desk {
  position: relative;
  justify-self: start;
  width: 100%;
  max-width: 560px;
  background: var(--sunk);
  overflow: hidden;
}
img {
  position: absolute;
  left: 50%;
  top: 50%;
}
.part {
  position: absolute;
  border: 2px solid #fffdf8;
  outline: 1px solid #17231c;
  box-shadow: 0 0 0 999px #0f171399;
  cursor: move;
  touch-action: none;
}
.part:focus-visible {
  outline: 3px solid var(--focus);
}
.buttons,
.size {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.size :deep(input) {
  width: 92px;
}
</style>
