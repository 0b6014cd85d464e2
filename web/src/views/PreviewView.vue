<script setup lang="ts">
// The draft as a learner would see it. Nothing that is done here is kept.
import { useI18n } from 'vue-i18n'
import { useElementSize } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { creditsFor, mediaFileAddress, mediaPageAddress } from '@fernbrake/core/contract'
import { clockTime } from '@fernbrake/core/media'
import { buildSchedule, passedBefore } from '@fernbrake/core/playback'
import {
  asEdition,
  filmLengthMs,
  filmsInOrder,
  mediaIdsOf,
  partsInOrder,
  stagedAddresses,
  type Lesson,
} from '@fernbrake/core/lesson'
import { LessonPlayer, type Host } from '@fernbrake/player'
import { createPreviewHost } from '@fernbrake/player/hosts/preview'
import { nearWords } from '../api/nearWords.ts'
import { call } from '../api/client.ts'
import { lessonAsLeft } from '../bench/useDraft.ts'
import { useSession } from '../stores/session.ts'
import FaultNotice from '../ui/FaultNotice.vue'
import { useLoaded } from '../ui/useLoaded.ts'

const props = defineProps<{ lessonId: string }>()
const { t } = useI18n()
const session = useSession()
const host = shallowRef<Host | null>(null)
const route = useRoute()
const router = useRouter()
/** Inside a frame of this very page: the lesson alone, as wide as the frame. */
const isFramed = route.query.in === 'frame'
/** The devices that it is seen on, in CSS pixels; the window takes what there is. */
const SIZES = {
  window: null,
  phone: { width: 390, height: 844 },
  tablet: { width: 820, height: 1180 },
  desktop: { width: 1280, height: 800 },
} as const
type SizeName = keyof typeof SIZES
const SIZE_NAMES = Object.keys(SIZES) as SizeName[]
const size = computed(
  (): SizeName => SIZE_NAMES.find((one) => one === route.query.size) ?? 'window',
)
const frame = computed(() => SIZES[size.value])
const lesson = shallowRef<Lesson | null>(null)
const parts = computed(() => (lesson.value ? partsInOrder(lesson.value) : []))
const partId = computed(() => (lesson.value && partOfAddress(lesson.value)) ?? parts.value[0]?.id)
/** Where in a film it begins, in ms. */
const atMs = () => Math.max(0, Math.round(Number(route.query.at) || 0))
const room = useTemplateRef('room')
const roomSize = useElementSize(room)
/** Whatever is larger than the room is drawn smaller; the page in it stays as wide as it is. */
const scale = computed(() =>
  frame.value
    ? Math.min(
        1,
        roomSize.width.value / frame.value.width,
        roomSize.height.value / frame.value.height,
      ) || 1
    : 1,
)
const framed = computed(
  () =>
    router.resolve({
      name: 'preview',
      params: { lessonId: props.lessonId },
      query: { ...route.query, size: undefined, in: 'frame' },
    }).href,
)
const change = (query: Record<string, string>) =>
  router.replace({ query: { ...route.query, ...query } })
/** What would hold the film before the moment at which it begins. */
const passed = computed(() => {
  const id = partId.value ?? ''
  const lengthMs = lesson.value && filmLengthMs(lesson.value, id)
  return lesson.value && lengthMs
    ? passedBefore(buildSchedule(lesson.value, id, lengthMs), atMs())
    : []
})
/** It begins anew where the learner is put, as a learner who comes there would. */
const stand = computed(() => `${partId.value} ${String(route.query.at ?? '')}`)

/** The part that was open on the bench. */
function partOfAddress(lesson: Lesson): string | null {
  const { part } = route.query
  return typeof part === 'string' && lesson.parts[part] ? part : null
}
const { error, reload } = useLoaded(async () => {
  const { lessonId } = props
  const found =
    (await lessonAsLeft(lessonId)) ?? (await call('lesson', { params: { lessonId } })).lesson
  lesson.value = found
  await openHost(found)
})
/** Where the learner was put last. */
let stoodAt = ''
/** Grows with each host: a player keeps the one that it was opened with. */
const sitting = ref(0)
async function openHost(lesson: Lesson): Promise<void> {
  stoodAt = stand.value
  const ids = filmsInOrder(lesson).flatMap((part) => (part.mediaId ? [part.mediaId] : []))
  const [media, others] = await Promise.all([
    Promise.all(ids.map((mediaId) => call('media', { params: { mediaId } }))),
    // They are wanted for their credits alone; one that cannot be asked for is in nobody's way.
    Promise.allSettled(
      mediaIdsOf(lesson)
        .filter((id) => !ids.includes(id))
        .map((mediaId) => call('media', { params: { mediaId } })),
    ),
  ])
  const credited = others.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []))
  const words = await nearWords(lesson)
  host.value?.destroy()
  host.value = createPreviewHost({
    lesson,
    words,
    learnerName: session.person?.name ?? '',
    partId: partOfAddress(lesson) ?? partsInOrder(lesson)[0]?.id ?? '',
    atMs: atMs(),
    passed: passed.value,
    staged: stagedAddresses(lesson, (id) => mediaFileAddress(id, 'playable'), mediaPageAddress),
    credits: creditsFor(mediaIdsOf(asEdition(lesson)), [...media, ...credited]),
    media: media
      .filter((one) => one.state === 'ready')
      .map(({ id, durationMs, width, height, hosted }) => ({
        player: hosted?.player ?? null,
        id,
        durationMs: durationMs!,
        width: width!,
        height: height!,
        address: mediaFileAddress(id, 'playable'),
        poster: mediaFileAddress(id, 'poster'),
      })),
  })
  sitting.value += 1
}
watch(stand, () => {
  if (lesson.value && stand.value !== stoodAt)
    openHost(lesson.value).catch((caught: unknown) => (error.value = caught))
})
onScopeDispose(() => host.value?.destroy())
</script>

<template>
  <FaultNotice v-if="error" :error="error" @retry="reload" />
  <LessonPlayer
    v-else-if="isFramed && host"
    :key="sitting"
    :host="host"
    :aside="t('preview.aside')"
    class="framed"
  />
  <div v-else-if="!isFramed" class="preview">
    <div class="strip">
      <p>{{ t('preview.strip') }}</p>
      <RouterLink
        :to="{ name: 'bench', params: { lessonId }, query: { part: route.query.part } }"
        >{{ t('preview.back') }}</RouterLink
      >
      <p v-if="passed.length > 0" role="status">
        {{ t('preview.passed', { time: clockTime(atMs()) }, passed.length) }}
        <button type="button" class="link-button" @click="change({ at: '0' })">
          {{ t('preview.fromStart') }}
        </button>
      </p>
      <span class="gap" />
      <label v-if="parts.length > 1">
        {{ t('preview.from') }}
        <select
          :value="partId"
          @change="change({ part: ($event.target as HTMLSelectElement).value, at: '0' })"
        >
          <option v-for="part in parts" :key="part.id" :value="part.id">
            {{ part.title || t('bench.untitled') }}
          </option>
        </select>
      </label>
      <div class="sizes" role="group" :aria-label="t('preview.sizes')">
        <button
          v-for="name in SIZE_NAMES"
          :key="name"
          type="button"
          :aria-pressed="size === name"
          @click="change({ size: name })"
        >
          {{ t(`preview.size.${name}`) }}
        </button>
      </div>
    </div>
    <div v-if="frame" ref="room" class="room">
      <div
        class="device"
        :style="{ width: `${frame.width * scale}px`, height: `${frame.height * scale}px` }"
      >
        <iframe
          :key="stand"
          :src="framed"
          :title="t('preview.frame', { size: t(`preview.size.${size}`) })"
          :style="{
            width: `${frame.width}px`,
            height: `${frame.height}px`,
            transform: `scale(${scale})`,
          }"
        />
      </div>
    </div>
    <LessonPlayer
      v-else-if="host"
      :key="sitting"
      :host="host"
      :aside="t('preview.aside')"
      class="inside"
    />
  </div>
</template>

<style scoped>
.preview {
  display: flex;
  flex-direction: column;
  height: 100vh;
}
.strip {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  padding: 6px 22px;
  background: var(--straw-soft);
}
.strip a {
  color: var(--ink);
  font-weight: 650;
}
.gap {
  flex: 1;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
}
select,
.sizes button {
  min-height: 30px;
  padding: 3px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
}
select {
  max-width: 18em;
}
.sizes {
  display: flex;
}
.sizes button {
  border-inline-start-width: 0;
  border-radius: 0;
  cursor: pointer;
}
.sizes button:first-child {
  border-inline-start-width: 1px;
}
.sizes [aria-pressed='true'] {
  background: var(--fern-soft);
  font-weight: 650;
  box-shadow: inset 0 -3px 0 var(--fern);
}
.room {
  flex: 1;
  display: grid;
  place-items: center;
  min-height: 0;
  margin: 14px;
}
.device {
  overflow: hidden;
  outline: 1px solid var(--line-strong);
  outline-offset: 3px;
}
iframe {
  display: block;
  border: 0;
  transform-origin: 0 0;
}
.inside {
  flex: 1;
  min-height: 0;
  height: auto;
}
</style>
